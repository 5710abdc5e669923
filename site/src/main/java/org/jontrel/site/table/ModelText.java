package org.jontrel.site.table;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Model;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** A whole model in one column, as a JSON list of definitions in the words of the code format. */
public final class ModelText {
    private static final JsonMapper JSON = JsonMapper.builder()
            .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .build();

    private ModelText() {}

    public static String write(Model model) {
        return JSON.writeValueAsString(
                model.types().stream().map(PackageWriter::tree).toList());
    }

    /** @throws IllegalStateException where the text was not written by {@link #write} */
    public static Model read(String text) {
        var findings = new ArrayList<Finding>();
        var types = JSON.readValue(text, new TypeReference<List<Map<String, Object>>>() {}).stream()
                .flatMap(tree -> PackageReader.type(tree, findings).stream())
                .toList();
        if (!findings.isEmpty()) {
            throw new IllegalStateException(
                    "Stored definitions cannot be read: " + findings.getFirst().sentence());
        }
        return new Model(types);
    }
}

package org.jontrel.site.table;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** A whole model in one column, as a JSON list of definitions in the words of the code format, with ids for references;
 * what is no content type says in {@code definition} what it is. */
public final class ModelText {
    private static final String SORT = "definition";
    private static final JsonMapper JSON = JsonMapper.builder()
            .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .build();

    private ModelText() {}

    public static String write(Model model) {
        return JSON.writeValueAsString(
                model.definitions().stream().map(ModelText::tree).toList());
    }

    private static Map<String, Object> tree(Definition definition) {
        var tree = new LinkedHashMap<String, Object>();
        if (definition.sort() != Definition.Sort.TYPE) {
            tree.put(SORT, PackageWriter.word(definition.sort()));
        }
        tree.putAll(PackageWriter.tree(definition));
        return tree;
    }

    /** @throws IllegalStateException where the text was not written by {@link #write} */
    public static Model read(String text) {
        var findings = new ArrayList<Finding>();
        var definitions = JSON.readValue(text, new TypeReference<List<Map<String, Object>>>() {}).stream()
                .flatMap(tree -> definition(tree, findings).stream())
                .toList();
        if (!findings.isEmpty()) {
            throw new IllegalStateException(
                    "Stored definitions cannot be read: " + findings.getFirst().sentence());
        }
        return new Model(definitions);
    }

    private static Optional<Definition> definition(Map<String, Object> tree, List<Finding> findings) {
        var word = tree.remove(SORT);
        var sort = word == null
                ? Definition.Sort.TYPE
                : Definition.Sort.valueOf(word.toString().toUpperCase(Locale.ROOT));
        return PackageReader.definition(Definition.class, sort, tree, findings);
    }
}

package org.jontrel.server.workspace;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Definition;
import org.jontrel.core.naming.Ids;
import org.jontrel.serve.web.Refusal;

/** A definition of a draft over HTTP, in the words of the code format but with ids for references. */
@Schema(requiredProperties = {"sort", "definition", "revision"})
public record DefinitionView(
        @Schema(description = "Of type, taxonomy, group, list, values, layout, listing and part")
        String sort,

        @Schema(ref = "#/components/schemas/Definition") Map<String, Object> definition,

        @Schema(description = "Sent back with an edit") long revision) {
    DefinitionView(Definition definition, long revision) {
        this(PackageWriter.word(definition.sort()), PackageWriter.tree(definition), revision);
    }

    /** @throws Refusal where the word means no sort */
    public static Definition.Sort sort(String word) {
        return Stream.of(Definition.Sort.values())
                .filter(each -> each.name().toLowerCase(Locale.ROOT).equals(word))
                .findFirst()
                .orElseThrow(() -> Refusal.invalid("There is no sort of definition " + word + ".", List.of()));
    }

    /** @throws Refusal where the tree is no definition of the sort, with findings that say where */
    public static Definition read(String sort, Map<String, Object> tree) {
        var findings = new ArrayList<Finding>();
        var read = PackageReader.definition(Definition.class, sort(sort), tree, findings);
        if (read.isEmpty() || !findings.isEmpty()) {
            throw Refusal.invalid("This definition cannot be read.", findings);
        }
        if (!Ids.isId(read.get().id())) {
            throw Refusal.invalid("The definition has no valid id.", List.of());
        }
        return read.get();
    }
}

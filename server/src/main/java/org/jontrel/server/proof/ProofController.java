package org.jontrel.server.proof;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import java.util.stream.Collectors;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.format.Shapes;
import org.jontrel.core.model.Definition;
import org.jontrel.core.naming.Keys;
import org.jontrel.core.naming.Nouns;
import org.jontrel.server.workspace.DefinitionView;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What a definition makes, while it is typed: nothing here is stored. */
@RestController
@RequestMapping("/api/proof")
class ProofController {
    private final Proofs proofs;

    ProofController(Proofs proofs) {
        this.proofs = proofs;
    }

    record ProofRequest(
            @NotBlank String sort,

            @Schema(ref = "#/components/schemas/Definition") @NotNull
            Map<String, Object> definition,

            @Schema(description = "Values tried in the form, by field key; rows as lists of such") @NotNull
            Map<String, Object> values) {}

    record LookRequest(
            @NotBlank String sort,

            @Schema(ref = "#/components/schemas/Definition") @NotNull
            Map<String, Object> definition) {}

    record NamesRequest(
            @NotNull List<String> labels, @NotNull List<String> taken) {}

    @Schema(requiredProperties = {"keys", "plurals", "paths"})
    record DerivedNames(List<String> keys, List<String> plurals, List<String> paths) {}

    /** The form of a definition with values tried in it, its code and texts. */
    @PostMapping("/{workspace}")
    Proofs.Proof proof(@PathVariable String workspace, @Valid @RequestBody ProofRequest body) {
        var findings = new ArrayList<Finding>();
        var read = PackageReader.definition(
                Definition.class, DefinitionView.sort(body.sort()), body.definition(), findings);
        return read.isEmpty() || Finding.blocks(findings)
                ? Proofs.unreadable(findings)
                : proofs.proof(workspace, read.get(), body.values());
    }

    /** What visitors and programs would get of a definition, with made-up values. */
    @PostMapping("/{workspace}/look")
    Proofs.TypeLook look(@PathVariable String workspace, @Valid @RequestBody LookRequest body) {
        return proofs.look(workspace, DefinitionView.read(body.sort(), body.definition()));
    }

    /** Keys, plurals and paths for labels; keys meet neither each other nor the taken ones. */
    @PostMapping("/names")
    DerivedNames names(@Valid @RequestBody NamesRequest body) {
        var taken = new HashSet<>(body.taken());
        var labels = body.labels().stream()
                .limit(500)
                .map(label -> label.substring(0, Math.min(label.length(), 500)))
                .toList();
        var keys = labels.stream()
                .map(label -> {
                    var key = Keys.free(Keys.fromLabel(label), taken);
                    taken.add(key);
                    return key;
                })
                .toList();
        var plurals = labels.stream().map(Nouns::plural).toList();
        return new DerivedNames(
                keys, plurals, plurals.stream().map(Keys::pathFrom).collect(Collectors.toList()));
    }

    /**
     * What each setting of each kind is for; under {@code a_type}, {@code a_taxonomy} and so on those of definitions, under
     * {@code field} those of all fields, and under {@code index}, {@code inverse} and so on those of their parts.
     */
    @GetMapping("/help")
    SequencedMap<String, SequencedMap<String, String>> help() {
        var help = new LinkedHashMap<String, SequencedMap<String, String>>();
        Shapes.kinds().forEach((kind, settings) -> help.put(kind, about(settings)));
        Shapes.parts().forEach((part, settings) -> help.put(part, about(settings)));
        for (var sort : Definition.Sort.values()) {
            help.put("a_" + PackageWriter.word(sort), about(Shapes.about(Shapes.of(sort))));
        }
        help.put("field", about(Shapes.aboutFields()));
        return help;
    }

    private static SequencedMap<String, String> about(List<Shapes.PropertyDescription> settings) {
        var about = new LinkedHashMap<String, String>();
        settings.forEach(setting -> about.put(setting.name(), setting.about()));
        return about;
    }

    /** The JSON Schema (2020-12) of each class of file, by its name, for completion while code is edited. */
    @GetMapping("/schemas")
    Map<String, ? extends Map<String, Object>> schemas() {
        return PackageWriter.schemas();
    }
}

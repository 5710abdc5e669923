package org.jontrel.server.workspace;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import java.util.stream.Collectors;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Keys;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Nouns;
import org.jontrel.core.model.Wording;
import org.jontrel.core.shape.Shapes;
import org.jontrel.core.value.RecordCheck;
import org.jontrel.server.web.FindingView;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What a definition makes, while it is typed: nothing here is stored. */
@RestController
@RequestMapping("/api/proof")
class ProofController {
    record ProofRequest(
            @Schema(ref = "#/components/schemas/ContentType") @NotNull
            Map<String, Object> definition,

            @Schema(description = "Values tried in the form, by field key") @NotNull
            Map<String, Object> values) {}

    @Schema(requiredProperties = {"code", "wordings", "parts", "findings", "problems"})
    record Proof(
            @Schema(description = "The definition's file") String code,

            @Schema(description = "Texts about the type, by name")
            SequencedMap<String, String> wordings,

            @Schema(description = "Labels of its standard parts, by key")
            SequencedMap<String, String> parts,

            @Schema(description = "Mistakes of the definition")
            List<FindingView> findings,

            @Schema(description = "What an editor would read about the values tried")
            List<FindingView> problems) {}

    record NamesRequest(
            @NotNull List<String> labels, @NotNull List<String> taken) {}

    @Schema(requiredProperties = {"keys", "plurals", "paths"})
    record Names(List<String> keys, List<String> plurals, List<String> paths) {}

    @PostMapping
    Proof proof(@Valid @RequestBody ProofRequest body) {
        var findings = new ArrayList<Finding>();
        var read = PackageReader.type(body.definition(), findings);
        if (read.isEmpty()) {
            return new Proof(
                    "",
                    new java.util.LinkedHashMap<>(),
                    new java.util.LinkedHashMap<>(),
                    FindingView.of(findings),
                    List.of());
        }
        var type = read.get();
        findings.addAll(ModelCheck.check(new Model(List.of(type))));
        var checked = RecordCheck.read(type, body.values());
        var problems = new ArrayList<>(checked.findings());
        problems.addAll(checked.missing());
        var wordings = new java.util.LinkedHashMap<String, String>();
        Arrays.stream(Wording.values()).forEach(wording -> wordings.put(wording.code(), wording.of(type)));
        var parts = new java.util.LinkedHashMap<String, String>();
        type.parts().forEach(part -> parts.put(part.code(), type.partField(part).label()));
        return new Proof(
                PackageWriter.text(new Model(List.of(type)), type),
                wordings,
                parts,
                FindingView.of(findings),
                FindingView.of(problems));
    }

    /** Keys, plurals and paths for labels; keys meet neither each other nor the taken ones. */
    @PostMapping("/names")
    Names names(@Valid @RequestBody NamesRequest body) {
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
        return new Names(keys, plurals, plurals.stream().map(Keys::pathFrom).collect(Collectors.toList()));
    }

    /** What each setting of each kind is for. */
    @GetMapping("/help")
    SequencedMap<String, SequencedMap<String, String>> help() {
        var help = new java.util.LinkedHashMap<String, SequencedMap<String, String>>();
        Shapes.kinds().forEach((kind, settings) -> {
            var about = new java.util.LinkedHashMap<String, String>();
            settings.forEach(setting -> about.put(setting.name(), setting.about()));
            help.put(kind, about);
        });
        return help;
    }
}

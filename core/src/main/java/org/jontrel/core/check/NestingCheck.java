package org.jontrel.core.check;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;

/** Records under records: what they stand under is there, and the first one of each type can be made. */
record NestingCheck(ModelIndex known, List<Finding> findings) {
    void run(Model model) {
        for (var type : model.types()) {
            var report = new DefinitionFindings(findings, type.id(), "");
            for (var above : type.nesting().under()) {
                if (known.find(ContentType.class, above).isEmpty()) {
                    report.addUnknown(
                            "nested.under",
                            "nested.under." + above,
                            type.singular(),
                            "content type",
                            above,
                            known.keys(Definition.Sort.TYPE));
                }
            }
            if (type.nesting().required() && !canBegin(type, new HashSet<>())) {
                var way = new ArrayList<String>();
                way(type, way, new HashSet<>());
                report.add("nested", Code.NESTING_WITHOUT_START, type.singular(), String.join(" → ", way));
            }
        }
    }

    /** Whether a record can be made: it may stand alone, or under one that can. */
    private boolean canBegin(ContentType type, Set<String> seen) {
        if (!type.nesting().required()) {
            return true;
        }
        return seen.add(type.id())
                && type.nesting().under().stream()
                        .flatMap(id -> known.find(ContentType.class, id).stream())
                        .anyMatch(above -> canBegin(above, seen));
    }

    private void way(ContentType type, List<String> way, Set<String> seen) {
        way.add(type.singular());
        if (seen.add(type.id())) {
            type.nesting().under().stream()
                    .flatMap(id -> known.find(ContentType.class, id).stream())
                    .findFirst()
                    .ifPresent(above -> way(above, way, seen));
        }
    }
}

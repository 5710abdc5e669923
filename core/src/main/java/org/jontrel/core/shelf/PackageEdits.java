package org.jontrel.core.shelf;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.jontrel.core.compare.Change;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.compare.Sentences;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;

/** Whether a model has what a package brings as the package has it. More may stand beside it and in it, and in another order. */
public final class PackageEdits {
    private PackageEdits() {}

    /** @param name of the package with its version, as it is told */
    public static List<Finding> of(Model brought, Model model, String name) {
        var ids = brought.definitions().stream().map(Definition::id).collect(Collectors.toSet());
        var here = new Model(model.definitions().stream()
                .filter(each -> ids.contains(each.id()))
                .toList());
        var findings = new ArrayList<Finding>();
        for (var change : Comparison.of(brought, here).changes()) {
            if (!isAllowed(change)) {
                findings.add(Finding.of(
                        Code.PACKAGE_EDITED,
                        Place.definition(change.subject().definitionId(), ""),
                        name,
                        Sentences.of(change)));
            }
        }
        return findings;
    }

    private static boolean isAllowed(Change change) {
        return switch (change) {
            case Change.Added _, Change.Reordered _ -> true;
            default -> false;
        };
    }
}

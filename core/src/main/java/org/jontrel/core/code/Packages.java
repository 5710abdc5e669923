package org.jontrel.core.code;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.identity.KeyReferences;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;

/** Packages that need others. */
public final class Packages {
    private Packages() {}

    /** A package's model together with those it needs, its references to them resolved, and the ids of its own. */
    public record Joined(Model model, Set<String> own) {
        /** The findings that are about the package itself. */
        public List<Finding> of(List<Finding> findings) {
            return findings.stream()
                    .filter(finding -> own.contains(finding.place().definition()))
                    .toList();
        }
    }

    /**
     * @param others what is at hand; only what the package needs of it is used
     * @param findings gets what is needed and not at hand
     */
    public static Joined join(ModelPackage content, List<ModelPackage> others, List<Finding> findings) {
        var definitions = new ArrayList<Definition>(content.model().definitions());
        var own = definitions.stream().map(Definition::id).collect(Collectors.toSet());
        for (var requirement : content.manifest().requires()) {
            var named = others.stream()
                    .filter(other -> other.manifest().name().equals(requirement.name()))
                    .toList();
            var fitting = named.stream()
                    .filter(other -> Ranges.holds(other.manifest().version(), requirement.version()))
                    .findFirst();
            if (fitting.isPresent()) {
                definitions.addAll(fitting.get().model().definitions());
            } else {
                var there = named.isEmpty()
                        ? ""
                        : " (version " + named.getFirst().manifest().version() + " is)";
                findings.add(Finding.of(
                        Code.REQUIREMENT_MISSING,
                        Place.file(PackageReader.MANIFEST),
                        requirement.name(),
                        requirement.version(),
                        there));
            }
        }
        return new Joined(new KeyReferences(new Model(definitions)).toIds(), new HashSet<>(own));
    }
}

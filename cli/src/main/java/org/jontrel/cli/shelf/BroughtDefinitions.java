package org.jontrel.cli.shelf;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.cli.io.PackageSource;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageLock;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.code.Requirement;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Severity;
import org.jontrel.core.merge.Clash;
import org.jontrel.core.merge.PackageMerge;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.shelf.PrefixedModel;

/**
 * Merges what packages bring into a folder's own definitions: each over what its last version brought, so what the folder adds stays,
 * and what both changed is told.
 */
final class BroughtDefinitions {
    private final Path folder;
    private final List<String> problems;
    private final List<Finding> findings;

    /** @param problems gets why nothing can be written, in sentences @param findings gets the same with places of files */
    BroughtDefinitions(Path folder, List<String> problems, List<Finding> findings) {
        this.folder = folder;
        this.problems = problems;
        this.findings = findings;
    }

    /** What the folder has then; not to be written where there are problems or findings. @param taken files by their paths */
    PackageReader.Result merge(
            PackageSource source,
            List<Requirement> requires,
            PackageLock before,
            PackageLock after,
            Map<String, byte[]> taken)
            throws IOException {
        var content = source.content().orElseThrow();
        var manifest = PackageWriter.writeFolder(
                        new ModelPackage(
                                content.manifest().with(content.manifest().authors(), requires),
                                content.model(),
                                content.migrations()),
                        source.read().formatting(),
                        source.read().was())
                .get(PackageReader.MANIFEST);
        var own = new TreeMap<>(source.files());
        own.put(PackageReader.MANIFEST, manifest);
        var current = PackageReader.read(own, List.of());
        var required = new RequiredPackages(folder);
        for (var name : names(before, after)) {
            var old = before.find(name);
            var next = after.find(name);
            if (old.isPresent() && old.equals(next)) {
                continue;
            }
            var base = old.isEmpty()
                    ? nothing(manifest)
                    : required.file(old.get(), findings)
                            .map(file -> brought(manifest, file, old.get()))
                            .orElse(null);
            if (base == null) {
                return current;
            }
            var theirs = next.map(each -> brought(manifest, taken.get(each.path()), each))
                    .orElseGet(() -> nothing(manifest));
            collisions(current, theirs, name).forEach(problems::add);
            if (!problems.isEmpty()) {
                return current;
            }
            var merge = PackageMerge.merge(base, current, theirs, true, Ids.secure());
            if (!merge.clashes().isEmpty()) {
                merge.clashes().stream().map(Clash::sentence).forEach(problems::add);
                return current;
            }
            current = PackageReader.read(merge.files(), List.of());
        }
        var model = current.content().orElseThrow().model();
        findings.addAll(current.origins().locate(fresh(content.model(), model)));
        return current;
    }

    /** What a package would bring under a key that something else has: without ids it would be taken for the same. */
    private static List<String> collisions(PackageReader.Result current, PackageReader.Result theirs, String name) {
        var here = current.content().orElseThrow().model().definitions();
        return theirs.content().orElseThrow().model().definitions().stream()
                .filter(each -> here.stream().noneMatch(own -> own.id().equals(each.id())))
                .filter(each -> here.stream()
                        .anyMatch(own -> own.sort() == each.sort() && own.key().equals(each.key())))
                .map(each -> "There is a " + each.sort().noun() + " with the key " + each.key() + " already, and "
                        + name + " brings one of its own.")
                .toList();
    }

    /** Packages that go come last, those that need others before them. */
    private static List<String> names(PackageLock before, PackageLock after) {
        var gone = before.packages().reversed().stream()
                .map(PackageLock.LockedPackage::name)
                .filter(name -> after.find(name).isEmpty());
        return Stream.concat(after.packages().stream().map(PackageLock.LockedPackage::name), gone)
                .toList();
    }

    /** What is wrong now and was not before. */
    private static List<Finding> fresh(Model before, Model after) {
        var known = blockers(before).stream().map(Finding::sentence).collect(Collectors.toSet());
        return blockers(after).stream()
                .filter(each -> !known.contains(each.sentence()))
                .toList();
    }

    private static List<Finding> blockers(Model model) {
        return ModelCheck.check(model).stream()
                .filter(each -> each.severity() == Severity.BLOCKER)
                .toList();
    }

    private static PackageReader.Result nothing(byte[] manifest) {
        return PackageReader.read(new TreeMap<>(Map.of(PackageReader.MANIFEST, manifest)), List.of());
    }

    /** The definitions of a package as if they were the folder's: under its manifest, without decisions. */
    private static PackageReader.Result brought(byte[] manifest, byte[] file, PackageLock.LockedPackage locked) {
        SortedMap<String, byte[]> files = PackageFiles.zip(file, new ArrayList<>());
        if (!locked.prefix().isEmpty()) {
            var content = ShelfFolder.content(file).orElseThrow();
            files = PackageWriter.write(new ModelPackage(
                    content.manifest(), PrefixedModel.of(content.model(), locked.prefix()), List.of()));
        }
        var all = new HashMap<>(files);
        all.keySet().removeIf(name -> name.startsWith("migrations/"));
        all.put(PackageReader.MANIFEST, manifest);
        return PackageReader.read(new TreeMap<>(all), List.of());
    }
}

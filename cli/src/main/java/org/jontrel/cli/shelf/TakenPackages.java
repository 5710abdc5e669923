package org.jontrel.cli.shelf;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jontrel.cli.io.OutputTarget;
import org.jontrel.cli.io.PackageSource;
import org.jontrel.core.code.PackageLock;
import org.jontrel.core.code.Requirement;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Severity;
import org.jontrel.core.shelf.PackageShelf;
import org.jontrel.core.shelf.Resolver;
import org.jontrel.core.shelf.ShelfSignature;

/**
 * Brings a folder to the packages that it requires: what each brings is merged into the folder's own files over what its last version
 * brought, so what the folder adds stays, and what both changed is told.
 */
final class TakenPackages {
    private final Path folder;
    private final PackageShelf shelf;
    private final List<String> problems = new ArrayList<>();
    private final List<Finding> findings = new ArrayList<>();
    private boolean isResolved = true;
    private Comparison changes = new Comparison(List.of());

    TakenPackages(Path folder, PackageShelf shelf) {
        this.folder = folder;
        this.shelf = shelf;
    }

    /** Whether there are versions that fit together. */
    boolean isResolved() {
        return isResolved;
    }

    /** Why nothing was written, in sentences. */
    List<String> problems() {
        return problems;
    }

    /** The same, where they are about places of files. */
    List<Finding> findings() {
        return findings;
    }

    /** What has changed in the folder. */
    Comparison changes() {
        return changes;
    }

    /**
     * Writes all or nothing.
     *
     * @param requires what the folder needs from now on
     * @param free names of packages that need not stay at their version
     * @return the packages that are here then; without any where there are problems or findings
     */
    PackageLock bring(List<Requirement> requires, Predicate<String> free) throws IOException {
        var source = PackageSource.read(folder.toString());
        refuseLinks();
        var required = new RequiredPackages(folder);
        findings.addAll(source.findings().stream()
                .filter(each -> each.severity() == Severity.BLOCKER)
                .toList());
        var before = required.lock(findings);
        if (!findings.isEmpty()) {
            return PackageLock.EMPTY;
        }
        var content = source.content().orElseThrow();
        var kept = before.packages().stream()
                .filter(each -> !free.test(each.name()))
                .collect(Collectors.toMap(
                        PackageLock.LockedPackage::name, PackageLock.LockedPackage::version, (first, _) -> first));
        var resolution = Resolver.resolve(content.manifest().name(), requires, shelf, kept);
        problems.addAll(resolution.problems());
        if (!problems.isEmpty()) {
            isResolved = false;
            return PackageLock.EMPTY;
        }
        // somebody may have written a requirement twice: both ranges hold, and the first prefix
        var prefixes = requires.stream()
                .collect(Collectors.toMap(Requirement::name, Requirement::prefix, (first, _) -> first));
        var files = new TreeMap<String, byte[]>();
        var locked = new ArrayList<PackageLock.LockedPackage>();
        for (var each : resolution.versions().entrySet()) {
            var taken = shelf.take(each.getKey(), each.getValue());
            var now = new PackageLock.LockedPackage(
                    each.getKey(),
                    each.getValue(),
                    ShelfSignature.checksum(taken.file()),
                    taken.key(),
                    prefixes.getOrDefault(each.getKey(), ""));
            refuseOthers(before, now);
            locked.add(now);
            files.put(now.path(), taken.file());
        }
        var after = new PackageLock(locked);
        var merging = new BroughtDefinitions(folder, problems, findings);
        var merged = merging.merge(source, requires, before, after, files);
        if (!problems.isEmpty() || !findings.isEmpty()) {
            return PackageLock.EMPTY;
        }
        changes = Comparison.of(
                source.content().orElseThrow().model(),
                merged.content().orElseThrow().model());
        files.putAll(merged.files());
        files.put(PackageLock.FILE, after.write());
        var removed = new HashSet<>(OutputTarget.stale(folder, merged.files()));
        before.packages().stream()
                .map(PackageLock.LockedPackage::path)
                .filter(path -> !files.containsKey(path))
                .forEach(removed::add);
        OutputTarget.write(folder, PackageSource.SourceType.FOLDER, files, List.copyOf(removed));
        return after;
    }

    private void refuseLinks() throws IOException {
        for (var name : new String[] {"packages", PackageLock.FILE}) {
            if (Files.isSymbolicLink(folder.resolve(name))) {
                throw new IOException(folder.resolve(name) + " leads elsewhere. Put the folder or file itself there.");
            }
        }
    }

    /** Whoever takes a shelf over, or comes before it, must not be able to put other packages in the place of those that are trusted. */
    private void refuseOthers(PackageLock before, PackageLock.LockedPackage now) throws IOException {
        var same = before.find(now.name()).filter(each -> each.version().equals(now.version()));
        if (same.isPresent() && !same.get().checksum().equals(now.checksum())) {
            throw new IOException("The shelf has another " + now.name() + " " + now.version()
                    + " than was taken before. Versions never change: ask who published it.");
        }
        var was = before.find(now.name()).map(PackageLock.LockedPackage::key).orElse("");
        if (!was.isEmpty() && !was.equals(now.key())) {
            throw new IOException(
                    "The shelf signs " + now.name() + " with another key than before, or not at all. If that is right,"
                            + " take the key out of package.lock.yaml, then try again.");
        }
    }
}

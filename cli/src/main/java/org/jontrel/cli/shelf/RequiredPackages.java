package org.jontrel.cli.shelf;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageLock;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.Ranges;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Model;
import org.jontrel.core.shelf.PackageEdits;
import org.jontrel.core.shelf.PrefixedModel;
import org.jontrel.core.shelf.ShelfSignature;

/** The packages that a folder has taken from shelves: {@code package.lock.yaml} names them, their files lie under {@code packages/}. */
public final class RequiredPackages {
    private final Path folder;

    public RequiredPackages(Path folder) {
        this.folder = folder;
    }

    /** @param findings gets what is wrong with the file; the lock is empty then, as where there is none */
    PackageLock lock(List<Finding> findings) throws IOException {
        var file = folder.resolve(PackageLock.FILE);
        return Files.isRegularFile(file)
                ? PackageLock.read(Files.readAllBytes(file), findings).orElse(PackageLock.EMPTY)
                : PackageLock.EMPTY;
    }

    /** Whether the folder has any. */
    public boolean isEmpty() throws IOException {
        return lock(new ArrayList<>()).packages().isEmpty();
    }

    /** The file of a package as it lies here; empty where it is missing or another. @param findings gets which */
    Optional<byte[]> file(PackageLock.LockedPackage locked, List<Finding> findings) throws IOException {
        var path = folder.resolve(locked.path());
        if (!Files.isRegularFile(path)) {
            findings.add(replaced(locked, "it is missing"));
            return Optional.empty();
        }
        var bytes = Files.readAllBytes(path);
        if (!ShelfSignature.checksum(bytes).equals(locked.checksum())) {
            findings.add(replaced(locked, "its checksum differs"));
            return Optional.empty();
        }
        return Optional.of(bytes);
    }

    private static Finding replaced(PackageLock.LockedPackage locked, String why) {
        return Finding.of(Code.PACKAGE_REPLACED, Place.file(PackageLock.FILE), locked.path(), why);
    }

    /** What a package brings, as it is called here; empty where its file cannot be read. */
    Optional<Model> model(PackageLock.LockedPackage locked, List<Finding> findings) throws IOException {
        return file(locked, findings)
                .flatMap(ShelfFolder::content)
                .map(content -> PrefixedModel.of(content.model(), locked.prefix()));
    }

    /** What keeps the folder from being what its packages and its own definitions make of it. */
    public List<Finding> check(ModelPackage content) throws IOException {
        var findings = new ArrayList<Finding>();
        var lock = lock(findings);
        for (var required : content.manifest().requires()) {
            var locked = lock.find(required.name());
            boolean fits = locked.isPresent()
                    && Ranges.holds(locked.get().version(), required.version())
                    && locked.get().prefix().equals(required.prefix());
            if (!fits) {
                findings.add(Finding.of(
                        Code.LOCK_BEHIND,
                        Place.file(PackageReader.MANIFEST),
                        required.name(),
                        required.version() + (required.prefix().isEmpty() ? "" : " as " + required.prefix()),
                        locked.map(each -> "package.lock.yaml has " + each.version()
                                        + (each.prefix().isEmpty() ? "" : " as " + each.prefix()))
                                .orElse("package.lock.yaml has none")));
            }
        }
        for (var locked : lock.packages()) {
            model(locked, findings)
                    .ifPresent(brought -> findings.addAll(
                            PackageEdits.of(brought, content.model(), locked.name() + " " + locked.version())));
        }
        return findings;
    }
}

package org.jontrel.cli.shelf;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import org.jontrel.core.code.PackageLock;
import org.jontrel.core.shelf.PackageShelf;

/** Several shelves: each package is taken from the first that has it. What a folder has taken before is there too, in its version. */
final class ShelvesInOrder implements PackageShelf {
    private final List<PackageShelf> shelves;
    private final RequiredPackages taken;
    private final PackageLock lock;

    ShelvesInOrder(List<PackageShelf> shelves, Path folder) throws IOException {
        this.shelves = List.copyOf(shelves);
        taken = new RequiredPackages(folder);
        lock = taken.lock(new ArrayList<>());
    }

    private Optional<PackageShelf> shelf(String name) {
        return shelves.stream().filter(each -> !each.versions(name).isEmpty()).findFirst();
    }

    @Override
    public List<String> names() throws IOException {
        var all = new TreeSet<String>();
        for (var each : shelves) {
            all.addAll(each.names());
        }
        lock.packages().forEach(each -> all.add(each.name()));
        return List.copyOf(all);
    }

    @Override
    public List<ShelvedVersion> versions(String name) {
        var all = new ArrayList<ShelvedVersion>();
        shelf(name).ifPresent(each -> all.addAll(each.versions(name)));
        here(name)
                .filter(locked -> all.stream().noneMatch(each -> each.version().equals(locked.version())))
                .ifPresent(locked -> all.add(new ShelvedVersion(
                        locked.version(), kept(locked).content().manifest().requires())));
        return all;
    }

    @Override
    public ShelvedPackage take(String name, String version) throws IOException {
        var shelf = shelf(name)
                .filter(each -> each.versions(name).stream()
                        .anyMatch(found -> found.version().equals(version)));
        return shelf.isPresent()
                ? shelf.get().take(name, version)
                : kept(here(name).orElseThrow());
    }

    /** What the folder has of a package, where that is what was installed. */
    private Optional<PackageLock.LockedPackage> here(String name) {
        return lock.find(name).filter(each -> {
            try {
                return taken.file(each, new ArrayList<>()).isPresent();
            } catch (IOException e) {
                throw new UncheckedIOException(e.getMessage(), e);
            }
        });
    }

    private ShelvedPackage kept(PackageLock.LockedPackage locked) {
        try {
            var file = taken.file(locked, new ArrayList<>()).orElseThrow();
            return new ShelvedPackage(file, ShelfFolder.content(file).orElseThrow(), locked.key());
        } catch (IOException e) {
            throw new UncheckedIOException(e.getMessage(), e);
        }
    }
}

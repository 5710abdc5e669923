package org.jontrel.standalone;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import org.jontrel.core.code.Decision;
import org.jontrel.core.code.DecisionReferences;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Model;
import org.semver4j.Semver;

/**
 * Where the package of a site lies: a folder with {@code package.yaml}; a zip, for which a higher version of the same package
 * beside it is taken; or a folder of such, of which the highest version is taken.
 */
record PackagePlace(Path path) {
    private static final String ZIP = ".zip";

    /**
     * The package that was found.
     *
     * @param earlier versions that lie beside it, oldest first: a site that is several behind is taken through them
     * @param passed sentences about what lies beside it and cannot be read
     */
    record FoundPackage(Path path, PackageReader.Result read, List<FoundPackage> earlier, List<String> passed) {
        ModelPackage content() {
            return read.content().orElseThrow();
        }

        String version() {
            return content().manifest().version();
        }

        /** Its own answers for what leads to an earlier version. @param model that it leads to */
        List<Decision> answers(Model model, String from, String to) {
            var between = content().migrations().stream()
                    .filter(each ->
                            Versions.compare(each.version(), from) > 0 && Versions.compare(each.version(), to) <= 0)
                    .toList();
            return DecisionReferences.toIds(between, model).stream()
                    .flatMap(each -> each.decisions().stream())
                    .toList();
        }
    }

    /** @throws PackageRefused where there is none that can be read */
    FoundPackage find() throws PackageRefused {
        try {
            if (!Files.exists(path)) {
                throw new PackageRefused("There is nothing at " + path + ". Give a package: a folder or a zip.");
            }
            if (isFolder(path)) {
                return read(path);
            }
            return Files.isDirectory(path) ? within() : beside();
        } catch (IOException e) {
            throw new PackageRefused(path + " cannot be read: " + e.getMessage() + ".");
        }
    }

    private static boolean isFolder(Path path) {
        return Files.isRegularFile(path.resolve(PackageReader.MANIFEST));
    }

    private static boolean isZip(Path path) {
        return path.getFileName().toString().endsWith(ZIP) && Files.isRegularFile(path);
    }

    /** The highest version of all that lies in the folder. */
    private FoundPackage within() throws IOException, PackageRefused {
        var passed = new ArrayList<String>();
        var found = readable(path, each -> isZip(each) || isFolder(each), passed);
        var names = new TreeSet<String>();
        found.forEach(each -> names.add(each.content().manifest().name()));
        if (names.size() > 1) {
            throw new PackageRefused("There are several packages in " + path + ": " + String.join(", ", names)
                    + ". Name the file or folder of one.");
        }
        return highest(found, passed)
                .orElseThrow(() -> new PackageRefused(
                        passed.isEmpty()
                                ? List.of("There is no package in " + path + ": neither package.yaml nor a zip.")
                                : passed));
    }

    /** The zip itself, or a higher version beside it. */
    private FoundPackage beside() throws IOException, PackageRefused {
        var passed = new ArrayList<String>();
        var others = readable(path.toAbsolutePath().getParent(), PackagePlace::isZip, passed);
        var own = others.stream()
                .filter(each -> each.path().equals(path.toAbsolutePath()))
                .findFirst();
        if (own.isEmpty()) {
            return read(path);
        }
        var name = own.get().content().manifest().name();
        others.removeIf(each -> !each.content().manifest().name().equals(name));
        return highest(others, passed).orElseThrow();
    }

    private static Optional<FoundPackage> highest(List<FoundPackage> found, List<String> passed) {
        if (found.isEmpty()) {
            return Optional.empty();
        }
        var ordered = found.stream()
                .sorted(Comparator.comparing(each -> new Semver(each.version())))
                .toList();
        var last = ordered.getLast();
        return Optional.of(new FoundPackage(
                last.path(), last.read(), ordered.subList(0, ordered.size() - 1), List.copyOf(passed)));
    }

    private interface PackageFilter {
        boolean is(Path path);
    }

    private static List<FoundPackage> readable(Path folder, PackageFilter kept, List<String> passed)
            throws IOException {
        var found = new ArrayList<FoundPackage>();
        try (var all = Files.list(folder)) {
            for (var each : all.filter(kept::is).sorted().toList()) {
                try {
                    found.add(read(each));
                } catch (PackageRefused e) {
                    passed.add(e.problems().getFirst());
                }
            }
        }
        return found;
    }

    private static FoundPackage read(Path path) throws IOException, PackageRefused {
        var findings = new ArrayList<Finding>();
        var read = PackageReader.read(PackageFiles.read(path, findings), findings);
        if (read.content().isEmpty() || Finding.blocks(read.findings())) {
            var told = PackageRefused.told(read.findings());
            var problems = new ArrayList<>(told);
            problems.set(0, "The package " + path.getFileName() + " cannot be read: " + told.getFirst());
            throw new PackageRefused(problems);
        }
        return new FoundPackage(path, read, List.of(), List.of());
    }
}

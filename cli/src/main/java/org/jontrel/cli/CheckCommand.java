package org.jontrel.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import org.jontrel.cli.io.Output;
import org.jontrel.cli.io.OutputTarget;
import org.jontrel.cli.io.PackageSource;
import org.jontrel.cli.shelf.RequiredPackages;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.Packages;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Fix;
import org.jontrel.core.finding.Severity;
import org.jontrel.core.mend.Fixes;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
        name = "check",
        mixinStandardHelpOptions = true,
        description = "Checks a package. Exit code 1 where there is more than notes.")
final class CheckCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "PATH", description = "A folder, a zip, a file of one definition, or - for such a file.")
    private String path;

    @Option(names = "--with", paramLabel = "PATH", description = "A package that this one needs; may be given often.")
    private List<String> others = List.of();

    @Option(names = "--fix", description = "Make every fix that is offered. Only the files that change are written.")
    private boolean fix;

    @Option(
            names = "--remove",
            description =
                    "With --fix: also make the fixes that take out what somebody wrote, with nothing in its place.")
    private boolean remove;

    @Option(
            names = "--json",
            description = "For machines: {\"findings\": [{code, severity, file, line, column, definition, element,"
                    + " property, sentence, fix}]}")
    private boolean json;

    @Override
    public Integer call() throws IOException {
        var source = PackageSource.read(path);
        var findings = new ArrayList<>(source.findings());
        if (source.content().isPresent()) {
            var content = fix ? fixed(source) : source.content().get();
            findings.addAll(source.read().origins().locate(checked(source, content, findings)));
        }
        findings.sort(Finding.WORST_FIRST);
        var out = spec.commandLine().getOut();
        if (json) {
            var tree = new LinkedHashMap<String, Object>();
            tree.put("findings", Output.trees(findings));
            out.println(Output.json(tree));
        } else {
            findings.forEach(finding -> out.println(Output.line(finding)));
            if (findings.isEmpty()) {
                spec.commandLine().getErr().println("No problems found.");
            }
        }
        return findings.stream().anyMatch(finding -> finding.severity() != Severity.NOTE) ? 1 : 0;
    }

    private List<Finding> checked(PackageSource source, ModelPackage content, List<Finding> findings)
            throws IOException {
        var packages = new ArrayList<ModelPackage>();
        for (var other : others) {
            PackageSource.read(other).content().ifPresent(packages::add);
        }
        var folder = new RequiredPackages(Path.of(source.sort() == PackageSource.SourceType.FOLDER ? path : "."));
        boolean isTaken = source.sort() == PackageSource.SourceType.FOLDER && !folder.isEmpty();
        if (isTaken) {
            findings.addAll(source.read().origins().locate(folder.check(content)));
        }
        var missing = new ArrayList<Finding>();
        var joined = Packages.join(content, packages, missing);
        var found = joined.of(ModelCheck.check(joined.model()));
        // what was taken from a shelf is among the package's own definitions
        if (found.stream().anyMatch(finding -> finding.code() == Code.REFERENCE_UNKNOWN)) {
            findings.addAll(missing);
        }
        // a file on its own cannot have what it refers to, nor be used
        return source.sort() == PackageSource.SourceType.FILE
                ? found.stream()
                        .filter(finding ->
                                finding.code() != Code.REFERENCE_UNKNOWN && finding.code() != Code.DEFINITION_UNUSED)
                        .toList()
                : found;
    }

    private ModelPackage fixed(PackageSource source) throws IOException {
        var content = source.content().orElseThrow();
        var fixed = Fixes.all(content.model(), remove);
        var err = spec.commandLine().getErr();
        source.read()
                .origins()
                .locate(fixed.mended())
                .forEach(finding -> err.println("Mended: " + Output.line(finding)));
        if (!remove) {
            ModelCheck.check(fixed.model()).stream()
                    .filter(finding -> finding.fix().filter(Fix::removes).isPresent())
                    .forEach(finding -> err.println(
                            "Left as it is, since the fix takes something out (--remove does): " + finding.sentence()));
        }
        var mended = new ModelPackage(content.manifest(), fixed.model(), content.migrations());
        if (!fixed.mended().isEmpty()) {
            if (path.equals(PackageSource.STANDARD)) {
                throw new IOException("Standard input cannot be fixed in place. Give a path.");
            }
            OutputTarget.write(Path.of(path), source.sort(), files(source, content, mended), List.of());
        }
        return mended;
    }

    /** Only the files of what was mended change. */
    private static SortedMap<String, byte[]> files(PackageSource source, ModelPackage content, ModelPackage mended) {
        var before = source.canonical(content, false);
        var after = source.canonical(mended, false);
        var files = new TreeMap<>(source.files());
        if (source.sort() == PackageSource.SourceType.FILE) {
            return after;
        }
        after.forEach((name, bytes) -> {
            if (!Arrays.equals(bytes, before.get(name)) || !files.containsKey(name)) {
                files.put(name, bytes);
            }
        });
        return files;
    }
}

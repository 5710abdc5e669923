package org.jontrel.cli.shelf;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.function.Predicate;
import org.jontrel.cli.io.Output;
import org.jontrel.cli.io.PackageSource;
import org.jontrel.cli.remote.TokenOptions;
import org.jontrel.core.code.PackageLock;
import org.jontrel.core.code.Requirement;
import org.jontrel.core.code.UnwritableException;
import org.jontrel.core.compare.ComparisonReport;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.shelf.PackageShelf;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** A command that takes packages from a shelf into a folder. */
abstract class TakingCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(index = "0", paramLabel = "PATH", description = "A folder of definitions.")
    private Path folder;

    @Option(
            names = "--shelf",
            paramLabel = "SHELF",
            required = true,
            description =
                    "Where released packages lie: a folder, or the address of a server, whose token is for the workspace that"
                            + " is the package. Given more than once, each package is taken from the first that has it.")
    private List<String> shelves = List.of();

    @Mixin
    private TokenOptions token;

    final CommandSpec spec() {
        return spec;
    }

    /** What the folder requires. @throws IOException where it cannot be read */
    final List<Requirement> requires() throws IOException {
        var source = PackageSource.read(folder.toString());
        return source.content()
                .map(content -> content.manifest().requires())
                .orElseThrow(() -> new IOException(folder + " cannot be read; \"jontrel check\" says why."));
    }

    final PackageShelf shelf() throws IOException {
        var all = new ArrayList<PackageShelf>();
        for (var each : shelves) {
            boolean isAddress = each.matches("https?://.*");
            all.add(isAddress ? token.shelf(each, spec.commandLine().getErr()) : new ShelfFolder(Path.of(each)));
        }
        return new ShelvesInOrder(all, folder);
    }

    final int take(PackageShelf from, List<Requirement> requires, Predicate<String> free) throws IOException {
        var out = spec.commandLine().getOut();
        var err = spec.commandLine().getErr();
        var taken = new TakenPackages(folder, from);
        var findings = new ArrayList<Finding>();
        var lock = PackageLock.EMPTY;
        try {
            lock = taken.bring(requires, free);
            findings.addAll(taken.findings());
        } catch (UnwritableException e) {
            findings.addAll(e.findings());
        }
        taken.problems().forEach(out::println);
        findings.forEach(each -> out.println(Output.line(each)));
        if (!taken.problems().isEmpty() || !findings.isEmpty()) {
            err.println("jontrel: Nothing was written."
                    + (!taken.isResolved()
                            ? ""
                            : " Where keys collide, --prefix gives those of a package a word before them."));
            return 1;
        }
        if (taken.changes().isEmpty()) {
            err.println(lock.packages().isEmpty() ? "No package is required." : "Nothing new.");
        }
        for (var each : lock.packages()) {
            out.println(line(each));
        }
        out.print(ComparisonReport.text(taken.changes()));
        out.flush();
        return 0;
    }

    private static String line(PackageLock.LockedPackage each) {
        return each.name() + " " + each.version() + (each.prefix().isEmpty() ? "" : " as " + each.prefix())
                + (each.key().isEmpty() ? "" : ", signed");
    }
}

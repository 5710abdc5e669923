package org.jontrel.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import org.jontrel.cli.io.FolderWriter;
import org.jontrel.cli.io.Output;
import org.jontrel.cli.io.OutputTarget;
import org.jontrel.cli.io.PackageSource;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Severity;
import org.jontrel.core.merge.Clash;
import org.jontrel.core.merge.PackageMerge;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.yaml.NodeCache;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
        name = "merge",
        mixinStandardHelpOptions = true,
        description = "Brings two packages together over the one both come from. Where they clash it writes nothing and"
                + " exits with 1; a single file with --path gets both versions between markers then. Exit code 2 where"
                + " something cannot be read.")
final class MergeCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(index = "0", paramLabel = "BASE", description = "What both come from.")
    private String base;

    @Parameters(index = "1", paramLabel = "OURS", description = "One line of work.")
    private String ours;

    @Parameters(index = "2", paramLabel = "THEIRS", description = "The other.")
    private String theirs;

    @Option(
            names = "-o",
            paramLabel = "OUT",
            required = true,
            description =
                    "Where to write: a folder, a .zip, or a file. The whole merged package is written; in OURS itself,"
                            + " files of definitions that are no more are removed.")
    private Path out;

    @Option(
            names = "--path",
            paramLabel = "PATH",
            description = "The three are versions of one file, which has this path in its package (git: %%P).")
    private String inPackage;

    @Option(
            names = "--replace",
            description = "Replace OUT where it is not OURS and has something already: definitions that are not in the"
                    + " merged package are removed from it.")
    private boolean replace;

    @Option(names = "--json", description = "For machines: {\"clashes\": [{what, base, ours, theirs, sentence}]}")
    private boolean json;

    @Override
    public Integer call() throws IOException {
        return inPackage == null ? packages() : file();
    }

    private int packages() throws IOException {
        var cache = new NodeCache();
        var before = read(base, cache);
        var here = read(ours, cache);
        var there = read(theirs, cache);
        if (before.content().isEmpty()
                || here.content().isEmpty()
                || there.content().isEmpty()) {
            return 2;
        }
        boolean inPlace = isSame(out, Path.of(ours));
        var sort = out.toString().endsWith(".zip") ? PackageSource.SourceType.ZIP : here.sort();
        var merged = PackageMerge.merge(
                before.read(),
                here.read(),
                there.read(),
                inPlace || sort == PackageSource.SourceType.FILE,
                Ids.secure());
        say(merged.clashes());
        if (!merged.clashes().isEmpty()) {
            return 1;
        }
        var files = merged.files();
        if (sort == PackageSource.SourceType.FILE) {
            files = new TreeMap<>(Map.of("", files.get(here.files().firstKey())));
        }
        var stale = sort == PackageSource.SourceType.FOLDER ? OutputTarget.stale(out, files) : List.<String>of();
        boolean asked = replace || inPlace || sort == PackageSource.SourceType.FILE;
        if (!asked && (!stale.isEmpty() || (sort == PackageSource.SourceType.ZIP && Files.exists(out)))) {
            throw new IOException(out + " has something already"
                    + (stale.isEmpty() ? "" : " that is not in the merged package: " + String.join(", ", stale))
                    + ". Give another OUT, or --replace.");
        }
        OutputTarget.write(out, sort, files, stale);
        stale.forEach(name -> spec.commandLine().getErr().println("Removed " + name));
        return 0;
    }

    /** One file as version control hands it over: whatever comes, no side is lost. */
    private int file() throws IOException {
        var before = PackageSource.ofPackage(base, inPackage);
        var here = PackageSource.ofPackage(ours, inPackage);
        var there = PackageSource.ofPackage(theirs, inPackage);
        if (Finding.blocks(before.findings()) || Finding.blocks(here.findings()) || Finding.blocks(there.findings())) {
            List.of(before, here, there).forEach(each -> tell(inPackage, each));
            FolderWriter.replace(out, Markers.between(bytes(here), bytes(there)));
            return 1;
        }
        var ids = Ids.secure();
        var merged = PackageMerge.merge(before.read(), here.read(), there.read(), true, ids);
        say(merged.clashes());
        if (merged.clashes().isEmpty()) {
            FolderWriter.replace(out, content(merged, here, there));
            return 0;
        }
        var other = PackageMerge.merge(before.read(), there.read(), here.read(), true, ids);
        var mine = content(merged, here, there);
        var theirOwn = content(other, there, here);
        boolean apart = !java.util.Arrays.equals(mine, theirOwn);
        FolderWriter.replace(out, apart ? Markers.between(mine, theirOwn) : Markers.between(bytes(here), bytes(there)));
        return 1;
    }

    /** What the merged file has; nothing where both sides removed what it defined. */
    private static byte[] content(PackageMerge.MergedPackage merged, PackageSource first, PackageSource second) {
        var name = first.files().isEmpty()
                ? second.files().firstKey()
                : first.files().firstKey();
        return merged.files().getOrDefault(name, new byte[0]);
    }

    private static byte[] bytes(PackageSource source) {
        return source.files().isEmpty()
                ? new byte[0]
                : source.files().values().iterator().next();
    }

    private static boolean isSame(Path a, Path b) throws IOException {
        return Files.exists(a) && Files.exists(b) && Files.isSameFile(a, b);
    }

    private PackageSource read(String path, NodeCache cache) throws IOException {
        var source = PackageSource.read(path, cache);
        tell(path, source);
        return source;
    }

    private void tell(String path, PackageSource source) {
        var err = spec.commandLine().getErr();
        source.findings().stream()
                .filter(finding -> finding.severity() != Severity.NOTE)
                .sorted(Finding.WORST_FIRST)
                .forEach(finding -> err.println(path + ": " + Output.line(finding)));
    }

    private void say(List<Clash> clashes) {
        var writer = spec.commandLine().getOut();
        if (json) {
            writer.println(Output.json(
                    Map.of("clashes", clashes.stream().map(MergeCommand::tree).toList())));
        } else {
            clashes.forEach(clash -> writer.println(clash.sentence()));
        }
    }

    private static Map<String, Object> tree(Clash clash) {
        var tree = new LinkedHashMap<String, Object>();
        tree.put("what", clash.what());
        tree.put("base", clash.base());
        tree.put("ours", clash.ours());
        tree.put("theirs", clash.theirs());
        tree.put("sentence", clash.sentence());
        return tree;
    }
}

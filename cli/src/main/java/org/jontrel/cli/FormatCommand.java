package org.jontrel.cli;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import org.jontrel.cli.io.Output;
import org.jontrel.cli.io.OutputTarget;
import org.jontrel.cli.io.PackageSource;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
        name = "format",
        mixinStandardHelpOptions = true,
        description = "Writes a package, or one file, in the canonical form. Comments, blank lines and line ends"
                + " stay, and so does every file that is no definition.")
final class FormatCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "PATH", description = "A folder, a zip, a file of one definition, or - for such a file.")
    private String path;

    @Option(
            names = "--check",
            description = "Change nothing; name what would change. Exit code 1 where anything would.")
    private boolean check;

    @Option(names = "--ids", description = "Give an id to everything that has none.")
    private boolean ids;

    @Option(
            names = "--rename",
            description = "Also name each file by what it defines (types/mooring.yaml), and make YAML of JSON.")
    private boolean rename;

    @Override
    public Integer call() throws IOException {
        var source = read();
        var err = spec.commandLine().getErr();
        source.findings().stream().sorted(Finding.WORST_FIRST).forEach(finding -> err.println(Output.line(finding)));
        if (source.content().isEmpty()) {
            return 1;
        }
        var files = source.canonical(source.content().get(), rename && source.sort() != PackageSource.SourceType.FILE);
        if (path.equals(PackageSource.STANDARD) && !check) {
            spec.commandLine().getOut().print(new String(files.get(""), StandardCharsets.UTF_8));
            spec.commandLine().getOut().flush();
            return 0;
        }
        var before = source.sort() == PackageSource.SourceType.FILE
                ? new TreeMap<>(Map.of("", source.files().values().iterator().next()))
                : source.files();
        var changed = changed(before, files);
        var removed = rename ? renamed(before, files) : List.<String>of();
        var out = spec.commandLine().getOut();
        changed.forEach(name -> out.println(name.isEmpty() ? path : name));
        removed.forEach(name -> out.println(name + " removed: what it defines has a file of its own name"));
        if (check) {
            return changed.isEmpty() && removed.isEmpty() ? 0 : 1;
        }
        OutputTarget.write(Path.of(path), source.sort(), files, removed);
        return 0;
    }

    /** Files of definitions whose content is in files of other names now. */
    private static List<String> renamed(SortedMap<String, byte[]> before, SortedMap<String, byte[]> after) {
        return before.keySet().stream()
                .filter(name -> PackageReader.isOfPackage(name) && !after.containsKey(name))
                .toList();
    }

    private PackageSource read() throws IOException {
        var source = PackageSource.read(path);
        return ids ? source.with(source.read().completed(Model.EMPTY, Ids.secure())) : source;
    }

    private static List<String> changed(SortedMap<String, byte[]> before, SortedMap<String, byte[]> after) {
        var changed = new ArrayList<String>();
        after.forEach((name, content) -> {
            if (!Arrays.equals(content, before.get(name))) {
                changed.add(name);
            }
        });
        return changed;
    }
}

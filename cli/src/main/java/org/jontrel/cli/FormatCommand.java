package org.jontrel.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import org.jontrel.core.finding.Finding;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
        name = "format",
        mixinStandardHelpOptions = true,
        description = "Writes a package, or one file, in the canonical form. Comments are not kept.")
final class FormatCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "PATH", description = "A folder, a zip, a file of one content type, or - for such a file.")
    private String path;

    @Option(
            names = "--check",
            description = "Change nothing; name what would change. Exit code 1 where anything would.")
    private boolean check;

    @Override
    public Integer call() throws IOException {
        var source = Source.read(path);
        var err = spec.commandLine().getErr();
        source.findings().stream().sorted(Finding.WORST_FIRST).forEach(finding -> err.println(Output.line(finding)));
        if (source.content().isEmpty()) {
            return 1;
        }
        var files = Source.canonical(source.sort(), source.content().get());
        if (path.equals(Source.STANDARD) && !check) {
            spec.commandLine().getOut().print(new String(files.get(""), java.nio.charset.StandardCharsets.UTF_8));
            spec.commandLine().getOut().flush();
            return 0;
        }
        var before = source.sort() == Source.Sort.FILE
                ? new TreeMap<>(
                        java.util.Map.of("", source.files().values().iterator().next()))
                : source.files();
        var changed = changed(before, files);
        changed.forEach(name -> spec.commandLine().getOut().println(name.isEmpty() ? path : name));
        if (check) {
            return changed.isEmpty() ? 0 : 1;
        }
        Target.write(Path.of(path), source.sort(), files);
        if (source.sort() == Source.Sort.FOLDER) {
            removeOld(source.files(), files);
        }
        return 0;
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

    /** A definition under another name (or in JSON) is now in its canonical file; the old one would define it twice. */
    private void removeOld(SortedMap<String, byte[]> before, SortedMap<String, byte[]> after) throws IOException {
        for (var name : before.keySet()) {
            boolean definition = name.matches("(types|migrations)/[^/]+\\.(yaml|yml|json)");
            if (definition && !after.containsKey(name)) {
                Files.delete(Path.of(path).resolve(name));
                spec.commandLine().getOut().println(name);
            }
        }
    }
}

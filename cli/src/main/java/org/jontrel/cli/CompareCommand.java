package org.jontrel.cli;

import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jontrel.core.code.Identities;
import org.jontrel.core.compare.Change;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.compare.Report;
import org.jontrel.core.compare.Sentences;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Ids;
import org.jontrel.core.model.Model;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
        name = "compare",
        mixinStandardHelpOptions = true,
        description = "Says what differs between two packages. Exit code 1 where anything does.")
final class CompareCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(index = "0", paramLabel = "A", description = "Before: a folder, a zip or a file of one content type.")
    private String before;

    @Parameters(index = "1", paramLabel = "B", description = "After: a folder, a zip or a file of one content type.")
    private String after;

    @Option(names = "--json", description = "For machines: {\"advice\": …, \"changes\": [{sentence, advice, reach}]}")
    private boolean json;

    @Option(names = "--markdown", description = "For a pull request.")
    private boolean markdown;

    @Override
    public Integer call() throws IOException {
        var ids = Ids.secure();
        var first = read(before).map(model -> new Identities(Model.EMPTY, ids).complete(model));
        var second = first.flatMap(a -> readQuietly(after).map(model -> new Identities(a, ids).complete(model)));
        if (first.isEmpty() || second.isEmpty()) {
            return 1;
        }
        var comparison = Comparison.of(first.get(), second.get());
        var out = spec.commandLine().getOut();
        if (json) {
            var tree = new LinkedHashMap<String, Object>();
            tree.put("advice", lower(comparison.advice()));
            tree.put(
                    "changes",
                    comparison.changes().stream().map(CompareCommand::tree).toList());
            out.println(Output.json(tree));
        } else if (markdown) {
            out.print(Report.markdown(comparison));
            out.flush();
        } else {
            out.print(Report.text(comparison));
            out.flush();
            if (comparison.isEmpty()) {
                spec.commandLine().getErr().println("The two are the same.");
            }
        }
        return comparison.isEmpty() ? 0 : 1;
    }

    private Optional<Model> readQuietly(String path) {
        try {
            return read(path);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e.getMessage(), e);
        }
    }

    private Optional<Model> read(String path) throws IOException {
        var loaded = Source.read(path);
        var err = spec.commandLine().getErr();
        loaded.findings().stream()
                .sorted(Finding.WORST_FIRST)
                .forEach(finding -> err.println(path + ": " + Output.line(finding)));
        return loaded.model();
    }

    private static Map<String, Object> tree(Change change) {
        var tree = new LinkedHashMap<String, Object>();
        tree.put("sentence", Sentences.of(change));
        tree.put("advice", lower(change.advice()));
        tree.put(
                "reach",
                List.copyOf(change.reach()).stream().map(CompareCommand::lower).toList());
        return tree;
    }

    private static String lower(Enum<?> word) {
        return word.name().toLowerCase(Locale.ROOT);
    }
}

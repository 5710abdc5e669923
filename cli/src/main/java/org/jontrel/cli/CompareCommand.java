package org.jontrel.cli;

import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import org.jontrel.core.code.Identities;
import org.jontrel.core.compare.Change;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.compare.Likely;
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

    @Parameters(index = "0", paramLabel = "A", description = "Before: a folder, a zip or a file of one definition.")
    private String before;

    @Parameters(index = "1", paramLabel = "B", description = "After: a folder, a zip or a file of one definition.")
    private String after;

    @Option(
            names = "--json",
            description = "For machines: {\"advice\": …, \"changes\": [{change, what, definition, element, sentence,"
                    + " advice, reach, …}], \"questions\": [{sentence, element, was}]}")
    private boolean json;

    @Option(names = "--markdown", description = "For a pull request.")
    private boolean markdown;

    @Override
    public Integer call() throws IOException {
        var ids = Ids.secure();
        var first = read(before, Model.EMPTY, ids);
        var second = first.isEmpty() ? first : read(after, first.get().model(), ids);
        if (first.isEmpty() || second.isEmpty()) {
            return 1;
        }
        var comparison = Comparison.of(first.get().model(), second.get().model());
        var renames = Likely.renames(comparison, second.get().given());
        var out = spec.commandLine().getOut();
        if (json) {
            out.println(Output.json(tree(comparison, renames)));
        } else if (markdown) {
            out.print(Report.markdown(comparison));
            renames.forEach(rename -> out.print("\n> " + Report.escaped(rename.sentence()) + "\n"));
            out.flush();
        } else {
            out.print(Report.text(comparison));
            renames.forEach(rename -> out.println("? " + rename.sentence()));
            out.flush();
            if (comparison.isEmpty()) {
                spec.commandLine().getErr().println("The two are the same.");
            }
        }
        return comparison.isEmpty() ? 0 : 1;
    }

    /** @param given ids made up for what the files gave none */
    private record Side(Model model, Set<String> given) {}

    private Optional<Side> read(String path, Model earlier, Ids ids) throws IOException {
        var source = Source.read(path);
        var err = spec.commandLine().getErr();
        source.findings().stream()
                .sorted(Finding.WORST_FIRST)
                .forEach(finding -> err.println(path + ": " + Output.line(finding)));
        var identities = new Identities(earlier, ids);
        return source.content().map(content -> {
            var model = identities.complete(content.model(), source.read().was());
            return new Side(model, Set.copyOf(identities.given().values()));
        });
    }

    private static Map<String, Object> tree(Comparison comparison, List<Likely.Rename> renames) {
        var tree = new LinkedHashMap<String, Object>();
        tree.put("advice", lower(comparison.advice()));
        tree.put(
                "changes",
                comparison.changes().stream().map(CompareCommand::tree).toList());
        tree.put(
                "questions",
                renames.stream()
                        .map(rename -> Map.of(
                                "sentence", rename.sentence(),
                                "element", rename.added().subject().elementId(),
                                "was", rename.was()))
                        .toList());
        return tree;
    }

    private static Map<String, Object> tree(Change change) {
        var tree = new LinkedHashMap<String, Object>();
        tree.put("change", Sentences.word(change));
        tree.put("what", change.subject().level());
        tree.put("definition", change.subject().definitionId());
        tree.put("element", change.subject().elementId());
        if (change instanceof Change.Changed changed) {
            tree.put("property", changed.difference().name());
            tree.put("before", changed.difference().before());
            tree.put("after", changed.difference().after());
        }
        if (change instanceof Change.Renamed renamed) {
            tree.put("before", renamed.before());
            tree.put("after", renamed.after());
        }
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

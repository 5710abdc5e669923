package org.jontrel.cli;

import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jontrel.cli.io.Output;
import org.jontrel.cli.io.PackageSource;
import org.jontrel.core.code.EarlierKeys;
import org.jontrel.core.compare.Change;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.compare.ComparisonReport;
import org.jontrel.core.compare.LikelyRenames;
import org.jontrel.core.compare.ManifestChanges;
import org.jontrel.core.compare.Sentences;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.identity.Alignment;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.yaml.NodeCache;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
        name = "compare",
        mixinStandardHelpOptions = true,
        description = "Says what differs between two packages. Exit code 1 where anything does, 2 where one of them"
                + " cannot be read.")
final class CompareCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(index = "0", paramLabel = "A", description = "Before: a folder, a zip or a file of one definition.")
    private String before;

    @Parameters(index = "1", paramLabel = "B", description = "After: a folder, a zip or a file of one definition.")
    private String after;

    @Option(
            names = "--json",
            description =
                    "For machines: {\"advice\": …, \"package\": [sentence], \"changes\": [{change, what, definition, element, sentence,"
                            + " advice, reach, …}], \"questions\": [{sentence, element, was}]}")
    private boolean json;

    @Option(names = "--markdown", description = "For a pull request.")
    private boolean markdown;

    @Override
    public Integer call() throws IOException {
        var cache = new NodeCache();
        var first = PackageSource.read(before, cache);
        var second = PackageSource.read(after, cache);
        if (first.content().isEmpty() || second.content().isEmpty()) {
            return unreadable(first, second);
        }
        tell(before, first);
        tell(after, second);
        var alignment = Alignment.of(side(first), side(second), Ids.secure());
        var comparison =
                Comparison.of(alignment.sides().get(0), alignment.sides().get(1));
        unfound(second, alignment.unfound().get(1));
        var renames = LikelyRenames.renames(comparison, alignment.madeUp());
        var about = ManifestChanges.between(
                first.content().get().manifest(), second.content().get().manifest());
        var out = spec.commandLine().getOut();
        if (json) {
            out.println(Output.json(tree(comparison, about, renames)));
        } else if (markdown) {
            out.print(ComparisonReport.markdown(comparison, about));
            renames.forEach(rename -> out.print("\n> " + ComparisonReport.escaped(rename.sentence()) + "\n"));
            out.flush();
        } else {
            about.forEach(out::println);
            out.print(ComparisonReport.text(comparison));
            renames.forEach(rename -> out.println("? " + rename.sentence()));
            out.flush();
        }
        boolean same = comparison.isEmpty() && about.isEmpty();
        if (same && !json && !markdown) {
            spec.commandLine().getErr().println("The two are the same.");
        }
        return same ? 0 : 1;
    }

    private static Alignment.Side side(PackageSource source) {
        return new Alignment.Side(
                source.content().orElseThrow().model(), source.read().was());
    }

    /** Earlier keys in the files that nothing had. */
    private void unfound(PackageSource source, Map<String, String> keys) {
        var err = spec.commandLine().getErr();
        EarlierKeys.unknown(source.read(), keys).forEach(finding -> err.println(after + ": " + Output.line(finding)));
    }

    /** Nothing was compared, which is neither "same" nor "differs". */
    private int unreadable(PackageSource first, PackageSource second) {
        if (!json) {
            tell(before, first);
            tell(after, second);
            return 2;
        }
        var tree = new LinkedHashMap<String, Object>();
        tree.put("before", Output.trees(first.findings()));
        tree.put("after", Output.trees(second.findings()));
        spec.commandLine().getOut().println(Output.json(Map.of("findings", tree)));
        return 2;
    }

    private void tell(String path, PackageSource source) {
        var err = spec.commandLine().getErr();
        source.findings().stream()
                .sorted(Finding.WORST_FIRST)
                .forEach(finding -> err.println(path + ": " + Output.line(finding)));
    }

    private static Map<String, Object> tree(
            Comparison comparison, List<String> about, List<LikelyRenames.LikelyRename> renames) {
        var tree = new LinkedHashMap<String, Object>();
        tree.put("advice", lower(comparison.advice()));
        tree.put("package", about);
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

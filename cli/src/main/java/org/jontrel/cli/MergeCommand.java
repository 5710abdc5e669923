package org.jontrel.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import org.jontrel.core.code.Decision;
import org.jontrel.core.code.Identities;
import org.jontrel.core.code.Migration;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Severity;
import org.jontrel.core.merge.Clash;
import org.jontrel.core.merge.Merge;
import org.jontrel.core.model.Ids;
import org.jontrel.core.model.Model;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
        name = "merge",
        mixinStandardHelpOptions = true,
        description = "Brings two packages together over the one both come from. Writes nothing and exits with 1 where"
                + " they clash.")
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
            description = "Where to write: a folder, a .zip, or a file.")
    private Path out;

    @Option(names = "--json", description = "For machines: {\"clashes\": [{what, base, ours, theirs, sentence}]}")
    private boolean json;

    @Override
    public Integer call() throws IOException {
        var ids = Ids.secure();
        var before = read(base);
        var here = read(ours);
        var there = read(theirs);
        if (before.isEmpty() || here.isEmpty() || there.isEmpty()) {
            return 1;
        }
        var given = new HashSet<String>();
        var earlierKeys = new HashMap<String, String>();
        var root = completed(before.get(), Model.EMPTY, ids, given, new HashMap<>());
        var merged = Merge.merge(
                root,
                completed(here.get(), root, ids, given, earlierKeys),
                completed(there.get(), root, ids, given, earlierKeys));
        say(merged.clashes());
        if (!merged.clashes().isEmpty()) {
            return 1;
        }
        var forgotten = Identities.forgotten(given);
        var content = new ModelPackage(
                here.get().content().manifest(),
                Identities.renamed(merged.model(), forgotten),
                migrations(
                        here.get().content().migrations(), there.get().content().migrations()));
        var was = new HashMap<String, String>();
        earlierKeys.forEach((id, key) -> was.put(forgotten.getOrDefault(id, id), key));
        var sort = out.toString().endsWith(".zip")
                ? Source.Sort.ZIP
                : Source.read(ours).sort();
        Target.write(out, sort, Source.canonical(sort, content, was));
        return 0;
    }

    /** What was read, and the keys that it says things had. */
    private record Side(ModelPackage content, Map<String, String> was) {}

    /** The side with ids; those that it had none for are noted, so that no merge writes ids nobody gave. */
    private static Model completed(Side side, Model earlier, Ids ids, Set<String> given, Map<String, String> was) {
        var identities = new Identities(earlier, ids);
        var model = identities.complete(side.content().model(), side.was());
        given.addAll(identities.given().values());
        side.was().forEach((id, key) -> was.putIfAbsent(identities.given().getOrDefault(id, id), key));
        return model;
    }

    private Optional<Side> read(String path) throws IOException {
        var source = Source.read(path);
        var err = spec.commandLine().getErr();
        source.findings().stream()
                .filter(finding -> finding.severity() != Severity.NOTE)
                .sorted(Finding.WORST_FIRST)
                .forEach(finding -> err.println(path + ": " + Output.line(finding)));
        return source.content().map(content -> new Side(content, source.read().was()));
    }

    /** Decisions of both sides; where both answered the same question, ours. */
    private static List<Migration> migrations(List<Migration> ours, List<Migration> theirs) {
        var byVersion = new TreeMap<String, LinkedHashSet<Decision>>();
        for (var side : List.of(ours, theirs)) {
            for (var migration : side) {
                var kept = byVersion.computeIfAbsent(migration.version(), _ -> new LinkedHashSet<>());
                migration.decisions().stream()
                        .filter(decision -> kept.stream()
                                .noneMatch(other -> other.fieldId().equals(decision.fieldId())
                                        && other.about() == decision.about()))
                        .toList()
                        .forEach(kept::add);
            }
        }
        var merged = new ArrayList<Migration>();
        byVersion.forEach((version, decisions) -> merged.add(new Migration(version, List.copyOf(decisions))));
        return merged;
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

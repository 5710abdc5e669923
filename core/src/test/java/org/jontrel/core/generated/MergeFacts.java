package org.jontrel.core.generated;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.SortedMap;
import java.util.regex.Pattern;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.compare.Change;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.compare.Sentences;
import org.jontrel.core.format.Located;
import org.jontrel.core.identity.Alignment;
import org.jontrel.core.merge.Clash;
import org.jontrel.core.model.Model;

/** What changed of what, as facts that a merge must have. */
final class MergeFacts {
    private static final Pattern MARK = Pattern.compile("# [ot][0-9]+$", Pattern.MULTILINE);

    private MergeFacts() {}

    static Set<String> facts(Comparison comparison) {
        var facts = new HashSet<String>();
        single(comparison.changes()).forEach(change -> facts.add(fact(change)));
        return facts;
    }

    /** A group that became shared, or its own, is a removal and an addition here. */
    static List<Change> single(List<Change> changes) {
        var single = new ArrayList<Change>();
        for (var change : changes) {
            switch (change) {
                case Change.Shared(Change.Removed group, Change.Added use) -> single.addAll(List.of(group, use));
                case Change.Owned(Change.Added group, Change.Removed use) -> single.addAll(List.of(group, use));
                default -> single.add(change);
            }
        }
        return single;
    }

    /** What changed of what, and to what; where it stands is brought together by neighbours. */
    static String fact(Change change) {
        var detail =
                switch (change) {
                    case Change.Changed changed ->
                        changed.difference().name() + " " + changed.difference().after();
                    case Change.Renamed renamed -> renamed.after();
                    case Change.Moved moved ->
                        moved.after().ownerId() + " " + moved.after().slot();
                    case Change.KindChanged kind -> kind.after().code();
                    default -> "";
                };
        return Sentences.word(change) + " " + change.subject().elementId() + " " + detail;
    }

    /** Whether an order that only one side changed is that of the result. */
    static boolean keptOrder(Change.Reordered order, Model other, Clash.MergedModel merged, Model base) {
        boolean both = Comparison.of(base, other).changes().stream()
                .anyMatch(change -> change instanceof Change.Reordered its
                        && its.slot().equals(order.slot())
                        && its.subject().elementId().equals(order.subject().elementId()));
        var at = Located.index(new ArrayList<>(merged.model().definitions()))
                .get(order.subject().elementId());
        if (both || at == null) {
            return true;
        }
        var now = at.items(order.slot()).stream().map(Located::key).toList();
        return now.stream()
                .filter(order.after()::contains)
                .toList()
                .equals(order.after().stream().filter(now::contains).toList());
    }

    static boolean same(SortedMap<String, byte[]> a, SortedMap<String, byte[]> b) {
        return a.keySet().equals(b.keySet())
                && a.entrySet().stream().allMatch(file -> Arrays.equals(file.getValue(), b.get(file.getKey())));
    }

    static Alignment.Side side(PackageReader.Result read) {
        return new Alignment.Side(read.content().orElseThrow().model(), read.was());
    }

    static void marks(byte[] bytes, Set<String> marks) {
        MARK.matcher(new String(bytes, StandardCharsets.UTF_8)).results().forEach(found -> marks.add(found.group()));
    }
}

package org.jontrel.core.compare;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.apache.commons.text.similarity.JaroWinklerSimilarity;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.shape.Sense;

/**
 * What a person may have renamed in files without ids: it looks like a removal and an addition. Only ever a question;
 * the answer is {@code was: old_key} in the file.
 */
public final class LikelyRenames {
    private static final JaroWinklerSimilarity LIKENESS = new JaroWinklerSimilarity();

    /** Half of what is asked at this likeness was renamed, in our examples; below it hardly any. */
    private static final double LEAST = 0.7;

    /** Up to so many pairs of one sort all are compared. */
    private static final long ALL_PAIRS = 40_000;

    /** So many that share a sign are compared. */
    private static final int SHARED = 8;

    private LikelyRenames() {}

    /**
     * A removal and an addition that may be one rename.
     *
     * @param was the earlier key, to be written behind {@code was} in the file
     * @param likeness from 0 to 1
     */
    public record LikelyRename(Change.Removed removed, Change.Added added, String was, double likeness) {
        /** Fact, question and next action in one line. */
        public String sentence() {
            var name = added.subject().name();
            return "Is the " + added.subject().level() + " " + name.label() + " in " + name.definition()
                    + " the earlier " + removed.subject().name().label() + "? If so, say \"was: " + was
                    + "\" in its file, and no value is orphaned.";
        }
    }

    /**
     * The likeliest pairs, each thing in at most one.
     *
     * @param given ids that were made up for what files gave none; only these can be renames
     */
    public static List<LikelyRename> renames(Comparison comparison, Set<String> given) {
        var gone = new LinkedHashMap<RenameGroup, List<Change.Removed>>();
        var come = new LinkedHashMap<RenameGroup, List<Change.Added>>();
        for (var change : comparison.changes()) {
            if (change instanceof Change.Removed removed) {
                gone.computeIfAbsent(RenameGroup.of(removed, removed.content()), _ -> new ArrayList<>())
                        .add(removed);
            } else if (change instanceof Change.Added added
                    && given.contains(added.subject().elementId())) {
                come.computeIfAbsent(RenameGroup.of(added, added.content()), _ -> new ArrayList<>())
                        .add(added);
            }
        }
        var candidates = new ArrayList<LikelyRename>();
        gone.forEach((sort, removed) -> candidates(removed, come.getOrDefault(sort, List.of()), candidates));
        candidates.sort(Comparator.comparingDouble(LikelyRename::likeness)
                .reversed()
                .thenComparing(rename -> rename.added().subject().elementId()));
        var taken = new HashSet<String>();
        return candidates.stream()
                .filter(each -> !taken.contains(each.removed().subject().elementId())
                        && !taken.contains(each.added().subject().elementId()))
                .peek(each -> {
                    taken.add(each.removed().subject().elementId());
                    taken.add(each.added().subject().elementId());
                })
                .toList();
    }

    /** What must be the same of a thing before and after a rename: what it is, and the definition it is in. */
    private record RenameGroup(String level, String definition, String kind) {
        static RenameGroup of(Change change, Object content) {
            var subject = change.subject();
            return new RenameGroup(
                    subject.level(),
                    subject.isDefinition() ? "" : subject.definitionId(),
                    content instanceof Field field ? field.kind().code() : "");
        }
    }

    /** Few are compared each with each; of many only those that share a label, a place or the beginning of a key. */
    private static void candidates(List<Change.Removed> gone, List<Change.Added> come, List<LikelyRename> candidates) {
        if ((long) gone.size() * come.size() <= ALL_PAIRS) {
            gone.forEach(
                    removed -> come.forEach(added -> candidate(removed, added).ifPresent(candidates::add)));
            return;
        }
        var signs = new HashMap<Object, List<Change.Added>>();
        for (var added : come) {
            signs(added, added.spot(), added.content())
                    .forEach(sign ->
                            signs.computeIfAbsent(sign, _ -> new ArrayList<>()).add(added));
        }
        for (var removed : gone) {
            signs(removed, removed.spot(), removed.content())
                    .flatMap(
                            sign -> signs.getOrDefault(sign, List.of()).stream().limit(SHARED))
                    .distinct()
                    .forEach(added -> candidate(removed, added).ifPresent(candidates::add));
        }
    }

    private static Stream<Object> signs(Change change, ThingPosition spot, Object content) {
        var key = key(content).orElse("");
        return Stream.of(
                "label " + change.subject().name().label(), spot, "key " + key.substring(0, Math.min(key.length(), 6)));
    }

    private static Optional<LikelyRename> candidate(Change.Removed gone, Change.Added come) {
        var was = key(gone.content());
        if (was.isEmpty() || !sameKind(gone.content(), come.content())) {
            return Optional.empty();
        }
        double names = Math.max(
                LIKENESS.apply(was.get(), key(come.content()).orElse("")),
                LIKENESS.apply(
                        gone.subject().name().label(), come.subject().name().label()));
        boolean place = gone.spot().equals(come.spot()) && !(gone.content() instanceof Definition);
        double likeness = 0.8 * names + (place ? 0.2 : 0);
        return likeness >= LEAST ? Optional.of(new LikelyRename(gone, come, was.get(), likeness)) : Optional.empty();
    }

    private static boolean sameKind(Object a, Object b) {
        return !(a instanceof Field before && b instanceof Field after) || Kind.same(before.kind(), after.kind());
    }

    private static Optional<String> key(Object thing) {
        return Things.of(thing).properties().stream()
                .filter(property -> property.sense() == Sense.NAME)
                .findFirst()
                .map(property -> String.valueOf(property.written(thing)));
    }
}

package org.jontrel.core.compare;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.text.similarity.JaroWinklerSimilarity;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.shape.Sense;
import org.jontrel.core.shape.Things;

/**
 * What a person may have renamed in files without ids: it looks like a removal and an addition. Only ever a question;
 * the answer is {@code was: old_key} in the file.
 */
public final class Likely {
    private static final JaroWinklerSimilarity LIKENESS = new JaroWinklerSimilarity();

    /** Half of what is asked at this likeness was renamed, in our examples; below it hardly any. */
    private static final double LEAST = 0.7;

    private Likely() {}

    /**
     * A removal and an addition that may be one rename.
     *
     * @param was the earlier key, to be written behind {@code was} in the file
     * @param likeness from 0 to 1
     */
    public record Rename(Change.Removed removed, Change.Added added, String was, double likeness) {
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
    public static List<Rename> renames(Comparison comparison, Set<String> given) {
        var candidates = new ArrayList<Rename>();
        for (var removed : comparison.changes()) {
            for (var added : comparison.changes()) {
                if (removed instanceof Change.Removed gone
                        && added instanceof Change.Added come
                        && given.contains(come.subject().elementId())) {
                    candidate(gone, come).ifPresent(candidates::add);
                }
            }
        }
        candidates.sort(Comparator.comparingDouble(Rename::likeness)
                .reversed()
                .thenComparing(rename -> rename.added().subject().elementId()));
        var taken = new HashSet<Change>();
        return candidates.stream()
                .filter(each -> !taken.contains(each.removed()) && !taken.contains(each.added()))
                .peek(each -> taken.addAll(List.of(each.removed(), each.added())))
                .toList();
    }

    private static Optional<Rename> candidate(Change.Removed gone, Change.Added come) {
        boolean same = gone.subject().level().equals(come.subject().level())
                && (gone.subject().isDefinition()
                        || gone.subject().definitionId().equals(come.subject().definitionId()));
        var was = key(gone.content());
        if (!same || was.isEmpty() || !sameKind(gone.content(), come.content())) {
            return Optional.empty();
        }
        double names = Math.max(
                LIKENESS.apply(was.get(), key(come.content()).orElse("")),
                LIKENESS.apply(
                        gone.subject().name().label(), come.subject().name().label()));
        boolean place = gone.spot().equals(come.spot()) && !(gone.content() instanceof Definition);
        double likeness = 0.8 * names + (place ? 0.2 : 0);
        return likeness >= LEAST ? Optional.of(new Rename(gone, come, was.get(), likeness)) : Optional.empty();
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

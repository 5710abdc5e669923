package org.jontrel.core.finding;

import java.util.Collection;
import java.util.Comparator;
import java.util.Optional;
import org.apache.commons.text.similarity.JaroWinklerSimilarity;

/** Finds the valid word that somebody most likely meant. */
public final class Nearest {
    private static final JaroWinklerSimilarity LIKENESS = new JaroWinklerSimilarity();

    private static final double SURE = 0.85;
    private static final double APART = 0.02;

    private Nearest() {}

    /** The one word that was surely meant: very like (0.85), and clearly more so than any other; empty where none is. */
    public static Optional<String> sure(String word, Collection<String> valid) {
        var best = valid.stream()
                .distinct()
                .sorted(Comparator.comparingDouble((String candidate) -> -LIKENESS.apply(candidate, word))
                        .thenComparing(Comparator.naturalOrder()))
                .limit(2)
                .toList();
        boolean like = !best.isEmpty() && LIKENESS.apply(best.getFirst(), word) >= SURE;
        boolean alone = best.size() < 2
                || LIKENESS.apply(best.getFirst(), word) - LIKENESS.apply(best.getLast(), word) >= APART;
        return like && alone ? Optional.of(best.getFirst()) : Optional.empty();
    }

    /** {@code  Did you mean "length_m"?} with a leading space, or empty where nothing is near (likeness under 0.75). */
    public static String hint(String word, Collection<String> valid) {
        return valid.stream()
                .filter(candidate -> LIKENESS.apply(candidate, word) >= 0.75)
                .max(Comparator.comparingDouble((String candidate) -> LIKENESS.apply(candidate, word))
                        .thenComparing(Comparator.reverseOrder()))
                .map(candidate -> " Did you mean \"" + candidate + "\"?")
                .orElse("");
    }
}

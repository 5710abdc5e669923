package org.jontrel.core.finding;

import java.util.Collection;
import java.util.Comparator;
import org.apache.commons.text.similarity.JaroWinklerSimilarity;

/** Finds the valid word that somebody most likely meant. */
public final class Nearest {
    private static final JaroWinklerSimilarity LIKENESS = new JaroWinklerSimilarity();

    private Nearest() {}

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

package org.jontrel.core.generated;

import java.util.List;
import java.util.Random;
import org.jontrel.core.naming.Ids;

/** Random words, numbers and ids from one seed. */
final class Draw {
    private static final List<String> TEXTS = List.of(
            "Rise",
            "yes",
            "12",
            "a: b",
            "# no",
            "- x",
            "😀 boat",
            "two\nlines",
            "  padded ",
            "\"quoted\"",
            "null",
            "مرسى",
            "{x}",
            "it's",
            "1e3",
            "%",
            "@home");
    private final Random random;
    private final Ids ids;
    private int number;

    Draw(long seed) {
        random = new Random(seed);
        ids = new Ids(random);
    }

    int fresh() {
        return ++number;
    }

    String id(char letter) {
        return ids.next(letter);
    }

    /** A text that no other is equal to. */
    String text() {
        return TEXTS.get(random.nextInt(TEXTS.size())) + " " + fresh();
    }

    boolean chance() {
        return random.nextBoolean();
    }

    /** Now and then: once in so many. */
    boolean once(int times) {
        return random.nextInt(times) == 0;
    }

    int below(int bound) {
        return random.nextInt(bound);
    }

    <T> T of(List<T> all) {
        return all.get(random.nextInt(all.size()));
    }

    <T> T orNull(T value) {
        return chance() ? value : null;
    }
}

package org.jontrel.core.sheet;

import java.text.Normalizer;
import java.util.Arrays;
import java.util.Locale;

/**
 * Which texts a column holds, as 64 bits of each: so a million of them take a few megabytes. Capitals, accents' forms and doubled spaces
 * make no difference. Two texts in a million million are taken for one.
 */
final class Fingerprints {
    /** How many fingerprints, and letters of texts, all columns of a workbook may hold together. */
    static final class Budget {
        private static final int MOST_OF_A_COLUMN = 26_000;
        private static final int LEAST_OF_A_COLUMN = 400;
        private static final int COLUMNS = 20;
        private long left;
        private long letters = 4_000_000;

        Budget(long most) {
            this.left = most;
        }

        /** How many letters a column may keep; less and less as they run out. */
        int letters() {
            return Math.clamp(letters / COLUMNS, LEAST_OF_A_COLUMN, MOST_OF_A_COLUMN);
        }

        void take(int taken) {
            letters = Math.max(0, letters - taken);
        }
    }

    private static final int FIRST_SIZE = 64;
    private static final long PRIME = 0x100000001b3L;
    private final Budget budget;
    private long[] slots = new long[FIRST_SIZE];
    private int size;

    Fingerprints(Budget budget) {
        this.budget = budget;
    }

    static long of(String text) {
        long hash = 0xcbf29ce484222325L;
        boolean space = false;
        for (int i = 0; i < text.length(); i++) {
            char each = text.charAt(i);
            if (Character.isWhitespace(each) || each == '\u00a0') {
                space = i > 0;
                continue;
            }
            if (space) {
                hash = (hash ^ ' ') * PRIME;
                space = false;
            }
            hash = (hash ^ (each < 128 ? lower(each) : Character.toLowerCase(each))) * PRIME;
        }
        // 0 marks a free slot
        hash ^= hash >>> 32;
        hash *= 0x9e3779b97f4a7c15L;
        return hash == 0 ? 1 : hash;
    }

    private static char lower(char each) {
        return each >= 'A' && each <= 'Z' ? (char) (each + ('a' - 'A')) : each;
    }

    /** The text in the form in which it is compared, for people to see what was taken for one. */
    static String folded(String text) {
        return Normalizer.normalize(
                text.strip().replaceAll("[\\s\u00a0]+", " ").toLowerCase(Locale.ROOT), Normalizer.Form.NFC);
    }

    /** Whether they are still told apart; not once there were too many. */
    boolean known() {
        return slots.length > 0;
    }

    int size() {
        return size;
    }

    /** Whether it was not there before. */
    boolean add(long fingerprint) {
        if (!known() || !put(slots, fingerprint)) {
            return false;
        }
        size++;
        if (--budget.left < 0) {
            forget();
        } else if (size * 2L > slots.length) {
            grow();
        }
        return true;
    }

    void forget() {
        budget.left += size;
        slots = new long[0];
        size = 0;
    }

    boolean contains(long fingerprint) {
        if (!known()) {
            return false;
        }
        int at = start(slots, fingerprint);
        while (slots[at] != 0) {
            if (slots[at] == fingerprint) {
                return true;
            }
            at = (at + 1) & (slots.length - 1);
        }
        return false;
    }

    /** How many of these are also among the others. */
    int shared(Fingerprints others) {
        return (int) Arrays.stream(slots)
                .filter(each -> each != 0 && others.contains(each))
                .count();
    }

    private void grow() {
        var larger = new long[slots.length * 2];
        for (long each : slots) {
            if (each != 0) {
                put(larger, each);
            }
        }
        slots = larger;
    }

    private static boolean put(long[] slots, long fingerprint) {
        int at = start(slots, fingerprint);
        while (slots[at] != 0) {
            if (slots[at] == fingerprint) {
                return false;
            }
            at = (at + 1) & (slots.length - 1);
        }
        slots[at] = fingerprint;
        return true;
    }

    private static int start(long[] slots, long fingerprint) {
        return (int) (fingerprint >>> 20) & (slots.length - 1);
    }
}

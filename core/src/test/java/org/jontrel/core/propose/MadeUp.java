package org.jontrel.core.propose;

import java.util.function.Function;
import org.jontrel.core.propose.KnownWorkbook.At;

/** Made-up words for the cells of workbooks. */
final class MadeUp {
    private static final String[] SYLLABLES = {
        "Ash", "Bram", "Cor", "Dun", "El", "Fen", "Gar", "Hol", "Ing", "Kel", "Lam", "Mar", "Nor", "Os", "Pel", "Quar",
        "Rud", "Sel", "Tor", "Ul", "Ver", "Wen", "Yar", "Zel"
    };
    private static final String[] ENDS = {
        "ham", "ford", "by", "ton", "wick", "mere", "dale", "stow", "ley", "combe", "hurst", "den"
    };
    private static final String[] FIRST = {
        "Ada", "Bo", "Cyra", "Dov", "Edda", "Finn", "Gita", "Hale", "Iva", "Jor", "Kaia", "Leif"
    };

    private MadeUp() {}

    /** A made-up place, each row another. */
    static String place(At at) {
        return place(at.row());
    }

    static String place(int n) {
        return SYLLABLES[n % SYLLABLES.length]
                + ENDS[n / SYLLABLES.length % ENDS.length]
                + (n >= SYLLABLES.length * ENDS.length ? " " + n / (SYLLABLES.length * ENDS.length) : "");
    }

    static String person(int n) {
        return FIRST[n % FIRST.length] + " " + SYLLABLES[n * 7 % SYLLABLES.length]
                + ENDS[n / FIRST.length % ENDS.length];
    }

    static Function<At, String> someone(int of) {
        return at -> person(at.chance().nextInt(of));
    }

    static Function<At, String> somewhere(int of) {
        return at -> place(at.chance().nextInt(of));
    }

    static Function<At, String> one(String... of) {
        return at -> at.one(of);
    }

    static Function<At, String> whole(int least, int most) {
        return at -> String.valueOf(at.from(least, most));
    }

    static Function<At, String> decimal(int least, int most, int decimals) {
        return at -> at.from(least, most) + "." + ("" + at.from(1000, 9999)).substring(0, decimals);
    }

    static Function<At, String> often(int inHundred, Function<At, String> cell) {
        return at -> at.sometimes(inHundred) ? cell.apply(at) : "";
    }

    static String sentence(At at, int words) {
        var text = new StringBuilder();
        for (int i = 0; i < words; i++) {
            text.append(i == 0 ? "The " : " ")
                    .append(at.one(
                            "stone", "water", "gate", "old", "mended", "wooden", "stood", "was", "near", "north",
                            "after", "rain"));
        }
        return text.append('.').toString();
    }
}

package org.jontrel.core.page.node;

import java.util.ArrayDeque;

/**
 * Text whose direction ends with it. Signs that turn the direction of text (Unicode's bidirectional embeddings and isolates, UAX #9)
 * are closed where the text ends, so that nothing behind it in a line reads otherwise; overrides, which show text that is not
 * there, are left out.
 */
public final class ContainedText {
    private static final char EMBEDS_LTR = '\u202A';
    private static final char EMBEDS_RTL = '\u202B';
    private static final char ENDS_EMBEDDING = '\u202C';
    private static final char OVERRIDES_LTR = '\u202D';
    private static final char OVERRIDES_RTL = '\u202E';
    private static final char ISOLATES_LTR = '\u2066';
    private static final char ISOLATES_RTL = '\u2067';
    private static final char ISOLATES_FIRST = '\u2068';
    private static final char ENDS_ISOLATE = '\u2069';

    private ContainedText() {}

    public static String of(String text) {
        if (text.chars().noneMatch(ContainedText::turns)) {
            return text;
        }
        var contained = new StringBuilder();
        var open = new ArrayDeque<Character>();
        for (char sign : text.toCharArray()) {
            switch (sign) {
                case OVERRIDES_LTR, OVERRIDES_RTL -> {}
                case EMBEDS_LTR, EMBEDS_RTL -> {
                    open.push(ENDS_EMBEDDING);
                    contained.append(sign);
                }
                case ISOLATES_LTR, ISOLATES_RTL, ISOLATES_FIRST -> {
                    open.push(ENDS_ISOLATE);
                    contained.append(sign);
                }
                case ENDS_EMBEDDING -> {
                    if (!open.isEmpty() && open.peek() == ENDS_EMBEDDING) {
                        contained.append(open.pop());
                    }
                }
                case ENDS_ISOLATE -> {
                    // what was opened within an isolate ends with it
                    while (open.contains(ENDS_ISOLATE) && open.peek() != ENDS_ISOLATE) {
                        contained.append(open.pop());
                    }
                    if (!open.isEmpty() && open.peek() == ENDS_ISOLATE) {
                        contained.append(open.pop());
                    }
                }
                default -> contained.append(sign);
            }
        }
        open.forEach(contained::append);
        return contained.toString();
    }

    private static boolean turns(int sign) {
        return sign >= EMBEDS_LTR && sign <= OVERRIDES_RTL || sign >= ISOLATES_LTR && sign <= ENDS_ISOLATE;
    }
}

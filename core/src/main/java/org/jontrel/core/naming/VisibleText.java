package org.jontrel.core.naming;

import java.util.regex.Pattern;

/** Texts of others without what nobody sees, for what stands in definitions. */
public final class VisibleText {
    /** Control characters but for tabs and ends of lines, and halves of characters. */
    private static final Pattern BROKEN = Pattern.compile(
            "[\\p{Cc}&&[^\\n\\t]]|[\\x{D800}-\\x{DBFF}](?![\\x{DC00}-\\x{DFFF}])|(?<![\\x{D800}-\\x{DBFF}])[\\x{DC00}-\\x{DFFF}]");

    /** What turns the direction of text or has no width; joiners are left where scripts need them. */
    private static final Pattern UNSEEN =
            Pattern.compile("[\\u202A-\\u202E\\u2066-\\u2069\\u200B\\u200E\\u200F\\u2060\\u00AD\\u061C\\u180E\\uFEFF]"
                    + "|(?<![\\x{250}-\\x{10FFFF}])[\\u200C\\u200D]|[\\u200C\\u200D](?![\\x{250}-\\x{10FFFF}])");

    private VisibleText() {}

    /** On one line, without anything that is not seen. */
    public static String of(String text) {
        return UNSEEN.matcher(unbroken(text))
                .replaceAll("")
                .replaceAll("[\\n\\t]+", " ")
                .strip();
    }

    /** Without what no text can hold; all else stays, seen or not. */
    public static String unbroken(String text) {
        return isPlain(text) ? text : BROKEN.matcher(text).replaceAll("");
    }

    private static boolean isPlain(String text) {
        for (int i = 0; i < text.length(); i++) {
            char each = text.charAt(i);
            if (each < ' ' && each != '\n' && each != '\t'
                    || each >= 0x7F && each < 0xA0
                    || Character.isSurrogate(each)) {
                return false;
            }
        }
        return true;
    }

    /** The first characters of a text, at most so many {@code char}s; none is cut in two. */
    public static String start(String text, int most) {
        if (text.length() <= most) {
            return text;
        }
        return text.substring(0, Character.isHighSurrogate(text.charAt(most - 1)) ? most - 1 : most);
    }
}

package org.jontrel.core.generate.java;

import java.util.Set;
import org.jontrel.core.generate.api.CodeText;

/** What names and texts may be in Java. */
final class JavaNames {
    /** Words of the language, which name nothing. */
    private static final Set<String> WORDS = Set.of(
            ("abstract assert boolean break byte case catch char class const continue default do double else enum extends"
                            + " false final finally float for goto if implements import instanceof int interface long native new"
                            + " null package private protected public return short static strictfp super switch synchronized"
                            + " this throw throws transient true try void volatile while yield")
                    .split(" "));
    /** What no component of a record may be called, and what all that is stored has. */
    private static final Set<String> COMPONENTS = Set.of(
            ("clone finalize getClass hashCode notify notifyAll toString wait equals id slug url parent state publishAt retireAt"
                            + " updatedAt json read value entries at")
                    .split(" "));
    /** Types that the code uses by their simple names. */
    static final Set<String> TYPES = Set.of(
            ("BigDecimal Boolean Client Enum Function Instant Linked List LocalDate LocalDateTime LocalTime Long Map Object"
                            + " Optional Override Record Records Single Site Stored String Terms Values Written Number Integer"
                            + " Error Exception Math System Thread Iterable Void Class Deprecated Module Package Process Runtime")
                    .split(" "));

    private JavaNames() {}

    static Set<String> members() {
        var all = new java.util.HashSet<>(WORDS);
        all.addAll(COMPONENTS);
        return all;
    }

    /** A package for the code of a model: its name, without what no package's name has. */
    static String packageOf(String name) {
        var plain = name.toLowerCase(java.util.Locale.ROOT).replaceAll("[^a-z0-9]", "");
        boolean odd =
                plain.isEmpty() || Character.isDigit(plain.charAt(0)) || WORDS.contains(plain) || plain.equals("java");
        return odd ? "site" + plain : plain;
    }

    /** A label within a comment: nothing in it ends the comment or is an escape. */
    static String comment(String label) {
        return CodeText.line(label)
                .replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace("@", "&#64;")
                .replace("*/", "*&#47;")
                .replace("\\", "&#92;");
    }

    static String quoted(String text) {
        return "\"" + text.replace("\\", "\\\\").replace("\"", "\\\"") + "\"";
    }
}

package org.jontrel.core.naming;

import java.text.Normalizer;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;

/** The rules for keys and paths, and how both derive from a label. */
public final class Keys {
    public static final int LONGEST = 40;
    private static final int LONGEST_PACKAGE = 64;

    /** The form of a package's name, as a regular expression. */
    public static final String PACKAGE_NAME = "[a-z][a-z0-9]*(-[a-z0-9]+)*";

    private static final Pattern PACKAGE = Pattern.compile(PACKAGE_NAME);
    private static final Pattern KEY = Pattern.compile("[a-z][a-z0-9]*(_[a-z0-9]+)*");
    private static final Pattern PATH = Pattern.compile("[a-z0-9]+(-[a-z0-9]+)*");

    /** Accents that stand behind their letter, and apostrophes. */
    private static final Pattern SILENT = Pattern.compile("[\\p{M}'’]+");

    private static final Pattern OTHER = Pattern.compile("[^a-z0-9]+");

    /** Path segments that the public site uses for itself. */
    public static final Set<String> RESERVED_PATHS = Set.of("media", "api", "assets", "search", "feed");

    /** What keys of content types may not begin with. */
    public static final String RESERVED_KEY = "jontrel";

    private Keys() {}

    /** {@code lower_snake_case} from a letter on, at most 40 characters, no doubled or trailing underscore. */
    public static boolean isKey(String text) {
        return text.length() <= LONGEST && KEY.matcher(text).matches();
    }

    /** {@code kebab-case}, at most 40 characters. */
    public static boolean isPath(String text) {
        return text.length() <= LONGEST && PATH.matcher(text).matches();
    }

    /** {@code kebab-case} from a letter on, at most 64 characters: what a package may be called. */
    public static boolean isPackageName(String text) {
        return text.length() <= LONGEST_PACKAGE && PACKAGE.matcher(text).matches();
    }

    /** The name of a package for any words: "Tessel Waters" gives {@code tessel-waters}; never empty. */
    public static String packageName(String text) {
        var name = words(text, "-").replaceFirst("^[0-9-]+", "");
        return name.isEmpty() ? "model" : name.substring(0, Math.min(LONGEST_PACKAGE, name.length()));
    }

    /** The key for a label: "Rise of the lock" gives {@code rise_of_the_lock}; never empty. */
    public static String fromLabel(String label) {
        var key = words(label, "_");
        if (key.isEmpty() || !Character.isLetter(key.charAt(0))) {
            key = key.isEmpty() ? "field" : "n_" + key;
        }
        return cut(key, '_');
    }

    /** The path for a noun: "Stoppage notices" gives {@code stoppage-notices}; never empty. */
    public static String pathFrom(String plural) {
        var path = cut(words(plural, "-"), '-');
        return path.isEmpty() ? "records" : path;
    }

    /** The key, or the key with the first free number behind it. */
    public static String free(String key, Set<String> taken) {
        var free = key;
        for (int n = 2; taken.contains(free); n++) {
            var tail = "_" + n;
            free = key.substring(0, Math.min(key.length(), LONGEST - tail.length())) + tail;
        }
        return free;
    }

    private static String words(String text, String joint) {
        var folded = Normalizer.normalize(
                        text.toLowerCase(Locale.ROOT)
                                .replace("ß", "ss")
                                .replace("æ", "ae")
                                .replace("ø", "o")
                                .replace("ł", "l"),
                        Normalizer.Form.NFKD)
                .toLowerCase(Locale.ROOT);
        var bare = SILENT.matcher(folded).replaceAll("");
        var joined = OTHER.matcher(bare).replaceAll(joint);
        int from = joined.startsWith(joint) ? joint.length() : 0;
        int to = joined.endsWith(joint) ? joined.length() - joint.length() : joined.length();
        return from < to ? joined.substring(from, to) : "";
    }

    private static String cut(String text, char joint) {
        if (text.length() <= LONGEST) {
            return text;
        }
        int end = text.lastIndexOf(joint, LONGEST);
        return text.substring(0, end > 0 ? end : LONGEST);
    }
}

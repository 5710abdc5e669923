package org.jontrel.core.naming;

import java.security.SecureRandom;
import java.util.random.RandomGenerator;
import java.util.regex.Pattern;

/** Makes the ids that definitions keep for life: a letter for what it is, then eight of 36 signs (41 bits). */
public final class Ids {
    private static final String SIGNS = "abcdefghijklmnopqrstuvwxyz0123456789";
    private static final Pattern ID = Pattern.compile("[a-z][a-z0-9]{2,19}");
    private final RandomGenerator random;

    public Ids(RandomGenerator random) {
        this.random = random;
    }

    public static Ids secure() {
        return new Ids(new SecureRandom());
    }

    public static boolean isId(String text) {
        return ID.matcher(text).matches();
    }

    /** A new id that begins with the given small letter. */
    public String next(char first) {
        var id = new StringBuilder(9).append(first);
        for (int i = 0; i < 8; i++) {
            id.append(SIGNS.charAt(random.nextInt(SIGNS.length())));
        }
        return id.toString();
    }
}

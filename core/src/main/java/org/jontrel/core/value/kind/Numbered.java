package org.jontrel.core.value.kind;

import java.util.Optional;
import java.util.regex.Pattern;

/** Numbers of records, terms, rows and files, as texts. */
public final class Numbered {
    private static final Pattern NUMBER = Pattern.compile("[1-9][0-9]{0,17}");

    private Numbered() {}

    public static Optional<Long> of(String text) {
        return NUMBER.matcher(text).matches() ? Optional.of(Long.valueOf(text)) : Optional.empty();
    }
}

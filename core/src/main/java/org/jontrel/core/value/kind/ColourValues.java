package org.jontrel.core.value.kind;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jontrel.core.finding.Code;

/** Colours as CSS writes them in hexadecimal, {@code #1d5a6b}; small letters, short forms written out. */
record ColourValues() implements KindValues {
    private static final Pattern LONG = Pattern.compile("#[0-9a-f]{6}");
    private static final Pattern SHORT = Pattern.compile("#[0-9a-f]{3}");

    @Override
    public KindValues.ReadValue read(Object raw, Where where) {
        return readText(raw, Code.VALUE_NOT_COLOUR, where);
    }

    @Override
    public Object wire(Object value) {
        return value.toString();
    }

    @Override
    public Optional<Object> fromText(String text) {
        var small = text.toLowerCase(Locale.ROOT);
        if (SHORT.matcher(small).matches()) {
            return Optional.of(small.replaceAll("([0-9a-f])", "$1$1"));
        }
        return LONG.matcher(small).matches() ? Optional.of(small) : Optional.empty();
    }
}

package org.jontrel.core.value.kind;

import java.util.Optional;
import java.util.regex.Pattern;
import org.jontrel.core.finding.Code;

/** Numbers as people write them: digits (at least three) with a plus in front and spaces, dots, hyphens, slashes and brackets between. */
record PhoneValues() implements KindValues {
    private static final Pattern NUMBER = Pattern.compile("[+]?[0-9()][0-9 ()./-]{1,38}[0-9)]");
    private static final int FEWEST_DIGITS = 3;

    @Override
    public KindValues.ReadValue read(Object raw, Where where) {
        return readText(raw, Code.VALUE_NOT_PHONE, where);
    }

    @Override
    public Object wire(Object value) {
        return value.toString();
    }

    @Override
    public Optional<Object> fromText(String text) {
        boolean digits = text.chars().filter(Character::isDigit).count() >= FEWEST_DIGITS;
        return digits && NUMBER.matcher(text).matches() ? Optional.of(text) : Optional.empty();
    }
}

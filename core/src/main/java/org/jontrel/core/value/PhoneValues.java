package org.jontrel.core.value;

import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;

/** Numbers as people write them: digits (at least three) with a plus in front and spaces, dots, hyphens, slashes and brackets between. */
record PhoneValues() implements KindValues {
    private static final Pattern NUMBER = Pattern.compile("[+]?[0-9()][0-9 ()./-]{1,38}[0-9)]");
    private static final int FEWEST_DIGITS = 3;

    @Override
    public Read read(Object raw, Where where) {
        return fromText(String.valueOf(raw).strip())
                .map(Read::of)
                .orElseGet(() -> Read.not(where.finding(Code.VALUE_NOT_PHONE, raw)));
    }

    @Override
    public List<Finding> check(Object value, Where where) {
        return List.of();
    }

    @Override
    public String show(Object value) {
        return value.toString();
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

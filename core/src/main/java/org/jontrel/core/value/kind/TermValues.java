package org.jontrel.core.value.kind;

import java.util.Optional;
import org.jontrel.core.finding.Code;

/** The value is the number of a site's term, or the key of a starter term; whether the taxonomy has it, the site knows. */
record TermValues() implements KindValues {
    @Override
    public KindValues.ReadValue read(Object raw, Where where) {
        return readText(raw, Code.VALUE_NOT_TERM, where);
    }

    @Override
    public String show(Object value) {
        return String.valueOf(value);
    }

    @Override
    public Object wire(Object value) {
        return value;
    }

    @Override
    public Optional<Object> fromText(String text) {
        if (text.matches("[1-9][0-9]{0,17}")) {
            return Optional.of(Long.valueOf(text));
        }
        return text.matches("[a-z0-9_]{1,64}") ? Optional.of(text) : Optional.empty();
    }
}

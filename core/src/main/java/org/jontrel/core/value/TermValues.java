package org.jontrel.core.value;

import java.util.Optional;
import org.jontrel.core.finding.Code;

/** The value is the id or key of a term; whether the taxonomy has it, the site knows. */
record TermValues() implements KindValues {
    @Override
    public Read read(Object raw, Where where) {
        return readText(raw, Code.VALUE_NOT_TERM, where);
    }

    @Override
    public Object wire(Object value) {
        return value;
    }

    @Override
    public Optional<Object> fromText(String text) {
        return text.matches("[a-z0-9_]{1,64}") ? Optional.of(text) : Optional.empty();
    }
}

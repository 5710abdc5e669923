package org.jontrel.core.value.kind;

import java.util.Optional;
import org.jontrel.core.finding.Code;

/** Kinds whose values are no single word: none can be given as text. */
record WholeValues() implements KindValues {
    @Override
    public KindValues.ReadValue read(Object raw, Where where) {
        return KindValues.ReadValue.not(where.finding(Code.VALUE_NOT_SINGLE));
    }

    @Override
    public Object wire(Object value) {
        return value;
    }

    @Override
    public Optional<Object> fromText(String text) {
        return Optional.empty();
    }
}

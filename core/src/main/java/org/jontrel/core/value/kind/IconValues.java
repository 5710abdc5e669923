package org.jontrel.core.value.kind;

import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.naming.Keys;

/** Names of icons, {@code kebab-case}. */
record IconValues() implements KindValues {
    @Override
    public KindValues.ReadValue read(Object raw, Where where) {
        return readText(raw, Code.VALUE_NOT_ICON, where);
    }

    @Override
    public Object wire(Object value) {
        return value;
    }

    @Override
    public Optional<Object> fromText(String text) {
        return Keys.isPath(text) ? Optional.of(text) : Optional.empty();
    }
}

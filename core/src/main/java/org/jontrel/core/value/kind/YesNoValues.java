package org.jontrel.core.value.kind;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Kind;

record YesNoValues(Kind.YesNo kind) implements KindValues {
    @Override
    public KindValues.ReadValue read(Object raw, Where where) {
        var value = raw instanceof Boolean
                ? Optional.of(raw)
                : fromText(String.valueOf(raw).strip());
        return value.map(KindValues.ReadValue::of)
                .orElseGet(() -> KindValues.ReadValue.not(where.finding(Code.VALUE_NOT_YES_NO, raw)));
    }

    @Override
    public String show(Object value) {
        return (Boolean) value ? kind.yes() : kind.no();
    }

    @Override
    public Object wire(Object value) {
        return value;
    }

    @Override
    public Optional<Object> fromText(String text) {
        var word = text.toLowerCase(Locale.ROOT);
        if (List.of("true", "yes", "1", kind.yes().toLowerCase(Locale.ROOT)).contains(word)) {
            return Optional.of(true);
        }
        return List.of("false", "no", "0", kind.no().toLowerCase(Locale.ROOT)).contains(word)
                ? Optional.of(false)
                : Optional.empty();
    }
}

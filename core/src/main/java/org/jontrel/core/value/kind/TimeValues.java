package org.jontrel.core.value.kind;

import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Kind;

/** Times of day as in ISO 8601, {@code 09:30} or {@code 09:30:15}. */
record TimeValues(Kind.Time kind) implements KindValues {
    @Override
    public KindValues.ReadValue read(Object raw, Where where) {
        return readText(raw, Code.VALUE_NOT_TIME, where);
    }

    @Override
    public List<Finding> check(Object value, Where where) {
        return where.between((LocalTime) value, kind.earliest(), kind.latest());
    }

    @Override
    public Object wire(Object value) {
        return value.toString();
    }

    @Override
    public Optional<Object> fromText(String text) {
        try {
            return text.length() == 5 || text.length() == 8 ? Optional.of(LocalTime.parse(text)) : Optional.empty();
        } catch (DateTimeParseException _) {
            return Optional.empty();
        }
    }
}

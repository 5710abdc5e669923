package org.jontrel.core.value.kind;

import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Kind;

/** Moments in UTC as in ISO 8601 without a zone, to the second: {@code 2026-05-31T09:30}. */
record DateTimeValues(Kind.DateTime kind) implements KindValues {
    private static final int LAST_YEAR = 9999;

    @Override
    public KindValues.ReadValue read(Object raw, Where where) {
        return readText(raw, Code.VALUE_NOT_MOMENT, where);
    }

    @Override
    public List<Finding> check(Object value, Where where) {
        return where.between((LocalDateTime) value, kind.earliest(), kind.latest());
    }

    @Override
    public Object wire(Object value) {
        return value.toString();
    }

    @Override
    public Optional<Object> fromText(String text) {
        try {
            var moment = LocalDateTime.parse(text);
            return moment.getYear() >= 0 && moment.getYear() <= LAST_YEAR && moment.getNano() == 0
                    ? Optional.of(moment)
                    : Optional.empty();
        } catch (DateTimeParseException _) {
            return Optional.empty();
        }
    }
}

package org.jontrel.core.value.kind;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Kind;

/** Days of the ISO calendar, years 1 to 9999; read and carried as in ISO 8601. */
record DateValues(Kind.Date kind) implements KindValues {
    private static final DateTimeFormatter SHOWN = DateTimeFormatter.ofPattern("d MMMM uuuu", Locale.ENGLISH);
    private static final LocalDate FIRST = LocalDate.of(1, 1, 1);
    private static final LocalDate LAST = LocalDate.of(9999, 12, 31);

    @Override
    public KindValues.ReadValue read(Object raw, Where where) {
        return readText(raw, Code.VALUE_NOT_DATE, where);
    }

    @Override
    public List<Finding> check(Object value, Where where) {
        return where.between(
                (LocalDate) value,
                kind.earliest() == null ? FIRST : kind.earliest(),
                kind.latest() == null ? LAST : kind.latest());
    }

    @Override
    public String show(Object value) {
        return SHOWN.format((LocalDate) value);
    }

    @Override
    public Object wire(Object value) {
        return value.toString();
    }

    @Override
    public Optional<Object> fromText(String text) {
        try {
            return text.length() == 10 ? Optional.of(LocalDate.parse(text)) : Optional.empty();
        } catch (DateTimeParseException _) {
            return Optional.empty();
        }
    }
}

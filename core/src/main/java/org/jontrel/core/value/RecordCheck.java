package org.jontrel.core.value;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;

/** Whether a record satisfies its type. The one place where this is decided, for forms, the API and runs alike. */
public final class RecordCheck {
    private RecordCheck() {}

    /**
     * What was sent, as values.
     *
     * @param values by field id; empty ones are left out
     * @param findings what cannot be stored, or breaks a limit
     * @param missing required fields without a value: a draft may have them, a published record not
     */
    public record Checked(Map<String, Object> values, List<Finding> findings, List<Finding> missing) {}

    /** Reads and checks what a form or the API sent, by field key. */
    public static Checked read(ContentType type, Map<String, ?> raw) {
        var values = new LinkedHashMap<String, Object>();
        var findings = new ArrayList<Finding>();
        var keys = type.allFields().map(Field::key).toList();
        raw.keySet().stream()
                .filter(key -> !keys.contains(key))
                .forEach(key -> findings.add(Finding.of(
                        Code.VALUE_FIELD_UNKNOWN,
                        Place.definition(type.id(), key),
                        key,
                        type.singular(),
                        Nearest.hint(key, keys))));
        type.allFields().forEach(field -> {
            var sent = raw.get(field.key());
            if (sent == null || sent instanceof String text && text.isBlank()) {
                return;
            }
            var read = Values.of(field.kind()).read(sent, Values.where(field));
            read.finding().ifPresent(findings::add);
            read.value().ifPresent(value -> values.put(field.id(), value));
        });
        findings.addAll(limits(type, values));
        return new Checked(values, findings, missing(type, values));
    }

    /** Whether stored values satisfy the type, with everything required. */
    public static boolean complete(ContentType type, Map<String, Object> values) {
        return limits(type, values).isEmpty() && missing(type, values).isEmpty();
    }

    /** Everything that keeps a stored record from satisfying its type. */
    public static List<Finding> problems(ContentType type, Map<String, Object> values) {
        var all = new ArrayList<>(limits(type, values));
        all.addAll(missing(type, values));
        return all;
    }

    private static List<Finding> limits(ContentType type, Map<String, Object> values) {
        return type.allFields()
                .flatMap(field -> Optional.ofNullable(values.get(field.id()))
                        .map(value -> Values.of(field.kind()).check(value, Values.where(field)))
                        .orElse(List.of())
                        .stream())
                .toList();
    }

    private static List<Finding> missing(ContentType type, Map<String, Object> values) {
        return type.allFields()
                .filter(Field::required)
                .filter(field -> values.get(field.id()) == null)
                .map(field -> Values.where(field).finding(Code.VALUE_REQUIRED))
                .toList();
    }
}

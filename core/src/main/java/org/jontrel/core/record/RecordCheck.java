package org.jontrel.core.record;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.recordtype.RecordType;

/** Whether a record satisfies its definition. The one place where this is decided, for forms, the API and runs alike. */
public final class RecordCheck {
    private RecordCheck() {}

    /**
     * What was sent, as values.
     *
     * @param values by field id; empty ones are left out
     * @param problems in the order of the form
     * @param hidden paths of fields, and ids of groups, that their conditions hide
     */
    public record CheckedRecord(Map<String, Object> values, List<FormCheck.Problem> problems, Set<String> hidden) {
        /** What cannot be stored, or breaks a limit. */
        public List<Finding> findings() {
            return problems.stream()
                    .filter(problem -> !problem.required())
                    .map(FormCheck.Problem::finding)
                    .toList();
        }

        /** Required fields without a value: a draft may have them, a published record not. */
        public List<Finding> missing() {
            return problems.stream()
                    .filter(FormCheck.Problem::required)
                    .map(FormCheck.Problem::finding)
                    .toList();
        }

        public boolean complete() {
            return problems.isEmpty();
        }
    }

    /** Reads and checks what a form or the API sent, by field key; a key that no field has is a problem. */
    public static CheckedRecord read(RecordType recordType, Map<String, ?> raw, Surroundings around) {
        var fields = recordType.fields().toList();
        var problems = new ArrayList<FormCheck.Problem>();
        unknown(recordType, fields, raw, "", problems);
        var values = new FormReader(false).read(fields, raw);
        var checked = FormCheck.values(recordType.first(), recordType.groups(), values, around);
        problems.addAll(checked.problems());
        return new CheckedRecord(Storable.only(fields, FormReader.readable(values)), problems, checked.hidden());
    }

    /** Whether stored values satisfy their definition, with everything required. */
    public static CheckedRecord check(RecordType recordType, Map<String, Object> values, Surroundings around) {
        var checked = FormCheck.values(recordType.first(), recordType.groups(), values, around);
        return new CheckedRecord(values, checked.problems(), checked.hidden());
    }

    private static void unknown(
            RecordType recordType,
            List<Field> fields,
            Map<String, ?> raw,
            String before,
            List<FormCheck.Problem> problems) {
        var keys = fields.stream().map(Field::key).toList();
        raw.keySet().stream()
                .filter(key -> !keys.contains(key) && !(key.equals(FormReader.ROW) && !before.isEmpty()))
                .forEach(key -> problems.add(new FormCheck.Problem(
                        before + key,
                        false,
                        Finding.of(
                                Code.VALUE_FIELD_UNKNOWN,
                                Place.definition(recordType.id(), key),
                                key,
                                recordType.singular(),
                                Nearest.hint(key, keys)))));
        for (var field : fields.stream().filter(each -> !each.inner().isEmpty()).toList()) {
            var path = before + field.key() + ".";
            switch (raw.get(field.key())) {
                case Map<?, ?> group -> unknown(recordType, field.inner(), FormReader.map(group), path, problems);
                case List<?> rows -> {
                    for (int i = 0; i < rows.size(); i++) {
                        unknown(recordType, field.inner(), FormReader.map(rows.get(i)), path + i + ".", problems);
                    }
                }
                case null, default -> {}
            }
        }
    }
}

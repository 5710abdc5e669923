package org.jontrel.site.record;

import java.util.List;
import java.util.Map;
import java.util.StringJoiner;
import org.jontrel.core.holder.Holder;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.Row;
import org.jontrel.core.value.Values;

/** The words of a record that searching finds. */
final class Words {
    private static final int LONGEST = 200_000;

    private Words() {}

    static String of(Holder holder, Map<String, Object> values) {
        var words = new StringJoiner("\n");
        add(holder.fields().toList(), values, words);
        var all = words.toString();
        return all.length() > LONGEST ? all.substring(0, LONGEST) : all;
    }

    @SuppressWarnings("unchecked") // groups are maps by field id
    private static void add(List<Field> fields, Map<String, Object> values, StringJoiner words) {
        for (var field : fields) {
            var value = values.get(field.id());
            if (value == null) {
                continue;
            }
            switch (field.kind()) {
                case Kind.FieldGroup group -> add(group.fields(), (Map<String, Object>) value, words);
                case Kind.Repeater rows -> ((List<Row>) value).forEach(row -> add(rows.fields(), row.values(), words));
                case Kind.Text _,
                        Kind.LongText _,
                        Kind.RichText _,
                        Kind.Email _,
                        Kind.Phone _,
                        Kind.Url _,
                        Kind.Choice _ -> words.add(Values.show(field.kind(), value));
                default -> {}
            }
        }
    }

    static void store(Statements statements, String holderId, long record, String words) {
        statements.add(
                "INSERT INTO jontrel_text (holder_id, record_id, words) VALUES (?, ?, ?)"
                        + " ON DUPLICATE KEY UPDATE words = VALUES(words)",
                holderId,
                record,
                words);
    }
}

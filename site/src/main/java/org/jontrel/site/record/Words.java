package org.jontrel.site.record;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.StringJoiner;
import org.jontrel.core.holder.Holder;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.Row;
import org.jontrel.core.value.Values;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Names;

/** The words of a record that searching finds. */
public final class Words {
    private static final int LONGEST = 200_000;
    private static final int CHUNK = 500;

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

    /** What gives a record its words: where this is the same, so are the words of its values. */
    public static Map<String, Kind> sources(Holder holder) {
        var sources = new LinkedHashMap<String, Kind>();
        holder.byId().forEach((id, field) -> {
            switch (field.kind()) {
                case Kind.Text _,
                        Kind.LongText _,
                        Kind.RichText _,
                        Kind.Email _,
                        Kind.Phone _,
                        Kind.Url _,
                        Kind.Choice _ -> sources.put(id, field.kind());
                default -> {}
            }
        });
        return sources;
    }

    /**
     * Brings the words of some records up to date, for definitions that have changed; of a record that is saved meanwhile,
     * those of the save stay.
     *
     * @param after id of the record before the first
     * @return id of the last record; empty where there are no more
     */
    public static OptionalLong renew(Connection connection, Binding.Table table, long after) throws SQLException {
        var records = new Loader(table, sources(table.holder()).keySet()).after(connection, after, CHUNK);
        var statements = new Statements();
        var name = Names.quoted(table.name());
        for (var record : records) {
            if (!record.deleted()) {
                statements.add(
                        "INSERT INTO jontrel_text (holder_id, record_id, words) SELECT ?, id, ? FROM " + name
                                + " WHERE id = ? AND version = ? ON DUPLICATE KEY UPDATE words = VALUES(words)",
                        table.holder().id(),
                        of(table.holder(), record.values()),
                        record.id(),
                        record.version());
            }
        }
        statements.run(connection);
        return records.isEmpty()
                ? OptionalLong.empty()
                : OptionalLong.of(records.getLast().id());
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

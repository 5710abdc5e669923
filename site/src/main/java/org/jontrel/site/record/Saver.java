package org.jontrel.site.record;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.holder.Holder;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.Link;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Names;

/**
 * Puts the values of one record into its tables. Rows that were there are changed in place, so that what runs hold beside
 * them stays with them.
 */
final class Saver {
    private final Binding.Table table;
    private final Holder holder;

    Saver(Binding.Table table) {
        this.table = table;
        this.holder = table.holder();
    }

    /** The columns of the record's own table that hold fields. */
    List<Field> columns() {
        return holder.columns("").stream()
                .filter(field -> table.own().columns().containsKey(field.id()))
                .toList();
    }

    String quoted(Field field) {
        return Names.quoted(table.own().columns().get(field.id()));
    }

    /** What changed between two states of the fields' own tables. */
    void entries(Connection connection, long record, Flat before, Flat after) throws SQLException {
        for (var place : table.fields().entrySet()) {
            var field = holder.field(place.getKey());
            if (field.isEmpty()) {
                continue;
            }
            var was = before.entries().getOrDefault(place.getKey(), List.of());
            var is = after.entries().getOrDefault(place.getKey(), List.of());
            if (was.equals(is)) {
                continue;
            }
            switch (field.get().kind()) {
                case Kind.Repeater _ -> rows(connection, record, field.get(), place.getValue(), was, is);
                case Kind.Relation relation -> links(connection, record, relation, place.getValue(), was, is);
                case Kind.TermPick _ -> terms(connection, record, place.getValue(), was, is);
                default -> several(connection, record, field.get(), place.getValue(), was, is);
            }
        }
    }

    private void rows(
            Connection connection,
            long record,
            Field field,
            Binding.Place place,
            List<Flat.Entry> was,
            List<Flat.Entry> is)
            throws SQLException {
        var columns = holder.columns(field.id()).stream()
                .filter(each -> place.columns().containsKey(each.id()))
                .toList();
        var names = columns.stream()
                .map(each -> Names.quoted(place.columns().get(each.id())))
                .toList();
        var name = Names.quoted(place.name());
        var known = new HashMap<Long, Flat.Entry>();
        was.forEach(entry -> known.put(entry.id(), entry));
        var inserts = new ArrayList<List<Object>>();
        var updates = new ArrayList<List<Object>>();
        for (var entry : is) {
            var before = known.remove(entry.id());
            var cells = new ArrayList<Object>(List.of(entry.row(), entry.position()));
            columns.forEach(each -> cells.add(entry.columns().get(each.id())));
            cells.add(record);
            cells.add(entry.id());
            if (before == null) {
                inserts.add(cells);
            } else if (!before.equals(entry)) {
                updates.add(cells);
            }
        }
        var deletes =
                known.keySet().stream().map(id -> List.<Object>of(record, id)).toList();
        Jdbc.batch(connection, "DELETE FROM " + name + " WHERE record_id = ? AND id = ?", deletes);
        var all = Stream.concat(Stream.of("row_id", "position"), names.stream()).toList();
        Jdbc.batch(
                connection,
                "UPDATE " + name + " SET "
                        + all.stream().map(each -> each + " = ?").collect(Collectors.joining(", "))
                        + " WHERE record_id = ? AND id = ?",
                updates);
        Jdbc.batch(
                connection,
                "INSERT INTO " + name + " (" + String.join(", ", all) + ", record_id, id) VALUES ("
                        + Jdbc.marks(all.size() + 2) + ")",
                inserts);
    }

    /** A link that leads both ways is kept once, from whichever end it was made. */
    private static void links(
            Connection connection,
            long record,
            Kind.Relation relation,
            Binding.Place place,
            List<Flat.Entry> was,
            List<Flat.Entry> is)
            throws SQLException {
        var name = Names.quoted(place.name());
        var delete = "DELETE FROM " + name + " WHERE record_id = ? AND row_id = ? AND target_id = ?";
        var gone = gone(was, is, entry -> ((Link) entry.payload()).id());
        Jdbc.batch(
                connection, delete, gone.stream().map(key -> with(record, key)).toList());
        if (relation.symmetric()) {
            Jdbc.batch(
                    connection,
                    "DELETE FROM " + name + " WHERE target_id = ? AND row_id = ? AND record_id = ?",
                    gone.stream().map(key -> with(record, key)).toList());
        }
        var known = was.stream().map(entry -> ((Link) entry.payload()).id()).toList();
        Jdbc.batch(
                connection,
                "INSERT INTO " + name + " (record_id, row_id, target_id, target_type, position) VALUES (?, ?, ?, ?, ?)"
                        + " ON DUPLICATE KEY UPDATE position = VALUES(position)",
                is.stream()
                        .filter(entry -> !relation.symmetric() || !known.contains(((Link) entry.payload()).id()))
                        .map(entry -> {
                            var link = (Link) entry.payload();
                            return List.<Object>of(record, entry.row(), link.id(), link.type(), entry.position());
                        })
                        .toList());
    }

    private static void terms(
            Connection connection, long record, Binding.Place place, List<Flat.Entry> was, List<Flat.Entry> is)
            throws SQLException {
        var name = Names.quoted(place.name());
        Jdbc.batch(
                connection,
                "DELETE FROM " + name + " WHERE record_id = ? AND row_id = ? AND term_id = ?",
                gone(was, is, entry -> (Long) entry.payload()).stream()
                        .map(key -> with(record, key))
                        .toList());
        Jdbc.batch(
                connection,
                "INSERT INTO " + name + " (record_id, row_id, term_id, position) VALUES (?, ?, ?, ?)"
                        + " ON DUPLICATE KEY UPDATE position = VALUES(position)",
                is.stream()
                        .map(entry -> List.of(record, entry.row(), entry.payload(), entry.position()))
                        .toList());
    }

    private static void several(
            Connection connection,
            long record,
            Field field,
            Binding.Place place,
            List<Flat.Entry> was,
            List<Flat.Entry> is)
            throws SQLException {
        var name = Names.quoted(place.name());
        var value = Names.quoted(place.columns().get(field.id()));
        Jdbc.batch(
                connection,
                "DELETE FROM " + name + " WHERE record_id = ? AND row_id = ? AND position = ?",
                gone(was, is, entry -> (long) entry.position()).stream()
                        .map(key -> with(record, key))
                        .toList());
        Jdbc.batch(
                connection,
                "INSERT INTO " + name + " (record_id, row_id, position, " + value + ") VALUES (?, ?, ?, ?)"
                        + " ON DUPLICATE KEY UPDATE " + value + " = VALUES(" + value + ")",
                is.stream()
                        .map(entry -> List.of(record, entry.row(), entry.position(), entry.payload()))
                        .toList());
    }

    private interface Key {
        long of(Flat.Entry entry);
    }

    private static List<Object> with(long record, List<Long> key) {
        return List.of(record, key.get(0), key.get(1));
    }

    /** Row and key of the entries that are there no more. */
    private static List<List<Long>> gone(List<Flat.Entry> was, List<Flat.Entry> is, Key key) {
        var kept = is.stream().map(entry -> List.of(entry.row(), key.of(entry))).collect(Collectors.toSet());
        return was.stream()
                .map(entry -> List.of(entry.row(), key.of(entry)))
                .filter(each -> !kept.contains(each))
                .toList();
    }

    /** Whether two states of the record's own columns are the same. */
    boolean sameColumns(Flat a, Flat b) {
        return columns().stream()
                .allMatch(field ->
                        Objects.equals(a.columns().get(field.id()), b.columns().get(field.id())));
    }

    Map<String, Binding.Place> places() {
        return table.fields();
    }
}

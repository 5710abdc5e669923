package org.jontrel.site.run;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.ibatis.session.SqlSession;
import org.jontrel.core.model.Field;
import org.jontrel.site.drift.FoundColumns;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.Schema;

/** Held values as they stand in tables. */
final class HeldRows {
    private HeldRows() {}

    static Held held(
            SqlSession session,
            Binding binding,
            HeldPlace place,
            HeldSizes sizes,
            Set<Long> undoable,
            Map<String, String> marks)
            throws SQLException {
        var from = origin(session, place);
        var size = sizes.of(place);
        return new Held(
                place.name(),
                place.runId(),
                from.before(),
                from.after(),
                HeldValues.instant(from.at()),
                from.by(),
                place.recordType().id(),
                place.recordType().plural(),
                place.fieldId(),
                place.field().map(Field::label).orElse(""),
                place.field().map(field -> field.kind().code()).orElse(""),
                size.values(),
                size.bytes(),
                undoable.contains(place.runId()),
                way(session.getConnection(), binding, place, marks));
    }

    /** Between which releases something was taken out of use, when and by whom. */
    private record HeldSince(String before, String after, LocalDateTime at, String by) {}

    private static HeldSince origin(SqlSession session, HeldPlace place) throws SQLException {
        if (place.runId() == 0) {
            return new FoundColumns(session.getConnection())
                    .find(place.name())
                    .map(each -> new HeldSince(each.version(), each.version(), each.at(), each.by()))
                    .orElseThrow();
        }
        var run = session.getMapper(JournalMapper.class).brief(place.runId());
        return new HeldSince(run.fromVersion(), run.toVersion(), run.finishedAt(), run.byWhom());
    }

    static Held.ReturnWay way(Connection connection, Binding binding, HeldPlace place, Map<String, String> marks)
            throws SQLException {
        var table = binding.table(place.recordType().id());
        if (table.isEmpty()) {
            return Held.ReturnWay.NO_DEFINITION;
        }
        if (!place.fieldId().isEmpty()
                && table.get().recordType().field(place.fieldId()).isEmpty()) {
            return Held.ReturnWay.NO_FIELD;
        }
        return place.binding(connection, marks).isPresent() ? Held.ReturnWay.OPEN : Held.ReturnWay.NO_RECORDS;
    }

    static Optional<HeldValues.HeldSlice> read(
            Connection connection, String name, long after, int most, boolean lacking) throws SQLException {
        var place = HeldPlace.find(connection, name);
        if (place.isEmpty()) {
            return Optional.empty();
        }
        var wanted = place.get().wanted();
        var fields = place.get()
                .recordType()
                .fields()
                .filter(field -> wanted.contains(field.id()))
                .toList();
        var table = place.get().binding(connection, Schema.inUse(connection));
        if (table.isEmpty()) {
            return Optional.of(
                    new HeldValues.HeldSlice(place.get().recordType(), fields, List.of(), Map.of(), Optional.empty()));
        }
        var ids = ids(connection, place.get(), after, most + 1, lacking);
        var some = ids.stream().limit(most).toList();
        var found = new RecordLoader(table.get(), wanted).byIds(connection, some);
        return Optional.of(new HeldValues.HeldSlice(
                place.get().recordType(),
                fields,
                found,
                Map.of(),
                ids.size() > most ? Optional.of(some.getLast()) : Optional.empty()));
    }

    static List<Long> ids(Connection connection, HeldPlace place, long after, int most, boolean lacking)
            throws SQLException {
        boolean own =
                place.fieldId().isEmpty() || place.isColumn() && place.home().isEmpty();
        var id = own ? "id" : "record_id";
        var table = place.isColumn()
                ? place.table()
                : place.tables().get(PhysicalNames.mark(place.recordType().id(), place.fieldId()));
        var filled = place.isColumn() ? PhysicalNames.quoted(place.column()) + " IS NOT NULL AND " : "";
        var present = lacking && place.isColumn()
                ? Schema.columnOf(Schema.columns(connection, table), place.fieldId())
                : Optional.<String>empty();
        if (present.isPresent()) {
            filled += PhysicalNames.quoted(present.get()) + " IS NULL AND ";
        }
        var sql = "SELECT DISTINCT " + id + " FROM " + PhysicalNames.quoted(table) + " WHERE " + filled + id
                + " > ? ORDER BY " + id + " LIMIT " + most;
        return Jdbc.query(connection, sql, row -> row.getLong(1), after);
    }
}

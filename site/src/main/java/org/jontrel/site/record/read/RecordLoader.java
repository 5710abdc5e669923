package org.jontrel.site.record.read;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.Row;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.ColumnValues;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/**
 * Records of one record type out of their tables: one statement for the records' own table, one for each table of a field,
 * however many records and rows there are.
 */
public final class RecordLoader {
    public static final String DELETED = "deleted";
    private static final String OWN =
            "id, slug, parent_type, parent_id, position, state, publish_at, retire_at, origin, version, complete,"
                    + " created_at, updated_at, created_by, updated_by";
    private static final int OWN_COLUMNS = 15;

    private final Binding.BoundTables table;
    private final RecordType recordType;
    private final Set<String> wanted;

    /** Loads all fields. */
    public RecordLoader(Binding.BoundTables table) {
        this(table, null);
    }

    /** Loads only some fields of records, with everything in them; all where {@code wanted} is {@code null}. */
    public RecordLoader(Binding.BoundTables table, Set<String> wanted) {
        this.table = table;
        this.recordType = table.recordType();
        this.wanted = wanted == null ? null : within(recordType, wanted);
    }

    private static Set<String> within(RecordType recordType, Set<String> wanted) {
        var all = new LinkedHashSet<String>();
        wanted.forEach(id ->
                recordType.field(id).ifPresent(field -> field.withInner().forEach(each -> all.add(each.id()))));
        return all;
    }

    private boolean wants(Field field) {
        return wanted == null || wanted.contains(field.id());
    }

    /** The values of one row of a table, and where it stands. */
    record LoadedRow(long record, long row, long id, Map<String, Object> values, Object payload) {}

    /** Records by ids, in their order; those that are not there are left out. */
    public List<StoredRecord> byIds(Connection connection, Collection<Long> ids) throws SQLException {
        if (ids.isEmpty()) {
            return List.of();
        }
        var found = new HashMap<Long, StoredRecord>();
        var numbers = ids.stream().map(String::valueOf).collect(Collectors.joining(", "));
        var bare = own(connection, "WHERE id IN (" + numbers + ")");
        filled(connection, bare).forEach(record -> found.put(record.id(), record));
        return ids.stream()
                .distinct()
                .filter(found::containsKey)
                .map(found::get)
                .toList();
    }

    /** Up to {@code most} records behind an id, in the order of ids, deleted ones too. */
    public List<StoredRecord> after(Connection connection, long afterId, int most) throws SQLException {
        return filled(connection, own(connection, "WHERE id > ? ORDER BY id LIMIT " + most, afterId));
    }

    /** Of those, the ones that are marked incomplete and the ones that were saved while a run was under way. */
    public List<StoredRecord> incompleteAfter(Connection connection, long afterId, int most) throws SQLException {
        var where = "WHERE id > ? AND (complete = 0 OR id IN"
                + " (SELECT record_id FROM jontrel_followed WHERE holder_id = ?)) ORDER BY id LIMIT ";
        return filled(connection, own(connection, where + most, afterId, recordType.id()));
    }

    /** Records that a condition on their own columns finds, without values in tables of fields. */
    public List<StoredRecord> own(Connection connection, String where, Object... parameters) throws SQLException {
        var columns = recordType.columns("").stream()
                .filter(field -> wants(field) && table.own().columns().containsKey(field.id()))
                .toList();
        var sql = "SELECT " + OWN
                + columns.stream()
                        .map(field -> ", "
                                + PhysicalNames.quoted(table.own().columns().get(field.id())))
                        .collect(Collectors.joining())
                + " FROM " + PhysicalNames.quoted(table.name()) + " " + where;
        return Jdbc.query(connection, sql, row -> record(row, columns), parameters);
    }

    private static StoredRecord record(ResultSet row, List<Field> columns) throws SQLException {
        var values = new LinkedHashMap<String, Object>();
        for (int i = 0; i < columns.size(); i++) {
            var value =
                    ColumnValues.read(row, OWN_COLUMNS + 1 + i, columns.get(i).kind());
            if (value != null) {
                values.put(columns.get(i).id(), value);
            }
        }
        var state = row.getString(6);
        boolean deleted = state.equals(DELETED);
        return new StoredRecord(
                row.getLong(1),
                row.getString(2),
                row.getLong(4) == 0 ? Optional.empty() : Optional.of(new Link(row.getString(3), row.getLong(4))),
                row.getInt(5),
                deleted ? RecordState.DRAFT : RecordState.valueOf(state.toUpperCase(java.util.Locale.ROOT)),
                deleted,
                Optional.ofNullable(instant(row, 7)),
                Optional.ofNullable(instant(row, 8)),
                Optional.ofNullable(row.getString(9)).orElse(""),
                row.getInt(10),
                row.getBoolean(11),
                instant(row, 12),
                instant(row, 13),
                row.getString(14),
                row.getString(15),
                values);
    }

    private static Instant instant(ResultSet row, int column) throws SQLException {
        var time = row.getObject(column, LocalDateTime.class);
        return time == null ? null : time.toInstant(ZoneOffset.UTC);
    }

    /** The records with the values of their fields' own tables, and groups where they belong. */
    public List<StoredRecord> filled(Connection connection, List<StoredRecord> bare) throws SQLException {
        if (bare.isEmpty()) {
            return bare;
        }
        var ids = bare.stream().map(StoredRecord::id).toList();
        var cells = new HashMap<String, Map<List<Long>, List<LoadedRow>>>();
        for (var place : table.fields().entrySet()) {
            var field = recordType.field(place.getKey());
            if (field.isPresent() && wants(field.get())) {
                cells.put(place.getKey(), cells(connection, field.get(), place.getValue(), ids));
            }
        }
        var fields = recordType
                .fields()
                .filter(field -> field.withInner().anyMatch(this::wants))
                .toList();
        return bare.stream()
                .map(record -> record.with(record.parent(), values(fields, record.values(), cells, record.id(), 0)))
                .toList();
    }

    private Map<List<Long>, List<LoadedRow>> cells(
            Connection connection, Field field, Binding.ValueTable place, List<Long> ids) throws SQLException {
        var padded = Jdbc.padded(ids).toArray();
        var columns = field.kind() instanceof Kind.Repeater
                ? recordType.columns(field.id()).stream()
                        .filter(each -> place.columns().containsKey(each.id()))
                        .toList()
                : List.<Field>of();
        var in = " IN (" + Jdbc.marks(padded.length) + ")";
        var sql = "SELECT record_id, row_id, " + RowCells.payload(field, columns, place) + " FROM "
                + PhysicalNames.quoted(place.name()) + " WHERE record_id" + in
                + " ORDER BY record_id, row_id, position";
        var found = Jdbc.query(connection, sql, row -> RowCells.cell(row, field, columns), padded);
        if (field.kind() instanceof Kind.Relation relation && relation.symmetric()) {
            var back = "SELECT target_id, row_id, target_type, record_id FROM " + PhysicalNames.quoted(place.name())
                    + " WHERE target_id" + in + " ORDER BY target_id, record_id";
            found.addAll(Jdbc.query(connection, back, row -> RowCells.cell(row, field, columns), padded));
        }
        return found.stream()
                .collect(Collectors.groupingBy(
                        cell -> List.of(cell.record(), cell.row()), LinkedHashMap::new, Collectors.toList()));
    }

    private Map<String, Object> values(
            List<Field> fields,
            Map<String, Object> columns,
            Map<String, Map<List<Long>, List<LoadedRow>>> cells,
            long record,
            long row) {
        var values = new LinkedHashMap<String, Object>();
        for (var field : fields) {
            var value =
                    switch (FieldStorage.of(field.kind())) {
                        case NOT -> {
                            var inner = values(field.inner(), columns, cells, record, row);
                            yield inner.isEmpty() ? null : inner;
                        }
                        case COLUMN -> columns.get(field.id());
                        case TABLE -> several(field, cells, record, row);
                    };
            if (value != null) {
                values.put(field.id(), value);
            }
        }
        return values;
    }

    private Object several(Field field, Map<String, Map<List<Long>, List<LoadedRow>>> cells, long record, long row) {
        var found = cells.getOrDefault(field.id(), Map.of()).getOrDefault(List.of(record, row), List.of());
        var list = new ArrayList<Object>();
        for (var cell : found) {
            list.add(
                    field.kind() instanceof Kind.Repeater rows
                            ? new Row(cell.id(), values(rows.fields(), cell.values(), cells, record, cell.id()))
                            : cell.payload());
        }
        list.removeIf(Predicate.isEqual(null));
        boolean many =
                field.kind() instanceof Kind.Repeater || field.kind().amount().many();
        return list.isEmpty() ? null : many ? list : list.getFirst();
    }
}

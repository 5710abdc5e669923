package org.jontrel.site.run.name;

import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.record.Values;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.ColumnValues;
import org.jontrel.site.table.DatabaseException;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/**
 * What fields say of records, other than titles, whether letters are capital or small. Such columns have no index: what one says of
 * all records is read at once, unless there are very many.
 */
final class SaidNames {
    private static final Set<String> NAMING = Set.of("text", "number", "email", "phone");
    private static final String TITLE = "part_title";
    private static final long MOST = 200_000;
    private final Connection connection;
    private final Binding binding;
    private final Map<SaidField, Optional<Map<String, List<Long>>>> known = new HashMap<>();

    SaidNames(Connection connection, Binding binding) {
        this.connection = connection;
        this.binding = binding;
    }

    /** A column with what a field of a record type says. */
    private record SaidField(String table, String column, Kind kind) {
        /** As it is compared; empty where it cannot be a value of the field. */
        Optional<String> folded(String name) {
            if (!(kind instanceof Kind.Numeric)) {
                return Optional.of(NotedTerms.folded(name));
            }
            var number = new Field("name", "name", "Name", "", false, kind);
            return Values.typed(number, name.strip())
                    .value()
                    .map(value -> ((BigDecimal) value).stripTrailingZeros().toPlainString());
        }

        String select() {
            return "SELECT id, " + column + " FROM " + table + " WHERE " + column + " IS NOT NULL AND state <> '"
                    + RecordLoader.DELETED + "'";
        }
    }

    /** The fields of the records themselves that can say a name: short texts and numbers. */
    List<Field> naming(String recordTypeId) {
        return binding.table(recordTypeId).stream()
                .flatMap(table -> table.recordType().columns("").stream()
                        .filter(field -> !field.id().equals(TITLE)
                                && NAMING.contains(field.kind().code()))
                        .filter(field -> table.own().columns().containsKey(field.id())))
                .toList();
    }

    private Optional<SaidField> field(String recordTypeId, String key) {
        return naming(recordTypeId).stream()
                .filter(field -> field.key().equals(key))
                .findFirst()
                .map(field -> {
                    var table = binding.table(recordTypeId).orElseThrow();
                    return new SaidField(
                            PhysicalNames.quoted(table.name()),
                            PhysicalNames.quoted(table.own().columns().get(field.id())),
                            field.kind());
                });
    }

    /** The records of which a field says a name; of a number, as people write it. */
    List<Long> saying(String recordTypeId, String key, String name) {
        var field = field(recordTypeId, key);
        var folded = field.flatMap(each -> each.folded(name));
        if (folded.isEmpty()) {
            return List.of();
        }
        return known.computeIfAbsent(field.get(), this::all)
                .map(all -> all.getOrDefault(folded.get(), List.of()))
                .orElseGet(() -> ids(field.get(), folded.get()));
    }

    /** Whether looking for one name takes long. */
    boolean isLarge(Set<String> recordTypeIds) {
        return recordTypeIds.stream()
                .flatMap(each -> binding.table(each).stream())
                .anyMatch(table -> {
                    try {
                        return isLarge(PhysicalNames.quoted(table.name()));
                    } catch (SQLException e) {
                        throw new DatabaseException(e);
                    }
                });
    }

    private boolean isLarge(String table) throws SQLException {
        return Jdbc.number(connection, "SELECT COUNT(*) FROM " + table) > MOST;
    }

    /** By what is said; empty where there are too many to be kept in mind. */
    private Optional<Map<String, List<Long>>> all(SaidField field) {
        try {
            if (isLarge(field.table())) {
                return Optional.empty();
            }
            var all = new HashMap<String, List<Long>>();
            Jdbc.each(connection, field.select(), row -> {
                var id = row.getLong(1);
                field.folded(row.getString(2))
                        .ifPresent(said -> all.computeIfAbsent(said, _ -> new ArrayList<>(1))
                                .add(id));
            });
            return Optional.of(all);
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
    }

    private List<Long> ids(SaidField field, String folded) {
        var ids = new ArrayList<Long>();
        try {
            // the database takes other letters and spaces for the same
            Jdbc.each(
                    connection,
                    field.select() + " AND " + field.column() + " = ?",
                    row -> {
                        if (field.folded(row.getString(2)).equals(Optional.of(folded))) {
                            ids.add(row.getLong(1));
                        }
                    },
                    folded);
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
        return ids;
    }

    /** What a field says of a record, as people read it. */
    Optional<String> said(String recordTypeId, String key, long id) {
        var field = field(recordTypeId, key);
        if (field.isEmpty()) {
            return Optional.empty();
        }
        var kind = field.get().kind();
        try {
            return Jdbc.query(
                            connection,
                            field.get().select() + " AND id = ?",
                            row -> Values.show(kind, ColumnValues.read(row, 2, kind)),
                            id)
                    .stream()
                    .findFirst();
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
    }
}

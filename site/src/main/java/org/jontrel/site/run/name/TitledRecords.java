package org.jontrel.site.run.name;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.record.Values;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.ColumnValues;
import org.jontrel.site.table.DatabaseException;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/** The records and terms of a site, of those that are not in the bin, by their titles and slugs. */
record TitledRecords(Connection connection, Binding binding) {
    private static final String TITLE = "part_title";
    private static final Set<String> NAMING = Set.of("text", "number", "email", "phone");

    /** Those with a title, whether its letters are capital or small. */
    List<Long> titled(String recordTypeId, String name) {
        var table = binding.table(recordTypeId);
        var column = table.map(each -> each.own().columns().get(TITLE));
        if (column.isEmpty()) {
            return List.of();
        }
        var sql = "SELECT id, " + PhysicalNames.quoted(column.get()) + " FROM "
                + PhysicalNames.quoted(table.get().name()) + " WHERE " + PhysicalNames.quoted(column.get())
                + " = ? AND state <> '" + RecordLoader.DELETED + "'";
        var ids = new ArrayList<Long>();
        try {
            // the database takes other letters and spaces for the same
            Jdbc.each(
                    connection,
                    sql,
                    row -> {
                        if (row.getString(2).strip().equalsIgnoreCase(name)) {
                            ids.add(row.getLong(1));
                        }
                    },
                    name);
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
        return ids;
    }

    List<Long> addressed(String recordTypeId, String slug) {
        var table = binding.table(recordTypeId);
        if (table.isEmpty()) {
            return List.of();
        }
        var sql = "SELECT id FROM " + PhysicalNames.quoted(table.get().name()) + " WHERE slug = ? AND state <> '"
                + RecordLoader.DELETED + "'";
        try {
            return Jdbc.query(connection, sql, row -> row.getLong(1), slug);
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
    }

    /** What a term stands under; 0 for nothing. */
    long above(String taxonomyId, long id) {
        var table = binding.table(taxonomyId);
        if (table.isEmpty()) {
            return 0;
        }
        var sql = "SELECT parent_id FROM " + PhysicalNames.quoted(table.get().name()) + " WHERE id = ?";
        try {
            return Jdbc.first(connection, sql, row -> row.getLong(1), id).orElse(0L);
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
    }

    Optional<String> title(String recordTypeId, long id) {
        var table = binding.table(recordTypeId);
        var column = table.map(each -> each.own().columns().get(TITLE));
        if (column.isEmpty()) {
            return Optional.empty();
        }
        var sql = "SELECT " + PhysicalNames.quoted(column.get()) + " FROM "
                + PhysicalNames.quoted(table.get().name()) + " WHERE id = ?";
        try {
            return Jdbc.first(connection, sql, row -> row.getString(1), id);
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
    }

    /** The fields of the records themselves that can say a name: short texts and numbers, in use as they are. */
    List<Field> naming(String recordTypeId) {
        return binding.table(recordTypeId).stream()
                .flatMap(table -> table.recordType().columns("").stream()
                        .filter(field -> !field.id().equals(TITLE)
                                && NAMING.contains(field.kind().code()))
                        .filter(field -> table.own().columns().containsKey(field.id())))
                .toList();
    }

    private Optional<Field> naming(String recordTypeId, String key) {
        return naming(recordTypeId).stream()
                .filter(field -> field.key().equals(key))
                .findFirst();
    }

    private String column(String recordTypeId, Field field) {
        return PhysicalNames.quoted(
                binding.table(recordTypeId).orElseThrow().own().columns().get(field.id()));
    }

    /** Those of which a field says a name, whether its letters are capital or small; of a number, as people write it. */
    List<Long> saying(String recordTypeId, String key, String name) {
        var field = naming(recordTypeId, key);
        if (field.isEmpty()) {
            return List.of();
        }
        var value = field.get().kind() instanceof Kind.Numeric
                ? Values.typed(field.get(), name).value().orElse(null)
                : name;
        if (value == null) {
            return List.of();
        }
        var column = column(recordTypeId, field.get());
        var sql = "SELECT id, " + column + " FROM "
                + PhysicalNames.quoted(binding.table(recordTypeId).orElseThrow().name()) + " WHERE " + column
                + " = ? AND state <> '" + RecordLoader.DELETED + "'";
        var ids = new ArrayList<Long>();
        try {
            Jdbc.each(
                    connection,
                    sql,
                    row -> {
                        if (!(value instanceof String text)
                                || row.getString(2).strip().equalsIgnoreCase(text)) {
                            ids.add(row.getLong(1));
                        }
                    },
                    value);
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
        return ids;
    }

    /** What a field says of a record, as people read it. */
    Optional<String> said(String recordTypeId, String key, long id) {
        var field = naming(recordTypeId, key);
        if (field.isEmpty()) {
            return Optional.empty();
        }
        var sql = "SELECT " + column(recordTypeId, field.get()) + " FROM "
                + PhysicalNames.quoted(binding.table(recordTypeId).orElseThrow().name()) + " WHERE id = ?";
        try {
            return Jdbc.query(
                            connection,
                            sql,
                            row -> Optional.ofNullable(ColumnValues.read(
                                            row, 1, field.get().kind()))
                                    .map(value -> Values.show(field.get().kind(), value)),
                            id)
                    .stream()
                    .flatMap(Optional::stream)
                    .findFirst();
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
    }

    /** What a value of a kind can lead to. @param ids finds those of one record type */
    static List<Object> meant(Kind kind, Function<String, List<Long>> ids) {
        return switch (kind) {
            case Kind.TermPick term -> List.copyOf(ids.apply(term.taxonomy()));
            case Kind.Relation relation ->
                relation.to().stream()
                        .flatMap(type -> ids.apply(type).stream().map(id -> (Object) new Link(type, id)))
                        .toList();
            default -> List.of();
        };
    }
}

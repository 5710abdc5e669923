package org.jontrel.site.run.name;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.DatabaseException;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/** The records and terms of a site, of those that are not in the bin, by their titles and slugs. */
record TitledRecords(Connection connection, Binding binding) {
    private static final String TITLE = "part_title";

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

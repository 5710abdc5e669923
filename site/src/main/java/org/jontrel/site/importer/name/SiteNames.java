package org.jontrel.site.importer.name;

import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.importer.ColumnMapping;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.naming.VisibleText;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.IndexDdl;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/**
 * What the records of a site are called: by title, address, number or a field; whether letters are capital or small. A column
 * that has no index is read once for an import of many rows, and kept with it.
 *
 * @param large whether the import has many rows
 */
public record SiteNames(Connection connection, Binding binding, long importId, boolean large) {
    /** Rows from which on a column without an index is read once instead of for each few rows. */
    public static final long MANY = 2_000;

    private static final int TOGETHER = 1_000;
    private static final int LONGEST = 255;
    /** In place of the index of a sheet: the name is of a record of the site. */
    private static final int OF_SITE = -1;

    /** The field by which records of a type are named; empty for address and number. */
    public static Optional<Field> field(RecordType type, String by) {
        return by.equals(ColumnMapping.BY_TITLE)
                ? type.title()
                : type.columns("").stream()
                        .filter(each -> each.key().equals(by))
                        .findFirst();
    }

    /** A name as it is compared; empty where no record can have it. */
    public static String folded(RecordType type, String by, String text) {
        var bare = text.strip();
        var number = field(type, by).filter(each -> each.kind() instanceof Kind.Numeric);
        if (number.isPresent()) {
            return Values.typed(number.get().withLabel("Name"), bare)
                    .value()
                    .map(value -> ((BigDecimal) value).stripTrailingZeros().toPlainString())
                    .orElse("");
        }
        return VisibleText.start(bare.toLowerCase(Locale.ROOT), LONGEST);
    }

    private boolean isIndexed(Binding.BoundTables table, Field field) {
        var column = PhysicalNames.columns(table.recordType(), "").get(field.id());
        return IndexDdl.wantedIndexes(table.recordType()).stream()
                .anyMatch(each -> each.getFirst().equals(column));
    }

    /** Reads what all records are called where that is quicker; once, before names are looked up. */
    public void prepare(String typeId, String by) throws SQLException {
        var table = binding.table(typeId);
        var field = table.flatMap(each -> field(each.recordType(), by));
        if (table.isEmpty() || field.isEmpty() || !large || isIndexed(table.get(), field.get())) {
            return;
        }
        var rows = new ArrayList<List<Object>>();
        var insert = "INSERT INTO jontrel_import_name (import_id, by_what, text, sheet, number)";
        var column = column(table.get(), field.get());
        var all = new ArrayList<Map.Entry<Long, String>>();
        long last = 0;
        do {
            all.clear();
            Jdbc.each(
                    connection,
                    "SELECT id, " + column + " FROM "
                            + PhysicalNames.quoted(table.get().name()) + " WHERE id > ? AND state <> '"
                            + RecordLoader.DELETED + "' ORDER BY id LIMIT " + TOGETHER,
                    row -> all.add(Map.entry(
                            row.getLong(1),
                            Optional.ofNullable(row.getString(2)).orElse(""))),
                    last);
            rows.clear();
            for (var each : all) {
                last = each.getKey();
                var text = folded(table.get().recordType(), by, each.getValue());
                if (!text.isEmpty()) {
                    rows.add(List.of(importId, site(typeId, by), text, OF_SITE, each.getKey()));
                }
            }
            Jdbc.insertAll(connection, insert, "", rows);
        } while (all.size() == TOGETHER);
    }

    /** Under which names of rows are kept. */
    public static String what(String typeId, String by) {
        return typeId + " " + by;
    }

    private static String site(String typeId, String by) {
        return "site " + what(typeId, by);
    }

    private static String column(Binding.BoundTables table, Field field) {
        return PhysicalNames.quoted(table.own().columns().get(field.id()));
    }

    /** The records of a type that have some names, by the name as it is compared. */
    public Map<String, Set<Long>> find(String typeId, String by, Collection<String> texts) throws SQLException {
        var table = binding.table(typeId);
        if (table.isEmpty() || texts.isEmpty()) {
            return Map.of();
        }
        return switch (by) {
            case ColumnMapping.BY_NUMBER -> numbered(table.get(), texts);
            case ColumnMapping.BY_ADDRESS -> matching(table.get(), "slug", by, texts);
            default -> {
                var field = field(table.get().recordType(), by);
                if (field.isEmpty()) {
                    yield Map.of();
                }
                var column = column(table.get(), field.get());
                yield !large || isIndexed(table.get(), field.get())
                        ? matching(table.get(), column, by, texts)
                        : kept(typeId, by, texts);
            }
        };
    }

    private Map<String, Set<Long>> numbered(Binding.BoundTables table, Collection<String> texts) throws SQLException {
        var numbers = texts.stream()
                .filter(each -> each.matches("[1-9][0-9]{0,17}"))
                .map(Long::valueOf)
                .toList();
        if (numbers.isEmpty()) {
            return Map.of();
        }
        return found(
                table,
                ColumnMapping.BY_NUMBER,
                "SELECT id, id FROM " + PhysicalNames.quoted(table.name()) + " WHERE id IN (",
                numbers);
    }

    private Map<String, Set<Long>> matching(
            Binding.BoundTables table, String column, String by, Collection<String> texts) throws SQLException {
        var names = by.equals(ColumnMapping.BY_ADDRESS)
                ? texts.stream().filter(each -> each.matches("\\p{ASCII}*")).toList()
                : List.copyOf(texts);
        return names.isEmpty()
                ? Map.of()
                : found(
                        table,
                        by,
                        "SELECT id, " + column + " FROM " + PhysicalNames.quoted(table.name()) + " WHERE " + column
                                + " IN (",
                        names);
    }

    private Map<String, Set<Long>> found(Binding.BoundTables table, String by, String select, List<?> names)
            throws SQLException {
        var padded = Jdbc.padded(names);
        var found = new HashMap<String, Set<Long>>();
        var type = table.recordType();
        Jdbc.each(
                connection,
                select + Jdbc.marks(padded.size()) + ") AND state <> '" + RecordLoader.DELETED + "'",
                // the database takes other letters and spaces for the same
                row -> found.computeIfAbsent(folded(type, by, row.getString(2)), _ -> new LinkedHashSet<>())
                        .add(row.getLong(1)),
                padded.toArray());
        return found;
    }

    private Map<String, Set<Long>> kept(String typeId, String by, Collection<String> texts) throws SQLException {
        var parameters = new ArrayList<Object>(List.of(importId, site(typeId, by)));
        parameters.addAll(Jdbc.padded(texts));
        var found = new HashMap<String, Set<Long>>();
        Jdbc.each(
                connection,
                "SELECT text, number FROM jontrel_import_name WHERE import_id = ? AND by_what = ? AND text IN ("
                        + Jdbc.marks(parameters.size() - 2) + ")",
                row -> found.computeIfAbsent(row.getString(1), _ -> new LinkedHashSet<>())
                        .add(row.getLong(2)),
                parameters.toArray());
        return found;
    }
}

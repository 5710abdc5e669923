package org.jontrel.site.archive;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.site.table.Jdbc;

/**
 * The structure of a table, from which it can be made again. What comes from a file is not trusted: every word of the statement
 * is one that tables of records are made of.
 *
 * @param comment which definition or field it is of
 */
public record ArchiveTable(String name, String comment, List<ArchiveColumn> columns, List<ArchiveIndex> indexes) {
    private static final Pattern NAME = Pattern.compile("[a-z0-9_]{1,64}");
    private static final Pattern COMMENT = Pattern.compile("[A-Za-z0-9_/.:-]{0,200}");
    private static final Pattern TYPE = Pattern.compile("([a-z]+)(\\(\\d{1,4}(,\\d{1,2})?\\))?( unsigned)?");
    private static final Pattern LITERAL = Pattern.compile("NULL|-?\\d{1,20}|'[^'\\\\]{0,100}'");
    private static final Set<String> TYPES = Set.of(
            "bigint",
            "int",
            "smallint",
            "tinyint",
            "decimal",
            "varchar",
            "char",
            "text",
            "mediumtext",
            "longtext",
            "date",
            "time",
            "datetime",
            "point");

    public ArchiveTable {
        Stream.of(name, comment).forEach(Objects::requireNonNull);
        columns = List.copyOf(columns);
        indexes = List.copyOf(indexes);
    }

    /** A column. @param byDefault as SQL; {@code null} for none. @param charset of texts; {@code null} for others */
    public record ArchiveColumn(
            String name,
            String type,
            String charset,
            String collation,
            boolean nullable,
            String byDefault,
            String comment) {
        public ArchiveColumn {
            Stream.of(name, type, comment).forEach(Objects::requireNonNull);
        }
    }

    /** An index by its parts. */
    public record ArchiveIndex(String name, boolean unique, List<IndexPart> parts) {
        public ArchiveIndex {
            Objects.requireNonNull(name);
            parts = List.copyOf(parts);
        }
    }

    /** @param length of the beginning that is indexed; 0 for all */
    public record IndexPart(String column, int length, boolean descending) {}

    static ArchiveTable of(Connection connection, String name, String comment) throws SQLException {
        var columns = Jdbc.query(
                connection,
                "SELECT column_name, column_type, character_set_name, collation_name, is_nullable = 'YES', column_default,"
                        + " column_comment FROM information_schema.columns WHERE table_schema = DATABASE() AND table_name = ?"
                        + " ORDER BY ordinal_position",
                row -> new ArchiveColumn(
                        row.getString(1),
                        row.getString(2),
                        row.getString(3),
                        row.getString(4),
                        row.getBoolean(5),
                        row.getString(6),
                        row.getString(7)),
                name);
        var parts = new LinkedHashMap<String, List<IndexPart>>();
        var unique = new LinkedHashMap<String, Boolean>();
        Jdbc.query(
                connection,
                "SELECT index_name, non_unique = 0, column_name, COALESCE(sub_part, 0), COALESCE(collation, 'A') = 'D'"
                        + " FROM information_schema.statistics WHERE table_schema = DATABASE() AND table_name = ?"
                        + " ORDER BY index_name <> 'PRIMARY', index_name, seq_in_index",
                row -> {
                    unique.put(row.getString(1), row.getBoolean(2));
                    return parts.computeIfAbsent(row.getString(1), _ -> new ArrayList<>())
                            .add(new IndexPart(row.getString(3), row.getInt(4), row.getBoolean(5)));
                },
                name);
        var indexes = new ArrayList<ArchiveIndex>();
        parts.forEach((index, of) -> indexes.add(new ArchiveIndex(index, unique.get(index), of)));
        return new ArchiveTable(name, comment, columns, indexes);
    }

    /** @throws ArchiveRefused where it is no table of records */
    String statement() {
        var lines = columns.stream().map(ArchiveTable::line).collect(Collectors.toCollection(ArrayList::new));
        indexes.forEach(index -> lines.add(line(index)));
        return "CREATE TABLE " + quoted(name) + " (" + String.join(", ", lines) + ") ENGINE=InnoDB COMMENT=" + "'"
                + checked(comment, COMMENT) + "'";
    }

    private static String line(ArchiveColumn column) {
        var type = TYPE.matcher(checked(column.type(), TYPE));
        if (!type.matches() || !TYPES.contains(type.group(1))) {
            throw refused(column.type());
        }
        return quoted(column.name()) + " " + column.type()
                + (column.charset() == null
                        ? ""
                        : " CHARACTER SET " + checked(column.charset(), NAME) + " COLLATE "
                                + checked(column.collation(), NAME))
                + (column.nullable() ? " NULL" : " NOT NULL")
                + (column.byDefault() == null ? "" : " DEFAULT " + checked(column.byDefault(), LITERAL))
                + " COMMENT " + "'" + checked(column.comment(), COMMENT) + "'";
    }

    private static String line(ArchiveIndex index) {
        var kind = index.name().equals("PRIMARY") ? "PRIMARY KEY " : index.unique() ? "UNIQUE KEY " : "KEY ";
        return kind
                + (index.name().equals("PRIMARY") ? "" : quoted(index.name()) + " ")
                + index.parts().stream()
                        .map(part -> quoted(part.column())
                                + (part.length() > 0 ? "(" + part.length() + ")" : "")
                                + (part.descending() ? " DESC" : ""))
                        .collect(Collectors.joining(", ", "(", ")"));
    }

    private static String quoted(String name) {
        return "`" + checked(name, NAME) + "`";
    }

    private static String checked(String word, Pattern allowed) {
        if (word == null || !allowed.matcher(word).matches()) {
            throw refused(word);
        }
        return word;
    }

    private static ArchiveRefused refused(String word) {
        return new ArchiveRefused("The archive describes a table that no site has (“"
                + String.valueOf(word).replaceAll("\\p{Cntrl}", " ") + "”). Nothing was restored.");
    }
}

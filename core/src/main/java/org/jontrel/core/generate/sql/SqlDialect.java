package org.jontrel.core.generate.sql;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** How a database wants to be told; statements are without the semicolon at their end. */
abstract class SqlDialect {
    /** What people call the database. */
    abstract String title();

    /** A name as it stands in a statement. */
    abstract String quoted(String name);

    abstract String literal(String text);

    abstract String type(SqlType type);

    /** A column as a table is made with it. */
    abstract String column(SqlColumn column);

    /** What stands behind the columns of a new table. */
    abstract String tableOptions(SqlTable table);

    /** What says what a table and its columns are for, where that is no part of how they are made. */
    abstract List<String> comments(SqlTable table);

    abstract String tableComment(SqlTable table);

    /** The column as it was under its new name, as it shall be. */
    abstract List<String> change(SqlTable table, SqlColumn from, SqlColumn to);

    abstract String drop(SqlTable table, SqlConstraint constraint);

    /** Gives the key of a table another name, where it has one. */
    abstract List<String> renameKey(String table, String from, String to);

    /** An expression as text. */
    abstract String asText(String expression);

    /** Texts of the rows of a group with commas between them. */
    abstract String together(String expression, List<String> order);

    /** Ends a table that only this script sees. */
    abstract String dropTemporary(String name);

    /** What stands before and after a whole script. */
    abstract List<String> begin();

    abstract List<String> end();

    final String quoted(List<String> names) {
        return names.stream().map(this::quoted).collect(Collectors.joining(", "));
    }

    final String create(SqlTable table) {
        var lines = new ArrayList<String>();
        table.columns().forEach(each -> lines.add(column(each)));
        if (!table.key().isEmpty()) {
            lines.add("CONSTRAINT %s PRIMARY KEY (%s)".formatted(quoted(table.keyName()), quoted(table.key())));
        }
        table.constraints(SqlConstraint.CheckConstraint.class).forEach(each -> lines.add(constraint(each)));
        table.constraints(SqlConstraint.UniqueConstraint.class).forEach(each -> lines.add(constraint(each)));
        return "CREATE TABLE %s (\n  %s\n)%s"
                .formatted(quoted(table.name()), String.join(",\n  ", lines), tableOptions(table));
    }

    private String constraint(SqlConstraint constraint) {
        var name = quoted(constraint.name());
        return switch (constraint) {
            case SqlConstraint.CheckConstraint check -> "CONSTRAINT %s CHECK (%s)".formatted(name, rule(check.rule()));
            case SqlConstraint.UniqueConstraint unique ->
                "CONSTRAINT %s UNIQUE (%s)".formatted(name, quoted(unique.columns()));
            case SqlConstraint.ForeignKey reference ->
                "CONSTRAINT %s FOREIGN KEY (%s) REFERENCES %s (%s) ON DELETE %s"
                        .formatted(
                                name,
                                quoted(reference.columns()),
                                quoted(reference.targetTable()),
                                quoted(reference.targetColumns()),
                                reference.onDelete().words());
            case SqlConstraint.IndexConstraint index -> throw new IllegalArgumentException(index.name());
        };
    }

    final String add(SqlTable table, SqlConstraint constraint) {
        return constraint instanceof SqlConstraint.IndexConstraint(String name, List<String> columns)
                ? "CREATE INDEX %s ON %s (%s)".formatted(quoted(name), quoted(table.name()), quoted(columns))
                : "ALTER TABLE %s ADD %s".formatted(quoted(table.name()), constraint(constraint));
    }

    final String rule(SqlRule rule) {
        return switch (rule) {
            case SqlRule.OneOf oneOf ->
                "%s IN (%s)"
                        .formatted(
                                quoted(oneOf.column()),
                                oneOf.words().values().stream()
                                        .distinct()
                                        .map(this::literal)
                                        .collect(Collectors.joining(", ")));
            case SqlRule.Bound bound -> "%s %s %s".formatted(quoted(bound.column()), bound.sign(), bound.literal());
            case SqlRule.Length length ->
                "CHAR_LENGTH(%s) %s %d".formatted(quoted(length.column()), length.sign(), length.characters());
            case SqlRule.Decimals decimals ->
                "%1$s = ROUND(%1$s, %2$d)".formatted(quoted(decimals.column()), decimals.most());
            case SqlRule.Together both ->
                "(%s IS NULL) = (%s IS NULL)".formatted(quoted(both.first()), quoted(both.second()));
        };
    }

    final String create(SqlView view) {
        var columns = Stream.concat(
                        view.of().columns().stream().map(each -> "t." + quoted(each.name())),
                        view.joined().stream().map(each -> joined(view.of(), each) + " AS " + quoted(each.name())))
                .collect(Collectors.joining(",\n  "));
        return "CREATE VIEW %s AS SELECT\n  %s\nFROM %s t"
                .formatted(quoted(view.name()), columns, quoted(view.of().name()));
    }

    private String joined(SqlTable table, SqlView.ViewColumn column) {
        return switch (column) {
            case SqlView.ViewColumn.OneName one -> name("t", one.column(), one.typeColumn(), one.targets());
            case SqlView.ViewColumn.ManyNames many ->
                several(table, many.rows(), name("r", many.column(), many.typeColumn(), many.targets()));
            case SqlView.ViewColumn.ManyWords words -> several(table, words.rows(), "r." + quoted(words.column()));
        };
    }

    private String several(SqlTable table, SqlTable rows, String text) {
        var place = rows.key().getLast();
        return "(SELECT %s FROM %s r WHERE r.%s = t.%s)"
                .formatted(
                        together(text, List.of("r." + quoted(place))),
                        quoted(rows.name()),
                        quoted(rows.key().getFirst()),
                        quoted(table.key().getFirst()));
    }

    private String name(String from, String column, String typeColumn, List<SqlView.NamedTarget> targets) {
        var all = targets.stream()
                .map(each -> "(SELECT n.%s FROM %s n WHERE n.%s = %s.%s%s)"
                        .formatted(
                                quoted(each.nameColumn()),
                                quoted(each.table()),
                                quoted(TableDraft.ID),
                                from,
                                quoted(column),
                                typeColumn.isEmpty()
                                        ? ""
                                        : " AND %s.%s = %s".formatted(from, quoted(typeColumn), literal(each.word()))))
                .toList();
        return all.size() == 1 ? all.getFirst() : "COALESCE(" + String.join(", ", all) + ")";
    }

    final String rename(String from, String to) {
        return "ALTER TABLE %s RENAME TO %s".formatted(quoted(from), quoted(to));
    }

    final String renameColumn(String table, String from, String to) {
        return "ALTER TABLE %s RENAME COLUMN %s TO %s".formatted(quoted(table), quoted(from), quoted(to));
    }
}

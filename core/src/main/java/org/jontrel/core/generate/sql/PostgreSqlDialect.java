package org.jontrel.core.generate.sql;

import java.util.ArrayList;
import java.util.List;

final class PostgreSqlDialect extends SqlDialect {
    @Override
    String title() {
        return "PostgreSQL 15";
    }

    @Override
    String quoted(String name) {
        return "\"" + name + "\"";
    }

    @Override
    String literal(String text) {
        return "'" + text.replace("'", "''") + "'";
    }

    @Override
    String type(SqlType type) {
        return switch (type) {
            case ID, WHOLE -> "bigint";
            case COUNT -> "integer";
            case WORD -> "varchar(64)";
            case TEXT -> "varchar(255)";
            case LONG_TEXT -> "text";
            case DECIMAL -> "numeric(20,6)";
            case FLAG -> "boolean";
            case DATE -> "date";
            case TIME -> "time(0)";
            case DATE_TIME -> "timestamp(0)";
            case MOMENT -> "timestamp with time zone";
            case DEGREES -> "double precision";
        };
    }

    @Override
    String column(SqlColumn column) {
        return "%s %s%s".formatted(quoted(column.name()), type(column.type()), column.required() ? " NOT NULL" : "");
    }

    @Override
    String tableOptions(SqlTable table) {
        return "";
    }

    @Override
    List<String> comments(SqlTable table) {
        var all = new ArrayList<String>();
        all.add(tableComment(table));
        table.columns().forEach(each -> all.add(comment(table, each)));
        return all;
    }

    @Override
    String tableComment(SqlTable table) {
        return "COMMENT ON TABLE %s IS %s".formatted(quoted(table.name()), literal(table.comment()));
    }

    private String comment(SqlTable table, SqlColumn column) {
        return "COMMENT ON COLUMN %s.%s IS %s"
                .formatted(quoted(table.name()), quoted(column.name()), literal(column.comment()));
    }

    @Override
    List<String> change(SqlTable table, SqlColumn from, SqlColumn to) {
        var all = new ArrayList<String>();
        if (from.type() != to.type()) {
            all.add("ALTER TABLE %1$s ALTER COLUMN %2$s TYPE %3$s USING %2$s::%3$s"
                    .formatted(quoted(table.name()), quoted(to.name()), type(to.type())));
        }
        if (from.required() != to.required()) {
            all.add("ALTER TABLE %s ALTER COLUMN %s %s NOT NULL"
                    .formatted(quoted(table.name()), quoted(to.name()), to.required() ? "SET" : "DROP"));
        }
        if (!from.comment().equals(to.comment())) {
            all.add(comment(table, to));
        }
        return all;
    }

    @Override
    String drop(SqlTable table, SqlConstraint constraint) {
        return constraint instanceof SqlConstraint.IndexConstraint
                ? "DROP INDEX " + quoted(constraint.name())
                : "ALTER TABLE %s DROP CONSTRAINT %s".formatted(quoted(table.name()), quoted(constraint.name()));
    }

    @Override
    List<String> renameKey(String table, String from, String to) {
        return from.isEmpty()
                ? List.of()
                : List.of(
                        "ALTER TABLE %s RENAME CONSTRAINT %s TO %s".formatted(quoted(table), quoted(from), quoted(to)));
    }

    @Override
    String asText(String expression) {
        return "CAST(" + expression + " AS text)";
    }

    @Override
    String together(String expression, List<String> order) {
        return "string_agg(%s, ', ' ORDER BY %s)".formatted(expression, String.join(", ", order));
    }

    @Override
    String dropTemporary(String name) {
        return "DROP TABLE " + quoted(name);
    }

    @Override
    List<String> begin() {
        return List.of("BEGIN");
    }

    @Override
    List<String> end() {
        return List.of("COMMIT");
    }
}

package org.jontrel.core.generate.sql;

import java.util.List;

final class MariaDbDialect extends SqlDialect {
    private static final String ASCII = " CHARACTER SET ascii COLLATE ascii_bin";

    @Override
    String title() {
        return "MariaDB 10.11";
    }

    @Override
    String quoted(String name) {
        return "`" + name + "`";
    }

    @Override
    String literal(String text) {
        return "'" + text.replace("\\", "\\\\").replace("'", "''") + "'";
    }

    @Override
    String type(SqlType type) {
        return switch (type) {
            case ID, WHOLE -> "BIGINT";
            case COUNT -> "INT";
            case WORD -> "VARCHAR(64)" + ASCII;
            case TEXT -> "VARCHAR(255)";
            case LONG_TEXT -> "LONGTEXT";
            case DECIMAL -> "DECIMAL(20,6)";
            case FLAG -> "BOOLEAN";
            case DATE -> "DATE";
            case TIME -> "TIME";
            case DATE_TIME, MOMENT -> "DATETIME";
            case DEGREES -> "DOUBLE";
        };
    }

    @Override
    String column(SqlColumn column) {
        return "%s %s %s COMMENT %s"
                .formatted(
                        quoted(column.name()),
                        type(column.type()),
                        column.required() ? "NOT NULL" : "NULL",
                        literal(column.comment()));
    }

    @Override
    String tableOptions(SqlTable table) {
        return " ENGINE=InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_ai_ci COMMENT="
                + literal(table.comment());
    }

    @Override
    List<String> comments(SqlTable table) {
        return List.of();
    }

    @Override
    String tableComment(SqlTable table) {
        return "ALTER TABLE %s COMMENT=%s".formatted(quoted(table.name()), literal(table.comment()));
    }

    @Override
    List<String> change(SqlTable table, SqlColumn from, SqlColumn to) {
        return List.of("ALTER TABLE %s MODIFY COLUMN %s".formatted(quoted(table.name()), column(to)));
    }

    @Override
    String drop(SqlTable table, SqlConstraint constraint) {
        var what =
                switch (constraint) {
                    case SqlConstraint.CheckConstraint _ -> "CONSTRAINT";
                    case SqlConstraint.UniqueConstraint _, SqlConstraint.IndexConstraint _ -> "INDEX";
                    case SqlConstraint.ForeignKey _ -> "FOREIGN KEY";
                };
        return "ALTER TABLE %s DROP %s %s".formatted(quoted(table.name()), what, quoted(constraint.name()));
    }

    @Override
    List<String> renameKey(String table, String from, String to) {
        return List.of();
    }

    @Override
    String asText(String expression) {
        return "CAST(" + expression + " AS CHAR)";
    }

    @Override
    String together(String expression, List<String> order) {
        return "GROUP_CONCAT(%s ORDER BY %s SEPARATOR ', ')".formatted(expression, String.join(", ", order));
    }

    @Override
    String dropTemporary(String name) {
        return "DROP TEMPORARY TABLE " + quoted(name);
    }

    @Override
    List<String> begin() {
        return List.of("SET NAMES utf8mb4");
    }

    @Override
    List<String> end() {
        return List.of();
    }
}

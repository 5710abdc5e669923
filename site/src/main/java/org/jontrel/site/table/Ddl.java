package org.jontrel.site.table;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;

/** Statements that make and change tables. Every column and table carries the id of its definition as its comment. */
public final class Ddl {
    private Ddl() {}

    /** The tables a site has for itself; each statement is harmless where the table exists. */
    public static List<String> ownTables() {
        return List.of(
                """
                CREATE TABLE IF NOT EXISTS jontrel_installed (
                  id TINYINT PRIMARY KEY, version VARCHAR(64) NOT NULL, model LONGTEXT NOT NULL, checksum CHAR(64) NOT NULL,
                  run_id BIGINT NOT NULL, installed_at DATETIME(3) NOT NULL)""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_gate (
                  slot TINYINT PRIMARY KEY, generation BIGINT NOT NULL, closed TINYINT(1) NOT NULL, passed BIGINT NOT NULL)""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_lease (
                  name VARCHAR(32) PRIMARY KEY, owner VARCHAR(100) NOT NULL, token BIGINT NOT NULL, beat BIGINT NOT NULL,
                  beat_at DATETIME(3) NOT NULL)""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_run (
                  id BIGINT PRIMARY KEY, kind VARCHAR(16) NOT NULL, state VARCHAR(16) NOT NULL, from_version VARCHAR(64) NOT NULL,
                  to_version VARCHAR(64) NOT NULL, from_model LONGTEXT NOT NULL, to_model LONGTEXT NOT NULL,
                  by_whom VARCHAR(100) NOT NULL, undoes BIGINT NULL, message TEXT NULL, findings MEDIUMTEXT NOT NULL,
                  started_at DATETIME(3) NOT NULL, finished_at DATETIME(3) NULL)""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_step (
                  run_id BIGINT NOT NULL, seq INT NOT NULL, step TEXT NOT NULL, sentence TEXT NOT NULL, state VARCHAR(16) NOT NULL,
                  rows_expected BIGINT NOT NULL, rows_done BIGINT NOT NULL, reached BIGINT NOT NULL,
                  started_at DATETIME(3) NULL, finished_at DATETIME(3) NULL, PRIMARY KEY (run_id, seq))""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_redirect (
                  path VARCHAR(64) PRIMARY KEY, type_id VARCHAR(40) NOT NULL)""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_media (
                  id BIGINT PRIMARY KEY, format VARCHAR(8) NOT NULL, width INT NOT NULL, height INT NOT NULL, bytes BIGINT NOT NULL,
                  name VARCHAR(255) NOT NULL, alt VARCHAR(1000) NOT NULL, sha256 CHAR(64) NOT NULL,
                  created_at DATETIME(3) NOT NULL, created_by VARCHAR(100) NOT NULL)""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_media_chunk (
                  media_id BIGINT NOT NULL, seq INT NOT NULL, content MEDIUMBLOB NOT NULL, PRIMARY KEY (media_id, seq))""",
                "INSERT IGNORE INTO jontrel_lease VALUES ('run', '', 0, 0, NOW(3))",
                "INSERT IGNORE INTO jontrel_gate SELECT seq, 0, 0, 0 FROM seq_0_to_15",
                "INSERT IGNORE INTO jontrel_installed VALUES (1, '', '[]', '', 0, NOW(3))");
    }

    public static String createTable(ContentType type) {
        var lines = new ArrayList<String>(List.of(
                "id BIGINT PRIMARY KEY",
                "slug VARCHAR(190) CHARACTER SET ascii COLLATE ascii_bin NOT NULL",
                "state VARCHAR(16) CHARACTER SET ascii COLLATE ascii_bin NOT NULL",
                "version INT NOT NULL",
                "complete TINYINT(1) NOT NULL",
                "created_at DATETIME(6) NOT NULL",
                "updated_at DATETIME(6) NOT NULL",
                "created_by VARCHAR(100) NOT NULL",
                "updated_by VARCHAR(100) NOT NULL"));
        type.allFields().forEach(field -> lines.add(column(Names.column(type, field), field)));
        lines.add("UNIQUE KEY slug (slug)");
        lines.add("KEY updated (updated_at)");
        lines.add("KEY state (state, updated_at)");
        return "CREATE TABLE %s (%s) ENGINE=InnoDB COMMENT=%s"
                .formatted(Names.quoted(Names.table(type)), String.join(", ", lines), Names.comment(type.id()));
    }

    public static String addColumn(String table, Field field) {
        return "ALTER TABLE %s ADD COLUMN %s, ALGORITHM=INSTANT"
                .formatted(Names.quoted(table), column(Names.next(field.id()), field));
    }

    public static String dropColumn(String table, String column) {
        return "ALTER TABLE %s DROP COLUMN %s, ALGORITHM=INSTANT".formatted(Names.quoted(table), Names.quoted(column));
    }

    /** From one column name to another. */
    public record Rename(String from, String to) {}

    /** All at once, so that two columns may change names with each other. */
    public static String renameColumns(String table, List<Rename> renames) {
        return renames.stream()
                .map(r -> "RENAME COLUMN %s TO %s".formatted(Names.quoted(r.from()), Names.quoted(r.to())))
                .collect(Collectors.joining(
                        ", ", "ALTER TABLE %s ".formatted(Names.quoted(table)), ", ALGORITHM=INSTANT"));
    }

    public static String renameTable(String from, String to) {
        return "RENAME TABLE %s TO %s".formatted(Names.quoted(from), Names.quoted(to));
    }

    public static String dropTable(String table) {
        return "DROP TABLE " + Names.quoted(table);
    }

    private static String column(String name, Field field) {
        return "%s %s NULL COMMENT %s".formatted(Names.quoted(name), type(field.kind()), Names.comment(field.id()));
    }

    private static String type(Kind kind) {
        return switch (kind) {
            case Kind.Text _, Kind.Email _, Kind.Phone _ -> "VARCHAR(255)";
            case Kind.LongText _ -> "MEDIUMTEXT";
            case Kind.Numeric _ -> "DECIMAL(20,6)";
            case Kind.YesNo _ -> "TINYINT(1)";
            case Kind.Date _ -> "DATE";
            case Kind.Time _ -> "TIME";
            case Kind.Colour _ -> "CHAR(7) CHARACTER SET ascii COLLATE ascii_bin";
            case Kind.Choice _ -> "VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin";
            case Kind.Image _ -> "BIGINT";
            case Kind.RichText _,
                    Kind.DateTime _,
                    Kind.Url _,
                    Kind.Icon _,
                    Kind.File _,
                    Kind.Relation _,
                    Kind.TermPick _,
                    Kind.FieldGroup _,
                    Kind.Repeater _,
                    Kind.Coordinates _,
                    Kind.Note _ ->
                throw new IllegalStateException("No site has a column for " + kind.code() + ": plans refuse it");
        };
    }
}

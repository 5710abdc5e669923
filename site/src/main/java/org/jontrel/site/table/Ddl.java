package org.jontrel.site.table;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.RecordType;

/** Statements that make and change tables. Every column and table carries the id of its definition as its comment. */
public final class Ddl {
    /** Finds what is to be retired by itself, and counts what visitors see, without looking at rows; no key is called so. */
    public static final String RETIRES = "own__retires";

    /** What imports keep for a while: rows, and what was found out of them. Copies and archives of a site go without. */
    public static final Set<String> OF_IMPORTS = Set.of(
            "jontrel_import",
            "jontrel_import_row",
            "jontrel_import_name",
            "jontrel_import_problem",
            "jontrel_import_record",
            "jontrel_import_made",
            "jontrel_import_file");

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
                  slot TINYINT PRIMARY KEY, generation BIGINT NOT NULL, closed TINYINT(1) NOT NULL, passed BIGINT NOT NULL,
                  logging TINYINT(1) NOT NULL DEFAULT 0)""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_change (
                  seq BIGINT AUTO_INCREMENT PRIMARY KEY, holder_id VARCHAR(40) NOT NULL, record_id BIGINT NOT NULL)""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_followed (
                  holder_id VARCHAR(40) NOT NULL, record_id BIGINT NOT NULL, PRIMARY KEY (holder_id, record_id))""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_lease (
                  name VARCHAR(32) PRIMARY KEY, owner VARCHAR(100) NOT NULL, token BIGINT NOT NULL, beat BIGINT NOT NULL,
                  beat_at DATETIME(3) NOT NULL)""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_run (
                  id BIGINT PRIMARY KEY, kind VARCHAR(16) NOT NULL, state VARCHAR(16) NOT NULL, from_version VARCHAR(64) NOT NULL,
                  to_version VARCHAR(64) NOT NULL, from_model LONGTEXT NOT NULL, to_model LONGTEXT NOT NULL,
                  by_whom VARCHAR(100) NOT NULL, undoes BIGINT NULL, message TEXT NULL, findings MEDIUMTEXT NOT NULL,
                  started_at DATETIME(3) NOT NULL, finished_at DATETIME(3) NULL, generation BIGINT NULL,
                  paused_by VARCHAR(100) NULL, journey BIGINT NULL)""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_step (
                  run_id BIGINT NOT NULL, seq INT NOT NULL, step MEDIUMTEXT NOT NULL, sentence TEXT NOT NULL, state VARCHAR(16) NOT NULL,
                  rows_expected BIGINT NOT NULL, rows_done BIGINT NOT NULL, reached BIGINT NOT NULL,
                  started_at DATETIME(3) NULL, finished_at DATETIME(3) NULL, PRIMARY KEY (run_id, seq))""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_purged (
                  name VARCHAR(40) PRIMARY KEY, run_id BIGINT NOT NULL, holder_id VARCHAR(40) NOT NULL,
                  field_id VARCHAR(40) NOT NULL, amount BIGINT NOT NULL, by_whom VARCHAR(100) NOT NULL,
                  at DATETIME(3) NOT NULL)""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_set_aside (
                  holder_id VARCHAR(40) NOT NULL, record_id BIGINT NOT NULL, field_id VARCHAR(40) NOT NULL,
                  run_id BIGINT NOT NULL, PRIMARY KEY (holder_id, record_id, field_id, run_id), KEY run (run_id))""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_redirect (
                  path VARCHAR(64) PRIMARY KEY, type_id VARCHAR(40) NOT NULL,
                  from_id VARCHAR(40) NOT NULL DEFAULT '')""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_address (
                  holder_id VARCHAR(40) NOT NULL, parent_id BIGINT NOT NULL,
                  slug VARCHAR(190) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, record_id BIGINT NOT NULL,
                  PRIMARY KEY (holder_id, parent_id, slug))""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_definitions (
                  generation BIGINT PRIMARY KEY, version VARCHAR(64) NOT NULL, model LONGTEXT NOT NULL)""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_history (
                  holder_id VARCHAR(40) NOT NULL, record_id BIGINT NOT NULL, version INT NOT NULL, generation BIGINT NOT NULL,
                  state VARCHAR(16) NOT NULL, slug VARCHAR(190) NOT NULL, at DATETIME(6) NOT NULL, by_whom VARCHAR(100) NOT NULL,
                  record_values LONGTEXT NOT NULL, PRIMARY KEY (holder_id, record_id, version))""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_text (
                  holder_id VARCHAR(40) NOT NULL, record_id BIGINT NOT NULL, words MEDIUMTEXT NOT NULL,
                  PRIMARY KEY (holder_id, record_id), FULLTEXT KEY words (words))""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_api_text (
                  holder_id VARCHAR(40) NOT NULL, record_id BIGINT NOT NULL, words MEDIUMTEXT NOT NULL,
                  PRIMARY KEY (holder_id, record_id), FULLTEXT KEY words (words))""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_guard (slot TINYINT PRIMARY KEY, passed BIGINT NOT NULL)""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_media (
                  id BIGINT PRIMARY KEY, format VARCHAR(16) NOT NULL, width INT NOT NULL, height INT NOT NULL, bytes BIGINT NOT NULL,
                  name VARCHAR(255) NOT NULL, alt VARCHAR(1000) NOT NULL, sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
                  focus_x TINYINT NOT NULL DEFAULT 50, focus_y TINYINT NOT NULL DEFAULT 50,
                  created_at DATETIME(3) NOT NULL, created_by VARCHAR(100) NOT NULL, KEY sha256 (sha256))""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_content (
                  name VARCHAR(80) CHARACTER SET ascii NOT NULL, seq INT NOT NULL, content MEDIUMBLOB NOT NULL,
                  PRIMARY KEY (name, seq))""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_media_use (
                  media_id BIGINT NOT NULL, holder_id VARCHAR(40) NOT NULL, record_id BIGINT NOT NULL,
                  PRIMARY KEY (media_id, holder_id, record_id), KEY record (holder_id, record_id))""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_made (
                  name VARCHAR(40) CHARACTER SET ascii NOT NULL, taxonomy_id VARCHAR(40) CHARACTER SET ascii NOT NULL,
                  above_id BIGINT NOT NULL DEFAULT 0, label VARCHAR(200) COLLATE utf8mb4_bin NOT NULL,
                  shown VARCHAR(200) NOT NULL, term_id BIGINT NOT NULL,
                  PRIMARY KEY (name, taxonomy_id, above_id, label))""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_found (
                  name VARCHAR(40) CHARACTER SET ascii PRIMARY KEY, type_id VARCHAR(40) CHARACTER SET ascii NOT NULL,
                  field_id VARCHAR(40) CHARACTER SET ascii NOT NULL, model LONGTEXT NOT NULL, version VARCHAR(64) NOT NULL,
                  found_at DATETIME(3) NOT NULL, found_by VARCHAR(100) NOT NULL)""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_mapping (
                  name VARCHAR(100) PRIMARY KEY, mapping LONGTEXT NOT NULL, by_whom VARCHAR(100) NOT NULL, at DATETIME(3) NOT NULL)""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_import (
                  id BIGINT PRIMARY KEY, name VARCHAR(255) NOT NULL, state VARCHAR(16) NOT NULL, phase VARCHAR(16) NOT NULL,
                  facts LONGTEXT NOT NULL, findings MEDIUMTEXT NOT NULL, mapping LONGTEXT NOT NULL, revision INT NOT NULL,
                  tried INT NULL, tried_at VARCHAR(40) NULL, generation BIGINT NULL, by_whom VARCHAR(100) NOT NULL,
                  made_at DATETIME(3) NOT NULL, begun_at DATETIME(3) NULL, ended_at DATETIME(3) NULL, stops TINYINT(1) NOT NULL,
                  runs TINYINT(1) NOT NULL DEFAULT 0,
                  sheet INT NOT NULL, level INT NOT NULL, reached BIGINT NOT NULL, done BIGINT NOT NULL, total BIGINT NOT NULL,
                  message TEXT NULL)""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_import_row (
                  import_id BIGINT NOT NULL, sheet INT NOT NULL, number INT NOT NULL, cells MEDIUMTEXT NOT NULL,
                  record_id BIGINT NOT NULL DEFAULT 0, fresh TINYINT(1) NOT NULL DEFAULT 0, level INT NOT NULL DEFAULT 0,
                  above BIGINT NOT NULL DEFAULT 0, leads TINYINT(1) NOT NULL DEFAULT 0,
                  outcome VARCHAR(8) CHARACTER SET ascii NULL, PRIMARY KEY (import_id, sheet, number),
                  KEY place (import_id, sheet, level, number), KEY record (import_id, record_id),
                  KEY outcome (import_id, sheet, outcome, number))""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_import_name (
                  import_id BIGINT NOT NULL, by_what VARCHAR(90) CHARACTER SET ascii NOT NULL,
                  text VARCHAR(255) COLLATE utf8mb4_bin NOT NULL, sheet INT NOT NULL, number BIGINT NOT NULL,
                  KEY name (import_id, by_what, text))""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_import_problem (
                  import_id BIGINT NOT NULL, sheet INT NOT NULL, number INT NOT NULL, seq INT NOT NULL, col INT NOT NULL,
                  code VARCHAR(40) CHARACTER SET ascii NOT NULL, text VARCHAR(255) NOT NULL, finding TEXT NOT NULL,
                  PRIMARY KEY (import_id, sheet, number, seq), KEY together (import_id, sheet, col, code))""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_import_record (
                  import_id BIGINT NOT NULL, holder_id VARCHAR(40) CHARACTER SET ascii NOT NULL, record_id BIGINT NOT NULL,
                  version INT NOT NULL, generation BIGINT NOT NULL, was MEDIUMTEXT NULL, kept VARCHAR(8) CHARACTER SET ascii NULL,
                  PRIMARY KEY (import_id, holder_id, record_id))""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_import_made (
                  import_id BIGINT NOT NULL, holder_id VARCHAR(40) CHARACTER SET ascii NOT NULL, above_id BIGINT NOT NULL,
                  label VARCHAR(200) COLLATE utf8mb4_bin NOT NULL, shown VARCHAR(200) NOT NULL, record_id BIGINT NOT NULL,
                  stored TINYINT(1) NOT NULL DEFAULT 0, PRIMARY KEY (import_id, holder_id, above_id, label))""",
                """
                CREATE TABLE IF NOT EXISTS jontrel_import_file (
                  import_id BIGINT NOT NULL, media_id BIGINT NOT NULL, PRIMARY KEY (import_id, media_id))""",
                "INSERT IGNORE INTO jontrel_guard SELECT seq, 0 FROM seq_0_to_63",
                "INSERT IGNORE INTO jontrel_lease VALUES ('run', '', 0, 0, UTC_TIMESTAMP(3))",
                "INSERT IGNORE INTO jontrel_lease VALUES ('import', '', 0, 0, UTC_TIMESTAMP(3))",
                "INSERT IGNORE INTO jontrel_gate (slot, generation, closed, passed) SELECT seq, 0, 0, 0 FROM seq_0_to_15",
                "INSERT IGNORE INTO jontrel_installed VALUES (1, '', '[]', '', 0, UTC_TIMESTAMP(3))");
    }

    /** The name of the table that a statement makes; empty for other statements. */
    public static String made(String sql) {
        var words = sql.split("[ (]+", 7);
        return words[0].equals("CREATE") ? words[5] : "";
    }

    /** The table of what a record type holds, then those of its fields, by what their comments say. */
    public static SequencedMap<String, String> createTables(RecordType recordType) {
        var statements = new LinkedHashMap<String, String>();
        statements.put(recordType.id(), TableDdl.createTable(recordType, PhysicalNames.table(recordType)));
        PhysicalNames.tables(recordType)
                .forEach((fieldId, name) -> statements.put(
                        PhysicalNames.mark(recordType.id(), fieldId), TableDdl.createOwn(recordType, fieldId, name)));
        return statements;
    }

    /** A column that every record has. */
    public record OwnColumn(String name, String type) {}

    /** The index of what is to be retired by itself, for a table that an earlier version made. */
    public static String addRetires(String table) {
        return "ALTER TABLE %s ADD KEY IF NOT EXISTS %s (state, retire_at), ALGORITHM=INPLACE, LOCK=NONE"
                .formatted(PhysicalNames.quoted(table), RETIRES);
    }

    public static String addColumn(String table, Field field) {
        // at once where the table allows it; one that has had too many columns in its time is written anew beside
        return "ALTER TABLE %s ADD COLUMN %s, LOCK=NONE"
                .formatted(PhysicalNames.quoted(table), column(PhysicalNames.next(field.id()), field));
    }

    /** Writes a table anew, without what columns that were dropped have left in it; people work on meanwhile. */
    public static String rebuild(String table) {
        return "ALTER TABLE %s FORCE, LOCK=NONE".formatted(table);
    }

    public static String dropColumn(String table, String column) {
        return "ALTER TABLE %s DROP COLUMN %s, ALGORITHM=INSTANT"
                .formatted(PhysicalNames.quoted(table), PhysicalNames.quoted(column));
    }

    public static String dropIndex(String table, String index) {
        return "ALTER TABLE %s DROP KEY %s, ALGORITHM=INPLACE, LOCK=NONE"
                .formatted(PhysicalNames.quoted(table), PhysicalNames.quoted(index));
    }

    public static String dropTables(Collection<String> tables) {
        return tables.stream().map(PhysicalNames::quoted).collect(Collectors.joining(", ", "DROP TABLE ", ""));
    }

    /** From one column name to another. */
    public record ColumnRename(String from, String to) {}

    /** All at once, so that two columns may change names with each other. */
    public static String renameColumns(String table, List<ColumnRename> renames) {
        return renames.stream()
                .map(r -> "RENAME COLUMN %s TO %s"
                        .formatted(PhysicalNames.quoted(r.from()), PhysicalNames.quoted(r.to())))
                .collect(Collectors.joining(
                        ", ", "ALTER TABLE %s ".formatted(PhysicalNames.quoted(table)), ", ALGORITHM=INSTANT"));
    }

    /** All in one statement: either all have their new names or none. */
    public static String renameTables(Map<String, String> names) {
        return names.entrySet().stream()
                .map(each -> PhysicalNames.quoted(each.getKey()) + " TO " + PhysicalNames.quoted(each.getValue()))
                .collect(Collectors.joining(", ", "RENAME TABLE ", ""));
    }

    static String column(String name, Field field) {
        return "%s %s NULL COMMENT %s"
                .formatted(PhysicalNames.quoted(name), type(field.kind()), PhysicalNames.comment(field.id()));
    }

    /** The type of a column that holds values of a kind, as in a statement. */
    public static String type(Kind kind) {
        return switch (kind) {
            case Kind.Text _, Kind.Email _, Kind.Phone _ -> "VARCHAR(255)";
            case Kind.LongText _, Kind.RichText _ -> "MEDIUMTEXT";
            case Kind.Url _ -> "TEXT";
            case Kind.DateTime _ -> "DATETIME";
            case Kind.Icon _ -> "VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin";
            case Kind.Coordinates _ -> "POINT";
            case Kind.Numeric _ -> "DECIMAL(20,6)";
            case Kind.YesNo _ -> "TINYINT(1)";
            case Kind.Date _ -> "DATE";
            case Kind.Time _ -> "TIME";
            case Kind.Colour _ -> "CHAR(7) CHARACTER SET ascii COLLATE ascii_bin";
            case Kind.Choice _ -> "VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin";
            case Kind.Image _, Kind.File _ -> "BIGINT";
            case Kind.Relation _, Kind.TermPick _, Kind.Nested _, Kind.Note _ ->
                throw new IllegalStateException("No column holds a value of kind " + kind.code());
        };
    }
}

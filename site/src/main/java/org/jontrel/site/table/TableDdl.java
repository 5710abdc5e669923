package org.jontrel.site.table;

import java.util.ArrayList;
import java.util.List;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.RecordType;

/** Statements that make the tables of a record type and of its fields. */
public final class TableDdl {
    private TableDdl() {}

    static String createTable(RecordType recordType, String name) {
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
        ownColumns().forEach(own -> lines.add(own.name() + " " + own.type()));
        columns(recordType, "", lines);
        lines.add("UNIQUE KEY slug (parent_id, slug)");
        lines.add("KEY slugs (slug)");
        lines.add("KEY updated (updated_at)");
        lines.add("KEY state (state, updated_at)");
        lines.add("KEY " + Ddl.RETIRES + " (state, retire_at)");
        IndexDdl.wantedIndexes(recordType).forEach(columns -> lines.add("KEY (" + IndexDdl.indexed(columns) + ")"));
        return table(name, recordType.id(), lines);
    }

    /** The table of a field: rows, links, terms or several values; or of the terms above each term. */
    static String createOwn(RecordType recordType, String fieldId, String name) {
        var lines = new ArrayList<String>();
        if (fieldId.equals(PhysicalNames.ABOVE)) {
            lines.addAll(List.of(
                    "term_id BIGINT NOT NULL",
                    "above_id BIGINT NOT NULL",
                    "depth INT NOT NULL",
                    "PRIMARY KEY (term_id, above_id)",
                    "KEY above (above_id, term_id)"));
            return table(name, PhysicalNames.mark(recordType.id(), fieldId), lines);
        }
        var field = recordType.field(fieldId).orElseThrow();
        lines.add("record_id BIGINT NOT NULL");
        switch (field.kind()) {
            case Kind.Repeater _ -> {
                lines.addAll(List.of("id BIGINT NOT NULL", "row_id BIGINT NOT NULL", "position INT NOT NULL"));
                columns(recordType, fieldId, lines);
                lines.add("PRIMARY KEY (record_id, id)");
            }
            case Kind.Relation _ ->
                lines.addAll(List.of(
                        "row_id BIGINT NOT NULL",
                        "position INT NOT NULL",
                        "target_type VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL",
                        "target_id BIGINT NOT NULL",
                        "PRIMARY KEY (record_id, row_id, target_id)",
                        "KEY target (target_id, record_id)"));
            case Kind.TermPick _ ->
                lines.addAll(List.of(
                        "row_id BIGINT NOT NULL",
                        "position INT NOT NULL",
                        "term_id BIGINT NOT NULL",
                        "PRIMARY KEY (record_id, row_id, term_id)",
                        "KEY term (term_id, record_id)"));
            case Kind.Plain _, Kind.Image _, Kind.File _, Kind.FieldGroup _, Kind.Note _ -> {
                lines.addAll(List.of("row_id BIGINT NOT NULL", "position INT NOT NULL"));
                columns(recordType, fieldId, lines);
                lines.addAll(List.of("PRIMARY KEY (record_id, row_id, position)", "KEY value (value, record_id)"));
            }
        }
        return table(name, PhysicalNames.mark(recordType.id(), fieldId), lines);
    }

    static void columns(RecordType recordType, String table, List<String> lines) {
        PhysicalNames.columns(recordType, table)
                .forEach((fieldId, name) ->
                        lines.add(Ddl.column(name, recordType.field(fieldId).orElseThrow())));
    }

    static String table(String name, String mark, List<String> lines) {
        return "CREATE TABLE %s (%s) ENGINE=InnoDB COMMENT=%s"
                .formatted(PhysicalNames.quoted(name), String.join(", ", lines), PhysicalNames.comment(mark));
    }

    /** What records have beside their state and times: where they stand, when they appear, where they came from. */
    public static List<Ddl.OwnColumn> ownColumns() {
        return List.of(
                new Ddl.OwnColumn(
                        "parent_type", "VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT ''"),
                new Ddl.OwnColumn("parent_id", "BIGINT NOT NULL DEFAULT 0"),
                new Ddl.OwnColumn("position", "INT NOT NULL DEFAULT 0"),
                new Ddl.OwnColumn("publish_at", "DATETIME NULL"),
                new Ddl.OwnColumn("retire_at", "DATETIME NULL"),
                new Ddl.OwnColumn("origin", "VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL"));
    }
}

package org.jontrel.site.record.write;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.SearchWords;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Bindings;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Ddl;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.Schema;
import org.jontrel.site.table.Statements;
import org.jontrel.site.table.TableDdl;

/**
 * Brings a site that an earlier version of this program made to the tables of this one, whose records stand under others,
 * have histories, are found by their words and retire by themselves. Each step is harmless where it was done, so it may be
 * interrupted and begun again; the last one takes away what says that it is needed.
 */
public final class SiteUpgrade {
    private static final String OLD = "jontrel_media_chunk";
    private static final int CHUNK = 500;

    private SiteUpgrade() {}

    public static void run(Database database, Bindings bindings) {
        database.direct(connection -> {
            add(connection, "jontrel_run", "generation", "BIGINT NULL");
            add(connection, "jontrel_run", "paused_by", "VARCHAR(100) NULL");
            add(connection, "jontrel_run", "journey", "BIGINT NULL");
            add(connection, "jontrel_gate", "logging", "TINYINT(1) NOT NULL DEFAULT 0");
            add(connection, "jontrel_redirect", "from_id", "VARCHAR(40) NOT NULL DEFAULT ''");
            longSteps(connection);
            levels(connection);
        });
        first(database, bindings);
        retiring(database);
        if (!SearchWords.keptApart(database)) {
            database.transaction(bindings::reload)
                    .tables()
                    .values()
                    .forEach(table -> SearchWords.renewAll(database, table));
            SearchWords.keepApart(database);
        }
    }

    /** Terms that runs make stand under others. */
    private static void levels(Connection connection) throws SQLException {
        if (!Schema.columns(connection, "jontrel_made").containsKey("above_id")) {
            Jdbc.execute(
                    connection,
                    "ALTER TABLE jontrel_made ADD COLUMN IF NOT EXISTS above_id BIGINT NOT NULL DEFAULT 0 AFTER taxonomy_id,"
                            + " DROP PRIMARY KEY, ADD PRIMARY KEY (name, taxonomy_id, above_id, label)");
        }
    }

    /** Steps with many corrections are long. */
    private static void longSteps(Connection connection) throws SQLException {
        var sql = "SELECT COUNT(*) FROM information_schema.COLUMNS WHERE TABLE_SCHEMA = DATABASE()"
                + " AND TABLE_NAME = 'jontrel_step' AND COLUMN_NAME = 'step' AND DATA_TYPE = 'text'";
        if (Jdbc.number(connection, sql) > 0) {
            Jdbc.execute(connection, "ALTER TABLE jontrel_step MODIFY step MEDIUMTEXT NOT NULL");
        }
    }

    /** Only where it is missing: others may be at work on the table. */
    private static void add(Connection connection, String table, String column, String type) throws SQLException {
        if (!Schema.columns(connection, table).containsKey(column)) {
            Jdbc.execute(connection, "ALTER TABLE " + table + " ADD COLUMN IF NOT EXISTS " + column + " " + type);
        }
    }

    /**
     * Records that retire by themselves: also those that a run holds, which its undo brings back. The index comes last, so a
     * table that was interrupted before it is found again.
     */
    private static void retiring(Database database) {
        database.direct(connection -> {
            for (var table : Schema.without(connection, Ddl.RETIRES)) {
                columns(connection, table);
                Jdbc.execute(connection, Ddl.addRetires(table));
            }
        });
    }

    private static void first(Database database, Bindings bindings) {
        boolean[] needed = {false};
        database.direct(connection -> {
            needed[0] = Schema.tables(connection).containsKey(OLD);
            if (needed[0]) {
                tables(connection);
            }
        });
        if (!needed[0]) {
            return;
        }
        var binding = database.transaction(bindings::reload);
        binding.tables().values().forEach(table -> words(database, table));
        database.direct(connection -> Jdbc.execute(connection, "DROP TABLE " + OLD));
    }

    private static void tables(Connection connection) throws SQLException {
        Jdbc.execute(
                connection,
                "ALTER TABLE jontrel_media MODIFY format VARCHAR(16) NOT NULL,"
                        + " ADD COLUMN IF NOT EXISTS focus_x TINYINT NOT NULL DEFAULT 50,"
                        + " ADD COLUMN IF NOT EXISTS focus_y TINYINT NOT NULL DEFAULT 50");
        Jdbc.execute(
                connection,
                "INSERT IGNORE INTO jontrel_content (name, seq, content) SELECT m.sha256, c.seq, c.content FROM " + OLD
                        + " c JOIN jontrel_media m ON m.id = c.media_id");
        Jdbc.execute(
                connection,
                "INSERT IGNORE INTO jontrel_definitions (generation, version, model) SELECT g.generation, i.version, i.model"
                        + " FROM jontrel_gate g, jontrel_installed i WHERE g.slot = 0 AND i.id = 1");
        for (var table : Schema.inUse(connection).entrySet()) {
            if (!table.getKey().contains("/")) {
                columns(connection, table.getValue());
            }
        }
    }

    /** What every record has; a field's column in its way gets the name that it would have now. */
    private static void columns(Connection connection, String name) throws SQLException {
        var there = Schema.columns(connection, name);
        for (var own : TableDdl.ownColumns()) {
            var mark = there.get(own.name());
            if (mark != null && !mark.isEmpty()) {
                Jdbc.execute(
                        connection,
                        Ddl.renameColumns(name, List.of(new Ddl.ColumnRename(own.name(), own.name() + "_value"))));
            }
            Jdbc.execute(
                    connection,
                    "ALTER TABLE " + PhysicalNames.quoted(name) + " ADD COLUMN IF NOT EXISTS " + own.name() + " "
                            + own.type());
        }
        if ("slug".equals(Schema.indexes(connection, name).get("slug"))) {
            Jdbc.execute(
                    connection,
                    "ALTER TABLE " + PhysicalNames.quoted(name)
                            + " DROP INDEX slug, ADD UNIQUE KEY slug (parent_id, slug)," + " ADD KEY slugs (slug)");
        }
    }

    /** The words of each record, and the pictures that it uses. */
    private static void words(Database database, Binding.BoundTables table) {
        RecordType recordType = table.recordType();
        long[] reached = {0};
        while (reached[0] >= 0) {
            database.transaction(session -> {
                var connection = session.getConnection();
                var records = new RecordLoader(table).after(connection, reached[0], CHUNK);
                var statements = new Statements();
                for (var record : records) {
                    SearchWords.store(statements, recordType, record.id(), record.values());
                    for (var field : recordType.columns("")) {
                        if (field.kind() instanceof Kind.Image
                                && record.values().get(field.id()) instanceof Long file) {
                            References.used(statements, file, recordType.id(), record.id());
                        }
                    }
                }
                statements.run(connection);
                reached[0] = records.isEmpty() ? -1 : records.getLast().id();
                return null;
            });
        }
    }
}

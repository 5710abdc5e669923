package org.jontrel.site.drift;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.apache.ibatis.session.SqlSession;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.finding.Severity;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.record.read.TermTree;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Binding.BoundTables;
import org.jontrel.site.table.Bindings;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Ddl;
import org.jontrel.site.table.Gate;
import org.jontrel.site.table.IndexDdl;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.MendDdl;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.Schema;

/** Looks for drift in a site's tables, and puts back what can be put back. */
public final class SiteDrift {
    /** What can be put back, if without the values that are gone. */
    public static final Set<Code> MENDABLE = Set.of(
            Code.DRIFT_TABLE_GONE,
            Code.DRIFT_COLUMN_GONE,
            Code.DRIFT_COMMENT_GONE,
            Code.DRIFT_INDEX_GONE,
            Code.DRIFT_ROWS_ORPHANED,
            Code.DRIFT_LINKS_ASTRAY,
            Code.DRIFT_TREE_WRONG);

    private static final Set<Code> CHANGE_TABLES =
            Set.of(Code.DRIFT_TABLE_GONE, Code.DRIFT_COLUMN_GONE, Code.DRIFT_COMMENT_GONE, Code.DRIFT_INDEX_GONE);

    private final Database database;
    private final Bindings bindings;

    public SiteDrift(Database database, Bindings bindings) {
        this.database = database;
        this.bindings = bindings;
    }

    /** Everything that is not as the installed definitions say, the worst first. */
    public List<Finding> look() {
        return database.transaction(session -> {
            var connection = session.getConnection();
            Schema.await(connection);
            var binding = bindings.fresh(session);
            var findings = new ArrayList<>(TableDrift.of(connection, binding));
            findings.addAll(installed(connection, binding));
            if (findings.stream().noneMatch(each -> each.severity() == Severity.BLOCKER)) {
                findings.addAll(RowDrift.of(connection, binding));
            }
            findings.sort(Finding.WORST_FIRST);
            return findings;
        });
    }

    /** Whether the definitions that a site keeps are those that its last run left, and whether its journal has that run. */
    private static List<Finding> installed(Connection connection, Binding binding) throws SQLException {
        var findings = new ArrayList<Finding>();
        var said = Jdbc.first(
                        connection,
                        "SELECT i.checksum, i.run_id, r.to_version FROM jontrel_installed i LEFT JOIN jontrel_run r ON r.id ="
                                + " i.run_id WHERE i.id = 1",
                        row -> new LastRun(row.getString(1), row.getLong(2), row.getString(3)))
                .orElseThrow();
        // a site that has nothing yet
        if (said.run() == 0) {
            return findings;
        }
        if (!said.checksum().equals(PackageWriter.checksum(binding.model()))) {
            findings.add(Finding.of(Code.DRIFT_DEFINITIONS_CHANGED, Place.NOWHERE, binding.version()));
        }
        if (!binding.version().equals(said.version())) {
            findings.add(Finding.of(Code.DRIFT_JOURNAL_GONE, Place.NOWHERE, binding.version()));
        }
        return findings;
    }

    /** @param version that the run leads to; {@code null} where it is gone */
    private record LastRun(String checksum, long run, String version) {}

    /** Puts one difference back; whether it was there and could be. Nothing may run on the site meanwhile. */
    public boolean mend(Code code, String recordTypeId, String fieldId) {
        boolean known = MENDABLE.contains(code)
                && look().stream()
                        .anyMatch(found -> found.code() == code
                                && found.place().definition().equals(recordTypeId)
                                && found.place().field().equals(fieldId));
        if (known) {
            var binding = database.transaction(bindings::fresh);
            if (CHANGE_TABLES.contains(code)) {
                say(binding, code, recordTypeId, fieldId);
                if (code == Code.DRIFT_COLUMN_GONE) {
                    // what was made of the column has gone with it
                    say(database.transaction(bindings::fresh), Code.DRIFT_INDEX_GONE, recordTypeId, "");
                }
            } else {
                database.transaction(session -> rows(session, binding, code, recordTypeId, fieldId));
            }
            database.transaction(session -> {
                Gate.changed(session.getConnection());
                return bindings.reload(session);
            });
        }
        return known;
    }

    private void say(Binding binding, Code code, String recordTypeId, String fieldId) {
        database.direct(connection -> {
            for (var sql : statements(connection, binding, code, recordTypeId, fieldId)) {
                Jdbc.execute(connection, sql);
            }
        });
    }

    /** What the definitions would have made. */
    private static List<String> statements(
            Connection connection, Binding binding, Code code, String recordTypeId, String fieldId)
            throws SQLException {
        var recordType = binding.model()
                .definition(recordTypeId)
                .flatMap(each -> RecordType.of(binding.model(), each))
                .orElseThrow();
        if (code == Code.DRIFT_TABLE_GONE) {
            return List.of(Ddl.createTables(recordType)
                    .get(fieldId.isEmpty() ? recordTypeId : PhysicalNames.mark(recordTypeId, fieldId)));
        }
        var bound = binding.table(recordTypeId);
        boolean ofTable = bound.isEmpty()
                || PhysicalNames.tables(recordType).containsKey(fieldId)
                        && !bound.get().fields().containsKey(fieldId);
        if (code == Code.DRIFT_COMMENT_GONE && ofTable) {
            return List.of(
                    MendDdl.comment(TableDrift.table(recordType, fieldId), PhysicalNames.mark(recordTypeId, fieldId)));
        }
        var table = bound.orElseThrow();
        if (code == Code.DRIFT_INDEX_GONE) {
            return RowDrift.missing(connection, table).stream()
                    .map(columns -> IndexDdl.addIndex(table.name(), columns))
                    .toList();
        }
        var home = recordType.home(fieldId).table();
        var place = PhysicalNames.tables(recordType).containsKey(fieldId) ? fieldId : home;
        var name = place.isEmpty() ? table.name() : table.fields().get(place).name();
        var column = PhysicalNames.columns(recordType, place).get(fieldId);
        var field = recordType.field(fieldId).orElseThrow();
        return List.of(
                code == Code.DRIFT_COMMENT_GONE
                        ? MendDdl.comment(name, column, field)
                        : MendDdl.putBack(name, column, field));
    }

    private static Void rows(SqlSession session, Binding binding, Code code, String recordTypeId, String fieldId)
            throws SQLException {
        var connection = session.getConnection();
        BoundTables table = binding.table(recordTypeId).orElseThrow();
        if (code == Code.DRIFT_TREE_WRONG) {
            TermTree.renew(connection, table);
            return null;
        }
        var place = table.fields().get(fieldId);
        var astray = code == Code.DRIFT_ROWS_ORPHANED
                ? List.of(RowDrift.orphans(table, place))
                : RowDrift.astray(binding, table, fieldId, place);
        for (var rest : astray) {
            Jdbc.update(connection, "DELETE v " + rest);
        }
        return null;
    }
}

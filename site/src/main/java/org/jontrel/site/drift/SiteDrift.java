package org.jontrel.site.drift;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.finding.Severity;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Bindings;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Gate;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.Schema;

/** Looks for drift in a site's tables, and puts back what can be put back. */
public final class SiteDrift {
    /** What can be put back, if without the values that are gone. */
    public static final Set<Code> MENDABLE = Set.of(
            Code.DRIFT_TABLE_GONE,
            Code.DRIFT_COLUMN_GONE,
            Code.DRIFT_COLUMN_CHANGED,
            Code.DRIFT_DEFINITIONS_CHANGED,
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
    public boolean mend(Code code, String recordTypeId, String fieldId, String by) {
        boolean known = MENDABLE.contains(code)
                && look().stream()
                        .anyMatch(found -> found.code() == code
                                && found.place().definition().equals(recordTypeId)
                                && found.place().field().equals(fieldId));
        if (!known) {
            return false;
        }
        var binding = database.transaction(bindings::fresh);
        boolean done =
                switch (code) {
                    case DRIFT_COLUMN_CHANGED -> changed(binding, recordTypeId, fieldId, by);
                    case DRIFT_DEFINITIONS_CHANGED -> definitions();
                    default -> {
                        mend(binding, code, recordTypeId, fieldId);
                        yield true;
                    }
                };
        renew();
        return done;
    }

    private void mend(Binding binding, Code code, String recordTypeId, String fieldId) {
        if (!CHANGE_TABLES.contains(code)) {
            database.transaction(session -> DriftMends.rows(session, binding, code, recordTypeId, fieldId));
            return;
        }
        say(binding, code, recordTypeId, fieldId);
        if (code == Code.DRIFT_COLUMN_GONE) {
            indexes(recordTypeId);
        }
    }

    /** What was made of a column has gone with it. */
    private void indexes(String recordTypeId) {
        say(database.transaction(bindings::fresh), Code.DRIFT_INDEX_GONE, recordTypeId, "");
    }

    private void renew() {
        database.transaction(session -> {
            Gate.changed(session.getConnection());
            return bindings.reload(session);
        });
    }

    private boolean changed(Binding binding, String recordTypeId, String fieldId, String by) {
        boolean[] done = {false};
        database.direct(
                connection -> done[0] = new ColumnTaking(connection, binding).putBack(recordTypeId, fieldId, by));
        if (done[0]) {
            indexes(recordTypeId);
        }
        return done[0];
    }

    /** Those that the last run left; whether its journal has them. */
    private boolean definitions() {
        return database.transaction(session -> Jdbc.update(
                        session.getConnection(),
                        "UPDATE jontrel_installed i JOIN jontrel_run r ON r.id = i.run_id SET i.model = r.to_model,"
                                + " i.version = r.to_version WHERE i.id = 1")
                > 0);
    }

    /**
     * The kind of a field that could take over a column which somebody added.
     *
     * @param place id of the field with rows in whose table it is; empty for the table of the records
     * @return empty where there is no such column, or no field could hold what is in it
     */
    public Optional<Kind> kindOf(String recordTypeId, String place, String column) {
        return isUnknown(recordTypeId, place, column)
                ? database.transaction(session -> {
                    var binding = bindings.fresh(session);
                    return new ColumnTaking(session.getConnection(), binding).kind(recordTypeId, place, column);
                })
                : Optional.empty();
    }

    /**
     * Takes a column that somebody added out of the table of the records, and holds it as the values of a field: a release that has the
     * field can bring them along. Nothing may run on the site meanwhile.
     *
     * @param field with the kind that {@link #kindOf} says
     * @return whether it was there, and could be
     */
    public boolean take(String recordTypeId, String place, String column, Field field, String by) {
        if (!isUnknown(recordTypeId, place, column)) {
            return false;
        }
        var binding = database.transaction(bindings::fresh);
        boolean[] done = {false};
        database.direct(connection ->
                done[0] = new ColumnTaking(connection, binding).take(recordTypeId, place, column, field, by));
        renew();
        return done[0];
    }

    private boolean isUnknown(String recordTypeId, String place, String column) {
        return look().stream()
                .anyMatch(found -> found.code() == Code.DRIFT_COLUMN_UNKNOWN
                        && found.place().equals(Place.field(recordTypeId, place, column)));
    }

    private void say(Binding binding, Code code, String recordTypeId, String fieldId) {
        database.direct(connection -> {
            for (var sql : DriftMends.statements(connection, binding, code, recordTypeId, fieldId)) {
                Jdbc.execute(connection, sql);
            }
        });
    }
}

package org.jontrel.site.table;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.concurrent.atomic.AtomicReference;
import org.apache.ibatis.session.SqlSession;

/** The binding in force, found anew whenever a switch has happened. */
public final class Bindings {
    private final AtomicReference<Binding> last = new AtomicReference<>();

    /** The binding of the site's present generation; one short query where nothing has changed. */
    public Binding current(SqlSession session) throws SQLException {
        long generation = generation(session.getConnection());
        var known = last.get();
        if (known != null && known.generation() == generation) {
            return known;
        }
        return reload(session);
    }

    /** Forgets what was known: the database said that a table or column is not there. */
    public Binding reload(SqlSession session) throws SQLException {
        var connection = session.getConnection();
        var found = read(connection);
        last.set(found);
        return found;
    }

    private static Binding read(Connection connection) throws SQLException {
        try (var statement = connection.createStatement();
                var rows = statement.executeQuery("SELECT i.version, i.model, g.generation FROM jontrel_installed i"
                        + " JOIN jontrel_gate g ON g.slot = 0 WHERE i.id = 1")) {
            rows.next();
            var model = ModelText.read(rows.getString(2));
            var version = rows.getString(1);
            long generation = rows.getLong(3);
            var tables = new HashMap<String, Binding.Table>();
            for (var type : model.types()) {
                var table = Schema.tableOf(connection, type.id());
                if (table.isPresent()) {
                    var columns = Schema.columns(connection, table.get());
                    var byField = new HashMap<String, String>();
                    type.allFields()
                            .forEach(field -> Schema.columnOf(columns, field.id())
                                    .ifPresent(column -> byField.put(field.id(), column)));
                    tables.put(type.id(), new Binding.Table(table.get(), byField));
                }
            }
            return new Binding(version, model, generation, tables);
        }
    }

    private static long generation(Connection connection) throws SQLException {
        try (var statement = connection.createStatement();
                var rows = statement.executeQuery("SELECT generation FROM jontrel_gate WHERE slot = 0")) {
            rows.next();
            return rows.getLong(1);
        }
    }
}

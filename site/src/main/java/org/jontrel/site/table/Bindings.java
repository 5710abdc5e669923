package org.jontrel.site.table;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Supplier;
import org.apache.ibatis.session.SqlSession;
import org.jontrel.core.holder.Holder;

/** The binding in force, found anew whenever a switch has happened. */
public final class Bindings {
    private final AtomicReference<Binding> last = new AtomicReference<>();
    /** In the thread of what reads together. */
    private final ThreadLocal<Pinned> pinned = new ThreadLocal<>();

    private record Pinned(Gate.State state, Binding binding) {}

    /** Asks for the state and the binding once for all that is read within. */
    public <T> T pinned(SqlSession session, Supplier<T> work) throws SQLException {
        if (pinned.get() != null) {
            return work.get();
        }
        var state = Gate.state(session.getConnection());
        pinned.set(new Pinned(state, current(session, state.generation())));
        try {
            return work.get();
        } finally {
            pinned.remove();
        }
    }

    /** The binding of the site's present generation; one short query where nothing has changed. */
    public Binding current(SqlSession session) throws SQLException {
        var held = pinned.get();
        return held != null ? held.binding() : current(session, generation(session.getConnection()));
    }

    /** The state of the site; that of the beginning in what reads together. */
    public Gate.State state(SqlSession session) throws SQLException {
        var held = pinned.get();
        return held != null ? held.state() : Gate.state(session.getConnection());
    }

    private Binding current(SqlSession session, long generation) throws SQLException {
        var known = last.get();
        if (known != null && known.generation() == generation) {
            return known;
        }
        return reload(session);
    }

    /**
     * The binding that was last in force: for writers, whom the gate tells when it is no longer. Spares them a query.
     */
    public Binding last(SqlSession session) throws SQLException {
        var known = last.get();
        return known == null ? reload(session) : known;
    }

    /** Forgets what was known: the database said that a table or column is not there. */
    public Binding reload(SqlSession session) throws SQLException {
        var connection = session.getConnection();
        var found = read(connection);
        last.set(found);
        var held = pinned.get();
        if (held != null) {
            pinned.set(new Pinned(held.state(), found));
        }
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
            var marked = Schema.inUse(connection);
            var tables = new LinkedHashMap<String, Binding.Table>();
            for (var holder : Holder.all(model)) {
                var name = marked.get(holder.id());
                if (name != null) {
                    tables.put(holder.id(), table(connection, holder, name, marked));
                }
            }
            return new Binding(version, model, generation, tables);
        }
    }

    private static Binding.Table table(Connection connection, Holder holder, String name, Map<String, String> marked)
            throws SQLException {
        var fields = new LinkedHashMap<String, Binding.Place>();
        for (var fieldId : Names.tables(holder).keySet()) {
            var own = marked.get(Names.mark(holder.id(), fieldId));
            if (own != null) {
                fields.put(fieldId, place(connection, own));
            }
        }
        return new Binding.Table(holder, place(connection, name), fields);
    }

    private static Binding.Place place(Connection connection, String name) throws SQLException {
        var columns = new HashMap<String, String>();
        Schema.columns(connection, name).forEach((column, fieldId) -> {
            if (!fieldId.isEmpty() && Names.inUse(column)) {
                columns.put(fieldId, column);
            }
        });
        return new Binding.Place(name, columns);
    }

    private static long generation(Connection connection) throws SQLException {
        try (var statement = connection.createStatement();
                var rows = statement.executeQuery("SELECT generation FROM jontrel_gate WHERE slot = 0")) {
            rows.next();
            return rows.getLong(1);
        }
    }
}

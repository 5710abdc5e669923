package org.jontrel.site.table;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import java.util.Set;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Supplier;
import org.apache.ibatis.session.SqlSession;
import org.jontrel.core.model.Model;

/**
 * The binding in force. What reads under one is told by the gate whether definitions were switched meanwhile, and is then
 * done again: every answer is all from before a switch or all from behind it. While a switch is under way, or waits because
 * it was interrupted, readers are given what was there before: values that have been put aside already are read where they are
 * held.
 */
public final class Bindings {

    private static final Duration LACKING_FOR = Duration.ofSeconds(5);

    private final SwitchUnderWay underWay;
    private final AtomicReference<Binding> last = new AtomicReference<>();
    private final AtomicReference<Lacking> lacking = new AtomicReference<>();
    /** In the thread of what reads together. */
    private final ThreadLocal<Pinned> pinned = new ThreadLocal<>();

    public Bindings(SwitchUnderWay underWay) {
        this.underWay = underWay;
    }

    /** Tells which short names the run that switches now, or was interrupted, holds values under. */
    public interface SwitchUnderWay {
        Set<String> heldNames(Connection connection) throws SQLException;
    }

    /** Work that reads under a binding. */
    public interface BoundRead<T> {
        T with(SqlSession session, Binding binding) throws SQLException;
    }

    private record Pinned(Gate.GateState state, Binding binding) {}

    /** Definitions were switched while something was read under them. */
    static final class Switched extends RuntimeException {
        Switched() {
            super("Definitions were switched again and again. Try again in a moment.", null, false, false);
        }
    }

    /** Reads in one transaction, again where definitions were switched meanwhile; what was read before is forgotten. */
    public <T> T reading(Database database, BoundRead<T> work) {
        var held = pinned.get();
        return held != null
                ? database.transaction(session -> work.with(session, held.binding()))
                : InstalledTables.repeated(
                        () -> database.transaction(session -> consistent(session, known(session), work)));
    }

    /** Reads all that the work asks for in one transaction under one binding, as {@link #reading}. */
    public <T> T together(Database database, Supplier<T> work) {
        return pinned.get() != null
                ? work.get()
                : InstalledTables.repeated(() -> database.together(session -> {
                    var state = Gate.state(session.getConnection());
                    var binding = of(session.getConnection(), state);
                    return consistent(session, binding, (_, _) -> {
                        pinned.set(new Pinned(state, binding));
                        try {
                            return work.get();
                        } finally {
                            pinned.remove();
                        }
                    });
                }));
    }

    private <T> T consistent(SqlSession session, Binding binding, BoundRead<T> work) throws SQLException {
        T result;
        try {
            result = work.with(session, binding);
        } catch (SQLException | RuntimeException e) {
            if (holdsStill(session, binding, e)) {
                throw e;
            }
            throw switched(binding);
        }
        if (!holds(session.getConnection(), binding)) {
            throw switched(binding);
        }
        return result;
    }

    private Switched switched(Binding binding) {
        last.compareAndSet(binding, null);
        return new Switched();
    }

    private boolean holdsStill(SqlSession session, Binding binding, Exception thrown) {
        try {
            return holds(session.getConnection(), binding);
        } catch (SQLException | RuntimeException e) {
            thrown.addSuppressed(e);
            return true;
        }
    }

    /** Whether tables and columns are still where the binding says. */
    private boolean holds(Connection connection, Binding binding) throws SQLException {
        var state = Gate.state(connection);
        boolean same = state.generation() == binding.generation() && state.closed() == binding.provisional();
        return same
                && (!state.closed()
                        || InstalledTables.isWhole(binding)
                                && before(connection, state).tables().equals(binding.tables()));
    }

    private Binding known(SqlSession session) throws SQLException {
        var known = last.get();
        return known != null ? known : reload(session);
    }

    /** The binding of the site's present generation. */
    public Binding current(SqlSession session) throws SQLException {
        var held = pinned.get();
        return held != null ? held.binding() : of(session.getConnection(), Gate.state(session.getConnection()));
    }

    /** The state of the site; that of the beginning in what reads together. */
    public Gate.GateState state(SqlSession session) throws SQLException {
        var held = pinned.get();
        return held != null ? held.state() : Gate.state(session.getConnection());
    }

    /**
     * The binding that was last in force: for writers, whom the gate tells when it is no longer. Spares them a query.
     */
    public Binding last(SqlSession session) throws SQLException {
        return known(session);
    }

    /** Looked for in the tables as they are now. */
    public Binding fresh(SqlSession session) throws SQLException {
        var connection = session.getConnection();
        var state = Gate.state(connection);
        return state.closed() ? before(connection, state) : InstalledTables.whole(connection, state.generation());
    }

    /** Forgets what was known. */
    public Binding reload(SqlSession session) throws SQLException {
        last.set(null);
        lacking.set(null);
        return of(session.getConnection(), Gate.state(session.getConnection()));
    }

    private Binding of(Connection connection, Gate.GateState state) throws SQLException {
        if (state.closed()) {
            return before(connection, state);
        }
        var known = last.get();
        if (known != null && known.generation() == state.generation()) {
            return known;
        }
        var partial = lacking.get();
        if (partial != null && partial.holds(state)) {
            return partial.binding();
        }
        var found = InstalledTables.whole(connection, state.generation());
        if (InstalledTables.isWhole(found)) {
            last.set(found);
        } else {
            lacking.set(new Lacking(found, System.nanoTime()));
        }
        return found;
    }

    /**
     * A binding that lacks something the definitions have, because somebody took it away. They may put it back, so it is looked
     * for again before long.
     */
    private record Lacking(Binding binding, long since) {
        boolean holds(Gate.GateState state) {
            return binding.generation() == state.generation() && System.nanoTime() - since < LACKING_FOR.toNanos();
        }
    }

    /** What was installed before the switch that is under way, with its values wherever they are by now. */
    private Binding before(Connection connection, Gate.GateState state) throws SQLException {
        return InstalledTables.read(connection, underWay.heldNames(connection), state.generation(), true);
    }

    record Installed(String version, Model model) {}
}

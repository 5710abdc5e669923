package org.jontrel.site.importer;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import org.jontrel.site.importer.name.ImportWork;
import org.jontrel.site.lease.Lease;
import org.jontrel.site.record.write.SaveTransaction;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Bindings;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Gate;

/** Carries out the work of an import in transactions, one behind the other, for as long as it may. */
final class ImportSteps {
    private static final int UNKNOWN_COLUMN = 1054;
    private static final int UNKNOWN_TABLE = 1146;
    private static final int DUPLICATE = 1062;
    private static final int TRIES = 6;
    private static final int CROWDED = 3;
    private static final long SOON_MILLIS = 50;
    private static final Duration PATIENCE = Duration.ofMinutes(1);

    private final Database database;
    private final Bindings bindings;
    private final Lease lease;
    private final ImportWork work;
    private final long generation;

    /** @param generation of the definitions that all of it is about */
    ImportSteps(Database database, Bindings bindings, Lease lease, ImportWork work, long generation) {
        this.database = database;
        this.bindings = bindings;
        this.lease = lease;
        this.work = work;
        this.generation = generation;
    }

    /** It cannot go on now, and says why. */
    static final class Stopped extends RuntimeException {
        Stopped(String message) {
            super(message, null, false, false);
        }
    }

    private static final class GateClosed extends RuntimeException {
        GateClosed() {
            super("closed", null, false, false);
        }
    }

    interface StepWork<T> {
        T carryOut(Connection connection, Binding binding, ImportMapper mapper, ImportWork work) throws SQLException;
    }

    /** Work that stores records, and passes the gate as everybody who does. */
    <T> T writing(StepWork<T> step) {
        return repeated(step, true);
    }

    /** Work on the import's own tables only. */
    <T> T own(StepWork<T> step) {
        return repeated(step, false);
    }

    private <T> T repeated(StepWork<T> step, boolean passes) {
        long until = System.nanoTime() + PATIENCE.toNanos();
        int attempt = 1;
        while (true) {
            try {
                return once(step, passes, attempt > CROWDED);
            } catch (GateClosed _) {
                if (System.nanoTime() > until) {
                    throw new Stopped("The definitions of the site are being switched. Go on when that is done.");
                }
            } catch (Stopped | Lease.Lost e) {
                throw e;
            } catch (RuntimeException e) {
                int error = Database.errorOf(e);
                boolean again = e instanceof SaveTransaction.Overtaken
                        || error == DUPLICATE
                        || error == UNKNOWN_COLUMN
                        || error == UNKNOWN_TABLE;
                if (!again || attempt++ >= TRIES) {
                    throw e;
                }
            }
            Database.pause(SOON_MILLIS);
        }
    }

    private <T> T once(StepWork<T> step, boolean passes, boolean crowded) {
        return database.transaction(session -> {
            var connection = session.getConnection();
            var mapper = session.getMapper(ImportMapper.class);
            lease.fence(connection);
            if (Boolean.TRUE.equals(mapper.stops(work.id()))) {
                throw new Stopped("");
            }
            var binding = bindings.current(session);
            if (binding.generation() != generation) {
                throw new Stopped(
                        passes
                                ? "The definitions of the site were switched. Undo what was brought, then run it again."
                                : "The definitions of the site were switched. Try the import again.");
            }
            boolean open = passes ? Gate.pass(connection, generation) == Gate.Passage.OPEN : !Gate.isClosed(connection);
            if (!open) {
                throw new GateClosed();
            }
            return step.carryOut(connection, binding, mapper, work.among(crowded));
        });
    }
}

package org.jontrel.site.importer;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.session.SqlSession;
import org.jontrel.core.naming.Ids;
import org.jontrel.site.importer.chunk.ImportPlan;
import org.jontrel.site.importer.row.MappingText;
import org.jontrel.site.lease.Lease;
import org.jontrel.site.media.MediaStore;
import org.jontrel.site.table.Bindings;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.RecordIds;

/** Brings rows of workbooks onto a site: tried, run, and undone. One import works on a site at a time. */
public final class Imports extends ImportStore {
    private final String owner;

    /**
     * @param owner who works, shown to others that must wait
     * @param stale silence after which an import counts as interrupted
     */
    public Imports(
            Database database,
            Bindings bindings,
            MediaStore media,
            RecordIds ids,
            Ids shortNames,
            String owner,
            Duration stale) {
        super(database, bindings, media, ids, shortNames, stale);
        this.owner = owner;
    }

    /** Finds out what would become of each row; nothing but that is stored. */
    public ImportOutcome tryOut(long id) {
        return withLease(lease -> {
            var row = row(id);
            var state = row == null ? ImportState.READING : row.state();
            return switch (state) {
                case READY, TRIED, UNDONE, TRYING -> trying(lease, row, false);
                case READING, RUNNING, PAUSED, DONE, UNDOING -> new ImportOutcome.NothingToImport();
            };
        });
    }

    private ImportMapper.ImportRow row(long id) {
        return database.transaction(
                session -> session.getMapper(ImportMapper.class).find(id));
    }

    private ImportPlan plan(ImportMapper.ImportRow row) {
        return bindings.reading(
                database,
                (_, binding) -> ImportPlan.of(
                        MappingText.facts(row.facts()), MappingText.read(row.mapping()), binding.model()));
    }

    private record SiteState(long generation, String text) {}

    private SiteState state() {
        return database.transaction(session -> {
            var state = bindings.state(session);
            return new SiteState(state.generation(), state.generation() + "." + state.passed());
        });
    }

    private ImportOutcome trying(Lease lease, ImportMapper.ImportRow row, boolean runs) {
        var plan = plan(row);
        if (!plan.runnable()) {
            return new ImportOutcome.UnfitMapping(plan.findings());
        }
        var site = state();
        database.transaction(session -> {
            var mapper = session.getMapper(ImportMapper.class);
            mapper.begin(row.id(), ImportState.TRYING, TrialRunner.INDEX, runs);
            mapper.trying(row.id(), site.text(), site.generation());
            return null;
        });
        return started(lease, row.id(), () -> {
            new TrialRunner(steps(lease, row, site.generation()), plan, row.id()).tryOut();
            database.transaction(session -> {
                session.getMapper(ImportMapper.class).tried(row.id());
                if (runs) {
                    beginRun(session, row.id(), plan);
                }
                return null;
            });
            if (runs) {
                bring(lease, row(row.id()), plan);
            }
        });
    }

    private static void beginRun(SqlSession session, long id, ImportPlan plan) throws SQLException {
        var mapper = session.getMapper(ImportMapper.class);
        // of a run that was undone, nothing is left to take back
        Jdbc.update(session.getConnection(), "DELETE FROM jontrel_import_record WHERE import_id = ?", id);
        mapper.begin(id, ImportState.RUNNING, ImportRunner.WRITE, true);
        mapper.total(id, rows(session.getConnection(), id, plan));
    }

    private ImportSteps steps(Lease lease, ImportMapper.ImportRow row, long generation) {
        return new ImportSteps(database, bindings, lease, work(row), generation);
    }

    /** Brings the rows; first tries them where that was not done, or was before something was changed. */
    public ImportOutcome run(long id) {
        return withLease(lease -> {
            var row = row(id);
            var state = row == null ? ImportState.READING : row.state();
            return switch (state) {
                case READY, TRIED, UNDONE -> running(lease, row);
                case PAUSED ->
                    ImportUndo.PHASES.contains(row.phase()) ? new ImportOutcome.NothingToImport() : goOn(lease, row);
                case READING, TRYING, RUNNING, DONE, UNDOING -> new ImportOutcome.NothingToImport();
            };
        });
    }

    private ImportOutcome running(Lease lease, ImportMapper.ImportRow row) {
        boolean known = row.state() == ImportState.TRIED
                && row.tried() != null
                && row.tried() == row.revision()
                && state().text().equals(row.triedAt());
        var plan = plan(row);
        if (!known || !plan.runnable()) {
            return trying(lease, row, true);
        }
        database.transaction(session -> {
            beginRun(session, row.id(), plan);
            return null;
        });
        return started(lease, row.id(), () -> bring(lease, row(row.id()), plan));
    }

    private static long rows(Connection connection, long id, ImportPlan plan) throws SQLException {
        long rows = 0;
        for (var sheet : plan.sheets()) {
            rows += Jdbc.number(
                    connection,
                    "SELECT COUNT(*) FROM jontrel_import_row WHERE import_id = ? AND sheet = ?",
                    id,
                    sheet.index());
        }
        return rows;
    }

    private ImportOutcome goOn(Lease lease, ImportMapper.ImportRow row) {
        database.transaction(session -> {
            session.getMapper(ImportMapper.class).resume(row.id(), ImportState.RUNNING);
            return null;
        });
        return started(lease, row.id(), () -> bring(lease, row, plan(row)));
    }

    private void bring(Lease lease, ImportMapper.ImportRow row, ImportPlan plan) {
        new ImportRunner(steps(lease, row, row.generation()), plan, row.id()).bring(row);
        end(row.id(), ImportState.DONE, null);
    }

    private void end(long id, ImportState state, String message) {
        database.transaction(session -> {
            session.getMapper(ImportMapper.class).end(id, state, message);
            return null;
        });
    }

    /** What undoing would do; empty where there is nothing to undo. */
    public Optional<UndoCounts> undoPlan(long id) {
        var row = row(id);
        if (row == null || row.state() != ImportState.DONE && row.state() != ImportState.PAUSED) {
            return Optional.empty();
        }
        try {
            bindings.reading(database, (session, binding) -> {
                var undo = new ImportUndo(session.getConnection(), binding, work(row));
                undo.marks().mark();
                throw new CountsTold(undo.marks().counts());
            });
        } catch (CountsTold e) {
            return Optional.of(e.counts);
        }
        return Optional.empty();
    }

    /** Carries counts out of a transaction that is taken back. */
    private static final class CountsTold extends RuntimeException {
        private final transient UndoCounts counts;

        CountsTold(UndoCounts counts) {
            super("told", null, false, false);
            this.counts = counts;
        }
    }

    /** Takes back what an import brought, but for what somebody has changed since. */
    public ImportOutcome undo(long id) {
        return withLease(lease -> {
            var row = row(id);
            boolean can = row != null && (row.state() == ImportState.DONE || row.state() == ImportState.PAUSED);
            return can ? undoing(lease, row) : new ImportOutcome.NothingToImport();
        });
    }

    private ImportOutcome undoing(Lease lease, ImportMapper.ImportRow row) {
        database.transaction(session -> {
            var mapper = session.getMapper(ImportMapper.class);
            mapper.begin(row.id(), ImportState.UNDOING, ImportUndo.MARK, false);
            mapper.total(
                    row.id(),
                    Jdbc.number(
                            session.getConnection(),
                            "SELECT COUNT(*) FROM jontrel_import_record WHERE import_id = ?",
                            row.id()));
            return null;
        });
        return started(lease, row.id(), () -> undone(lease, row(row.id())));
    }

    private void undone(Lease lease, ImportMapper.ImportRow row) {
        new UndoRunner(steps(lease, row, state().generation()), row.id()).undo(row.phase());
        end(row.id(), ImportState.UNDONE, null);
    }

    /** Stops a trial or a run at the next place from where it can go on. */
    public boolean pause(long id) {
        return database.transaction(
                        session -> session.getMapper(ImportMapper.class).stop(id))
                > 0;
    }

    /** Goes on with what was interrupted. */
    public ImportOutcome resume(long id) {
        return withLease(lease -> {
            var row = row(id);
            var state = row == null ? ImportState.READING : row.state();
            return switch (state) {
                case TRYING -> trying(lease, row, row.runs());
                case RUNNING -> goOn(lease, row);
                case UNDOING -> started(lease, id, () -> undone(lease, row));
                case READING, READY, TRIED, PAUSED, DONE, UNDONE -> new ImportOutcome.NothingToImport();
            };
        });
    }

    /** Imports that somebody should be working on, and nobody is. */
    public List<Long> interrupted() {
        return database.transaction(session -> held(session)
                ? List.of()
                : session.getMapper(ImportMapper.class).working().stream()
                        .map(ImportMapper.ImportRow::id)
                        .toList());
    }

    private interface LeasedWork {
        ImportOutcome with(Lease lease);
    }

    /** The lease stays taken where work was started, which gives it back. */
    private ImportOutcome withLease(LeasedWork work) {
        var lease = Lease.take(database, Lease.IMPORT, owner, stale);
        if (lease.isEmpty()) {
            return new ImportOutcome.BusySite();
        }
        ImportOutcome outcome = null;
        try {
            outcome = work.with(lease.get());
            return outcome;
        } finally {
            if (!(outcome instanceof ImportOutcome.ImportStarted)) {
                lease.get().close();
            }
        }
    }

    private ImportOutcome started(Lease lease, long id, Runnable work) {
        return new ImportOutcome.ImportStarted(find(id).orElseThrow(), () -> {
            try (lease) {
                work.run();
            } catch (ImportSteps.Stopped e) {
                stopped(id, e.getMessage());
            } catch (Lease.Lost e) {
                throw e;
            } catch (RuntimeException e) {
                stopped(id, "It stopped: " + e.getMessage());
                throw e;
            }
        });
    }

    /** A trial begins anew; what was begun on records can go on. */
    private void stopped(long id, String message) {
        var state = row(id).state();
        var next =
                switch (state) {
                    case RUNNING, UNDOING -> ImportState.PAUSED;
                    case READING, READY, TRYING, TRIED, PAUSED, DONE, UNDONE -> ImportState.READY;
                };
        database.transaction(session -> {
            session.getMapper(ImportMapper.class).stopped(id, next, message.isEmpty() ? null : message);
            return null;
        });
    }
}

package org.jontrel.site.run;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.LongSupplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Step;
import org.jontrel.core.retype.TypeMove;
import org.jontrel.site.lease.Lease;
import org.jontrel.site.run.name.MadeTerms;
import org.jontrel.site.table.Bindings;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Ddl;
import org.jontrel.site.table.Gate;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.ModelText;

/**
 * Carries out the steps of one journalled run, from wherever its journal says it is. Each step's intent is journalled
 * before it acts, and what the database really has is looked at before anything is said to it; so it may be interrupted at
 * any moment and begun again.
 */
final class Executor {
    private static final int CHUNK = 2_000;
    /** What so few writers save meanwhile is left for the closed gate. */
    private static final int FEW = 100;

    private static final int ROUNDS = 50;
    static final int LOCK_WAIT = 1205;
    private static final int LOCK_TRIES = 120;
    /** At a closed gate, for a second each. */
    private static final int SWITCH_TRIES = 2;

    private static final long BETWEEN_TRIES = 200;
    private static final int MOST_ATTEMPTS = 60;
    private static final long ATTEMPT_PAUSE = 500;
    private static final long LONGEST_PAUSE = 10_000;
    private static final int ROW_TOO_LARGE = 1118;
    private static final int TOO_MANY_COLUMNS = 1117;
    private final Database database;
    private final Lease lease;
    private final JournalMapper.RunRow run;
    private final Bindings bindings;
    private final Model from;
    private final Model to;
    private final TableSteps columns;
    private final RecordSteps chunks;
    private final TermSeeding starters;
    private final Runnable progressed;

    Executor(
            Database database,
            Bindings bindings,
            Lease lease,
            JournalMapper.RunRow run,
            LongSupplier rowIds,
            Runnable progressed) {
        this.database = database;
        this.lease = lease;
        this.run = run;
        this.bindings = bindings;
        this.from = ModelText.read(run.fromModel());
        this.to = ModelText.read(run.toModel());
        this.columns = new TableSteps(from, to);
        var since = run.undoes() == null
                ? Optional.<Long>empty()
                : Optional.ofNullable(database.transaction(
                        session -> session.getMapper(JournalMapper.class).generation(run.undoes())));
        this.chunks = new RecordSteps(run.id(), from, to, retyped(), CHUNK, bindings, since, rowIds);
        this.starters = new TermSeeding(bindings, from, to);
        this.progressed = progressed;
    }

    /** The ways by which the run makes records of one type those of another, or takes that back. */
    private List<TypeMove> retyped() {
        return database
                .transaction(session -> session.getMapper(JournalMapper.class).steps(run.id()))
                .stream()
                .flatMap(row -> switch (Journal.step(row.step())) {
                    case Step.RetypeRecords retype -> retype.ways().stream();
                    case Step.CarryRetyped carry -> carry.ways().stream();
                    default -> Stream.<TypeMove>empty();
                })
                .distinct()
                .toList();
    }

    void execute() {
        boolean installed = database.transaction(
                session -> session.getMapper(JournalMapper.class).installedBy() == run.id());
        if (!installed) {
            fenced(session -> {
                Gate.startLogging(session.getConnection());
                return null;
            });
            steps(Step.Phase.BESIDE).forEach(this::perform);
            follow();
            switchOver();
        }
        steps(Step.Phase.AFTER).forEach(this::perform);
        fenced(session -> {
            // what came after the switch, such as starter terms, shows on pages too
            Gate.changed(session.getConnection());
            var journal = session.getMapper(JournalMapper.class);
            journal.finish(run.id(), RunView.RunState.DONE, null);
            var findings = new ArrayList<>(Journal.texts(run.findings()));
            findings.addAll(chunks.setAside(journal));
            journal.report(run.id(), Journal.texts(findings));
            journal.forgetFollowed();
            if (run.undoes() != null) {
                journal.turn(run.undoes(), RunView.RunState.UNDONE);
                journal.redone(run.undoes());
            }
            return null;
        });
        progressed.run();
    }

    /** While people work on: what they saved meanwhile is converted too, until little is left for the closed gate. */
    private void follow() {
        for (int round = 0; round < ROUNDS && catchUp() > FEW; round++) {
            progressed.run();
        }
    }

    /** Does the steps beside once more for some of the records that were saved meanwhile; how many there were. */
    private int catchUp() {
        var beside = steps(Step.Phase.BESIDE).stream()
                .map(row -> Journal.step(row.step()))
                .filter(step -> !step.instant())
                .toList();
        return fenced(session -> {
            var journal = session.getMapper(JournalMapper.class);
            var changes = journal.changes(CHUNK);
            var records = changes.stream()
                    .collect(Collectors.groupingBy(
                            JournalMapper.ChangeRow::recordTypeId,
                            Collectors.mapping(JournalMapper.ChangeRow::recordId, Collectors.toSet())));
            for (var step : beside) {
                var some = chunks.concerned(session, step, records);
                if (!some.isEmpty()) {
                    chunks.work(session, step, new RecordSteps.Which.Those(List.copyOf(some)));
                }
            }
            if (!changes.isEmpty()) {
                journal.follow(changes);
                journal.forget(changes);
            }
            return changes.size();
        });
    }

    /**
     * Closes the gate, catches up with what was saved meanwhile, switches names, installs, and opens the gate. Where somebody
     * else's transaction is in the way it opens the gate again, so that people work on, and tries later.
     */
    private void switchOver() {
        for (int attempt = 1; !switched(); attempt++) {
            if (attempt >= MOST_ATTEMPTS) {
                throw new IllegalStateException("Other transactions were in the way of the switch for too long."
                        + " End them (a backup, a program that holds one open), then continue.");
            }
            Database.pause(Math.min(ATTEMPT_PAUSE * attempt, LONGEST_PAUSE));
            follow();
        }
        fenced(session -> {
            session.getMapper(JournalMapper.class)
                    .install(run.toVersion(), ModelText.write(to), PackageWriter.checksum(to), run.id());
            session.getMapper(JournalMapper.class).keepDefinitions();
            session.getMapper(JournalMapper.class).keepGeneration(run.id());
            Gate.open(session.getConnection());
            return null;
        });
    }

    /** Whether all steps of the switch are done; else none is, and the gate is open again. */
    private boolean switched() {
        fenced(session -> {
            Gate.close(session.getConnection());
            return null;
        });
        // one that was interrupted while it switched had caught up before, and nobody has saved anything since
        boolean begun = steps(Step.Phase.SWITCH).stream().anyMatch(row -> row.state() != RunView.StepState.PENDING);
        while (!begun && catchUp() > 0) {
            progressed.run();
        }
        try {
            if (!begun) {
                gather();
            }
            steps(Step.Phase.SWITCH).forEach(this::perform);
            say(columns::renameTables, LOCK_TRIES);
            return true;
        } catch (TableInUseException e) {
            var steps = steps(Step.Phase.SWITCH);
            if (begun || steps.stream().anyMatch(row -> row.state() == RunView.StepState.DONE)) {
                throw e;
            }
            // under the names that readers know
            say(new TableSteps(to, from)::renameTables, LOCK_TRIES);
            fenced(session -> {
                steps.forEach(row -> session.getMapper(JournalMapper.class).unact(run.id(), row.seq()));
                Gate.reopen(session.getConnection());
                return null;
            });
            progressed.run();
            return false;
        }
    }

    /**
     * Where a switch takes several statements, the first one takes all their tables at once: later ones find nobody in their
     * way, so that no switch is held up half done.
     */
    private void gather() {
        var concerned = steps(Step.Phase.SWITCH).stream()
                .map(row -> Journal.step(row.step()))
                .filter(Executor::changesTables)
                .toList();
        if (concerned.size() > 1) {
            var recordTypes = concerned.stream().map(Step::recordTypeId).collect(Collectors.toSet());
            say(connection -> TableSteps.gather(connection, recordTypes), SWITCH_TRIES);
        }
    }

    private static boolean changesTables(Step step) {
        return switch (step) {
            case Step.SwitchColumns _, Step.RenameTable _, Step.HoldTable _, Step.HoldOwn _ -> true;
            default -> false;
        };
    }

    /** Somebody else's transaction uses a table that is to be changed. */
    private static final class TableInUseException extends RuntimeException {
        TableInUseException(SQLException cause) {
            super("Another transaction uses a table that is to be changed", cause);
        }
    }

    /** A transaction of the run, by its right to the site. */
    private <T> T fenced(Database.TransactionWork<T> work) {
        return database.transaction(session -> lease.within(session.getConnection(), () -> work.with(session)));
    }

    private List<JournalMapper.StepRow> steps(Step.Phase phase) {
        return database
                .transaction(session -> session.getMapper(JournalMapper.class).steps(run.id()))
                .stream()
                .filter(row -> Journal.step(row.step()).phase() == phase)
                .toList();
    }

    /** Somebody has paused the run, and it stopped where it can be continued or go back. */
    static final class Paused extends RuntimeException {
        private static final long serialVersionUID = 1;

        Paused() {
            super("Paused", null, false, false);
        }
    }

    /** Never within a switch, which others wait for. */
    private void heedPause() {
        boolean paused = database.transaction(
                session -> session.getMapper(JournalMapper.class).isPaused(run.id()));
        if (paused) {
            throw new Paused();
        }
    }

    private void perform(JournalMapper.StepRow row) {
        if (row.state() == RunView.StepState.DONE) {
            return;
        }
        if (Journal.step(row.step()).phase() != Step.Phase.SWITCH) {
            heedPause();
        }
        var step = Journal.step(row.step());
        journal(journal -> journal.act(run.id(), row.seq()));
        progressed.run();
        if (step instanceof Step.Redirect redirect) {
            redirect(redirect);
        } else if (step instanceof Step.MakeTerms(String taxonomyId, String made)) {
            fenced(session -> {
                var terms = new MadeTerms(session.getConnection());
                var table = terms.tables(SiteFacts.recordType(to, taxonomyId));
                starters.make(session.getConnection(), table);
                terms.make(table, made);
                return null;
            });
        } else if (step instanceof Step.WithdrawTerms(String taxonomyId, String made)) {
            fenced(session -> {
                var terms = new MadeTerms(session.getConnection());
                terms.withdraw(terms.tables(SiteFacts.recordType(to, taxonomyId)), made);
                return null;
            });
        } else if (step instanceof Step.StarterTerms(String recordTypeId)) {
            fenced(session -> {
                starters.make(session, recordTypeId);
                // going forward, and once more forward, leaves terms that definitions no longer begin with
                if (run.undoes() != null && run.kind() != RunView.RunKind.REDO) {
                    starters.retire(session, recordTypeId);
                }
                return null;
            });
        } else if (step.instant()) {
            boolean first = step.phase() == Step.Phase.SWITCH
                    && steps(Step.Phase.SWITCH).stream().noneMatch(each -> each.state() == RunView.StepState.DONE);
            say(connection -> columns.statements(connection, step), first ? SWITCH_TRIES : LOCK_TRIES);
        } else {
            walk(row, step);
        }
        journal(journal -> journal.done(run.id(), row.seq()));
        progressed.run();
    }

    private void walk(JournalMapper.StepRow row, Step step) {
        long reached = row.reached();
        while (true) {
            long from = reached;
            var progress = fenced(session -> {
                var done = chunks.work(session, step, new RecordSteps.Which.After(from));
                if (done.rows() > 0) {
                    session.getMapper(JournalMapper.class).advance(run.id(), row.seq(), done.reached(), done.rows());
                }
                return done;
            });
            if (progress.rows() == 0) {
                return;
            }
            reached = progress.reached();
            progressed.run();
            heedPause();
        }
    }

    /** What has to be said as things stand. */
    private interface StatementSource {
        List<String> in(Connection connection) throws SQLException;
    }

    /** Instant statements wait briefly for open transactions, so that readers behind them wait no longer either. */
    private void say(StatementSource said, int tries) {
        database.direct(connection -> lease.within(connection, () -> {
            say(connection, said, tries);
            return null;
        }));
    }

    private void say(Connection connection, StatementSource said, int tries) throws SQLException {
        boolean rebuilt = false;
        for (int attempt = 1; ; attempt++) {
            lease.fence(connection);
            var table = Optional.<String>empty();
            try {
                Jdbc.execute(connection, "SET SESSION lock_wait_timeout = 1");
                for (var sql : said.in(connection)) {
                    table = changed(sql);
                    Jdbc.execute(connection, sql);
                }
                return;
            } catch (SQLException e) {
                if (e.getErrorCode() == ROW_TOO_LARGE || e.getErrorCode() == TOO_MANY_COLUMNS) {
                    if (!rebuilt && table.isPresent()) {
                        rebuilt = true;
                        Jdbc.execute(connection, Ddl.rebuild(table.get()));
                        continue;
                    }
                    throw new IllegalStateException(
                            "The table has no room for another column: held values of earlier runs take room too."
                                    + " Go back, make some one-line texts long texts,"
                                    + " then plan again.",
                            e);
                }
                if (e.getErrorCode() != LOCK_WAIT) {
                    throw e;
                }
                if (attempt >= tries) {
                    throw new TableInUseException(e);
                }
            } finally {
                Jdbc.execute(connection, "SET SESSION lock_wait_timeout = DEFAULT");
            }
            // readers who have queued behind it go first
            Database.pause(BETWEEN_TRIES);
        }
    }

    /** The quoted name of the table that a statement changes. */
    private static Optional<String> changed(String sql) {
        var words = sql.split(" ", 4);
        return sql.startsWith("ALTER TABLE ") ? Optional.of(words[2]) : Optional.empty();
    }

    private void redirect(Step.Redirect redirect) {
        var sql = "REPLACE INTO jontrel_redirect (path, type_id, from_id) VALUES (?, ?, ?)";
        fenced(session ->
                Jdbc.update(session.getConnection(), sql, redirect.before(), redirect.recordTypeId(), redirect.from()));
    }

    private interface JournalWrite {
        void write(JournalMapper journal);
    }

    private void journal(JournalWrite entry) {
        fenced(session -> {
            entry.write(session.getMapper(JournalMapper.class));
            return null;
        });
    }
}

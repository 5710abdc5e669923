package org.jontrel.bench.migration;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.atomic.AtomicBoolean;
import org.jontrel.bench.record.Databases;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Model;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.run.Runs;

/**
 * {@code MovesBench [WORD] [RECORDS...]}: for each number of records, values that change their place, beside the statements that somebody
 * would write by hand with the site closed: four numbered fields become rows, four rows each become records with a
 * relation, a text becomes terms. While they run somebody reads and somebody writes; how long the slowest of both took is told.
 */
public final class MovesBench {
    private static final int FEW = 1_000;
    /** As the server waits. */
    private static final Duration PATIENCE = Duration.ofSeconds(1);

    private static final long AGAIN = 200;

    private MovesBench() {}

    public static void main(String[] arguments) throws SQLException {
        boolean some = arguments.length > 0 && !arguments[0].matches("[0-9]+");
        var given = Arrays.stream(arguments)
                .skip(some ? 1 : 0)
                .map(Integer::valueOf)
                .toList();
        var amounts = given.isEmpty() ? List.of(100_000, 1_000_000) : given;
        for (var move : BenchedMove.ALL) {
            if (some && !move.name().contains(arguments[0])) {
                continue;
            }
            quietly(move);
            for (int records : amounts) {
                compare(move, records);
            }
        }
    }

    /** What runs first is slow. */
    private static void quietly(BenchedMove move) throws SQLException {
        byEngine(move, FEW, false);
        byHand(move, FEW);
    }

    private static void compare(BenchedMove move, int records) throws SQLException {
        var run = byEngine(move, records, true);
        double hand = byHand(move, records);
        System.out.printf(
                Locale.ROOT,
                "%s at %,d records: plan first told in %.1f s, all counted in %.1f s, run in %.1f s; by hand, closed, %.1f s: %.2f times as long;"
                        + " slowest read %.2f s, slowest save %.2f s%n",
                move.name(),
                records,
                run.told(),
                run.planning(),
                run.running(),
                hand,
                run.running() / hand,
                run.read(),
                run.save());
    }

    private static Site site(HikariDataSource source) {
        return Site.open(source, "bench", Duration.ofSeconds(30));
    }

    private static void run(Site site, String version, Model model, List<Decision> decisions) {
        var outcome = site.runs().start(new Runs.RunTarget(version, model, decisions), "bench", _ -> {});
        if (!(outcome instanceof Runs.RunOutcome.Started started)) {
            throw new IllegalStateException(outcome.toString());
        }
        started.work().run();
    }

    private static HikariDataSource filled(BenchedMove move, int records) throws SQLException {
        var source = Databases.fresh("jontrel_bench_moves");
        run(site(source), "1.0.0", move.before(), List.of());
        try (var connection = source.getConnection()) {
            for (var sql : move.filling()) {
                say(connection, sql.replace("%d", String.valueOf(records)));
            }
            connection.commit();
            say(connection, "ANALYZE TABLE mooring, jontrel_text");
        }
        return source;
    }

    private static void say(Connection connection, String sql) throws SQLException {
        try (var statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }

    private record Measured(double told, double planning, double running, double read, double save) {}

    private static Measured byEngine(BenchedMove move, int records, boolean told) throws SQLException {
        try (var source = filled(move, records)) {
            var site = site(source);
            var target = new Runs.RunTarget("2.0.0", move.after(), move.decisions());
            long began = System.nanoTime();
            var soon = site.runs().planSoon(target, PATIENCE);
            double first = seconds(began);
            while (!soon.isWhole()) {
                Thread.sleep(AGAIN);
                soon = site.runs().planSoon(target, PATIENCE);
            }
            double planning = seconds(began);
            var plan = soon.plan();
            if (!plan.runnable()) {
                throw new IllegalStateException(plan.toString());
            }
            var over = new AtomicBoolean();
            double[] slowest = new double[2];
            var reader = Thread.ofPlatform()
                    .start(() -> slowest[0] = slowest(
                            over,
                            () -> site.records().page("tmooring", ListQuery.ALL).orElseThrow()));
            var writer = Thread.ofPlatform()
                    .start(() -> slowest[1] = slowest(over, () -> {
                        var one = site.records().byId("tmooring", records / 2).orElseThrow();
                        site.records()
                                .save(Write.change(
                                        "tmooring", one, Map.of("note", "n" + System.nanoTime()), false, "x"));
                    }));
            began = System.nanoTime();
            run(site, target.version(), target.model(), target.decisions());
            double running = seconds(began);
            over.set(true);
            reader.join();
            writer.join();
            if (told) {
                steps(site);
            }
            return new Measured(first, planning, running, slowest[0], slowest[1]);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private static double seconds(long since) {
        return (System.nanoTime() - since) / 1e9;
    }

    private static double slowest(AtomicBoolean over, Runnable work) {
        double slowest = 0;
        try {
            while (!over.get()) {
                long began = System.nanoTime();
                work.run();
                slowest = Math.max(slowest, seconds(began));
                Thread.sleep(20);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return slowest;
    }

    /** Where the time of the last run went, as its journal tells. */
    private static void steps(Site site) {
        site.runs().last().orElseThrow().steps().stream()
                .filter(step -> step.startedAt() != null && step.finishedAt() != null)
                .forEach(step -> System.out.printf(
                        Locale.ROOT,
                        "  %7.2f s  %s%n",
                        Duration.between(step.startedAt(), step.finishedAt()).toMillis() / 1e3,
                        step.sentence()));
    }

    private static double byHand(BenchedMove move, int records) throws SQLException {
        try (var source = filled(move, records);
                var connection = source.getConnection()) {
            connection.setAutoCommit(true);
            long began = System.nanoTime();
            for (var sql : move.hand()) {
                say(connection, sql);
            }
            return seconds(began);
        }
    }
}

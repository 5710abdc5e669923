package org.jontrel.bench.migration;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.SQLException;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jontrel.bench.record.Databases;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.jontrel.site.Site;
import org.jontrel.site.run.Runs;

/**
 * {@code MigrationBench [RECORDS...]}: for each number of records, planning, a rename and a conversion from text to number,
 * from the start of a run to its end; the conversion beside the statements that somebody would write by hand, words included.
 */
public final class MigrationBench {
    private static final int FEW = 1_000;
    private static final int CHUNK = 1_000;
    private static final String WORDS = "CONCAT_WS('\\n', title, length, note)";
    private static final Field RISE = new Field("frise", "rise", "Rise", "", false, Kind.Text.PLAIN);
    private static final Field LENGTH = new Field("flength", "length", "Length", "", false, Kind.Text.PLAIN);
    private static final Field NOTE = new Field("fnote", "note", "Note", "", false, Kind.LongText.PLAIN);

    private MigrationBench() {}

    public static void main(String[] arguments) throws SQLException {
        var amounts = arguments.length == 0
                ? List.of(200_000, 1_000_000)
                : Arrays.stream(arguments).map(Integer::valueOf).toList();
        rename(FEW); // what runs first is slow
        double few = rename(FEW);
        System.out.printf(Locale.ROOT, "%nrename at %,d records: %.2f s%n", FEW, few);
        for (int records : amounts) {
            double many = rename(records);
            System.out.printf(
                    Locale.ROOT, "rename at %,d records: %.2f s, %.2f times as long%n", records, many, many / few);
        }
        convert(FEW);
        byHand(FEW);
        for (int records : amounts) {
            var converted = convert(records);
            double hand = byHand(records);
            System.out.printf(
                    Locale.ROOT,
                    "text to number at %,d records: planned in %.2f s, run in %.1f s; by hand %.1f s: %.2f times as long%n",
                    records,
                    converted.planning(),
                    converted.running(),
                    hand,
                    converted.running() / hand);
        }
    }

    private static Model model(Field... fields) {
        return new Model(List.of(new ContentType(
                "tmooring",
                "mooring",
                "Mooring",
                "Moorings",
                "",
                "",
                "moorings",
                Map.of(),
                List.of(Part.TITLE),
                List.of(new Group("gberth", "Berth", "", List.of(fields))))));
    }

    private static Model number() {
        return model(RISE.withKind(new Kind.Numeric(2, null, null, "m")), LENGTH, NOTE);
    }

    /** A site of its own with so many records, found by their words. */
    private static HikariDataSource filled(int records) throws SQLException {
        var source = Databases.fresh("jontrel_bench_migration");
        run(site(source), "1.0.0", model(RISE, LENGTH, NOTE));
        try (var connection = source.getConnection();
                var statement = connection.createStatement()) {
            statement.execute(
                    "INSERT INTO mooring (id, slug, state, version, complete, created_at, updated_at, created_by,"
                            + " updated_by, title, rise, length, note) SELECT seq, CONCAT('m-', seq), 'published', 1, 1,"
                            + " UTC_TIMESTAMP(6), UTC_TIMESTAMP(6), 'x', 'x', CONCAT('Mooring ', seq), seq / 4, seq,"
                            + " CONCAT('Beside the water at ', seq % 997) FROM seq_1_to_" + records);
            statement.execute("INSERT INTO jontrel_text (holder_id, record_id, words)"
                    + " SELECT 'tmooring', id, CONCAT_WS('\\n', title, rise, length, note) FROM mooring");
            connection.commit();
            statement.execute("ANALYZE TABLE mooring, jontrel_text");
        }
        return source;
    }

    private static Site site(HikariDataSource source) {
        return Site.open(source, "bench", Duration.ofSeconds(30));
    }

    private static double run(Site site, String version, Model model, Decision... decisions) {
        long began = System.nanoTime();
        var outcome = site.runs().start(new Runs.RunTarget(version, model, List.of(decisions)), "bench", _ -> {});
        if (!(outcome instanceof Runs.RunOutcome.Started started)) {
            throw new IllegalStateException(outcome.toString());
        }
        started.work().run();
        return (System.nanoTime() - began) / 1e9;
    }

    private static double rename(int records) throws SQLException {
        try (var source = filled(records)) {
            return run(site(source), "2.0.0", model(RISE.withKey("rise_of_lock"), LENGTH, NOTE));
        }
    }

    private record Converted(double planning, double running) {}

    private static Converted convert(int records) throws SQLException {
        try (var source = filled(records)) {
            var site = site(source);
            long began = System.nanoTime();
            var plan = site.runs().plan(new Runs.RunTarget("2.0.0", number(), List.of()));
            double planning = (System.nanoTime() - began) / 1e9;
            if (!plan.runnable()) {
                throw new IllegalStateException(plan.toString());
            }
            double running = run(site, "2.0.0", number());
            steps(site);
            return new Converted(planning, running);
        }
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

    /** In chunks too, as people go on working on the site; with a look at the values first. */
    private static double byHand(int records) throws SQLException {
        try (var source = filled(records);
                var connection = source.getConnection();
                var statement = connection.createStatement()) {
            connection.setAutoCommit(true);
            long began = System.nanoTime();
            statement
                    .executeQuery("SELECT rise, COUNT(*) FROM mooring GROUP BY rise HAVING rise NOT REGEXP '^[0-9.]+$'")
                    .close();
            statement.execute("ALTER TABLE mooring ADD COLUMN rise_m DECIMAL(20,6) NULL, ALGORITHM=INSTANT");
            for (int from = 0; from < records; from += CHUNK) {
                statement.execute("UPDATE mooring SET rise_m = CAST(rise AS DECIMAL(20,6)) WHERE id > " + from
                        + " AND id <= " + (from + CHUNK));
            }
            statement.execute("ALTER TABLE mooring RENAME COLUMN rise TO rise_text, RENAME COLUMN rise_m TO rise");
            for (int from = 0; from < records; from += CHUNK) {
                statement.execute(
                        "UPDATE jontrel_text t JOIN mooring m ON m.id = t.record_id AND t.holder_id = 'tmooring'"
                                + " SET t.words = " + WORDS + " WHERE m.id > " + from + " AND m.id <= "
                                + (from + CHUNK));
            }
            return (System.nanoTime() - began) / 1e9;
        }
    }
}

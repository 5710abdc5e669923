package org.jontrel.bench.importing;

import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.nio.file.Files;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import org.jontrel.bench.record.Databases;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.TaxonomyUse;
import org.jontrel.site.Site;
import org.jontrel.site.importer.ImportOutcome;
import org.jontrel.site.run.Runs;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.workbook.Workbook;

/**
 * {@code ImportBench [ROWS...]}: for each number of rows (100,000 and a million), two files with moorings, each with a keeper and two of
 * twenty terms, brought onto an empty site; beside {@code LOAD DATA} and statements by hand that fill the same tables, without any check
 * or journal. How much memory was in use at the most is told too.
 */
public final class ImportBench {
    private static final long MEGABYTE = 1 << 20;
    static final int KEEPERS_EACH = 100;
    private static final Field LENGTH = field("length", new Kind.Numeric(1, null, null, "m"));
    private static final Field SINCE = field("since", Kind.Date.PLAIN);
    private static final Field NOTE = field("note", Kind.Text.PLAIN);
    private static final Field CODE = field("code", new Kind.Text(null, null, "", "", "", "", true));
    private static final Field KEEPER =
            field("keeper", new Kind.Relation(Set.of("tkeeper"), Kind.Amount.ONE, false, false, null));

    private ImportBench() {}

    private static Field field(String key, Kind kind) {
        return new Field(
                "f" + key, key, key.substring(0, 1).toUpperCase(Locale.ROOT) + key.substring(1), "", false, kind);
    }

    private static ContentType type(String key, Field... fields) {
        var name = key.substring(0, 1).toUpperCase(Locale.ROOT) + key.substring(1);
        return new ContentType(
                "t" + key,
                key,
                name,
                name + "s",
                "",
                "",
                key + "s",
                Map.of(),
                List.of(Part.TITLE),
                List.of(new Group("g" + key, name, "", List.of(fields))));
    }

    private static Model model() {
        var kind = new Taxonomy(
                "xkind", "kind", "Kind", "Kinds", "", "kinds", false, false, List.of(), List.of(), List.of(), null);
        var plain = type("mooring", CODE, LENGTH, SINCE, NOTE, KEEPER);
        var mooring = new ContentType(
                plain.id(),
                plain.key(),
                plain.singular(),
                plain.plural(),
                "",
                "",
                plain.path(),
                Map.of(),
                plain.parts(),
                Map.of(),
                plain.sections(),
                List.of(new TaxonomyUse("xkind", false, null, true)),
                plain.index(),
                plain.nesting(),
                plain.publishing(),
                List.of(),
                plain.head());
        return new Model(List.of(mooring, type("keeper"), kind));
    }

    public static void main(String[] arguments) throws Exception {
        int[] amounts = arguments.length == 0
                ? new int[] {100_000, 1_000_000}
                : Arrays.stream(arguments).mapToInt(Integer::parseInt).toArray();
        var folder = Files.createTempDirectory("jontrel-import");
        try {
            // what runs first is slow
            byEngine(RowFiles.of(folder, 2_000), 2_000);
            for (int rows : amounts) {
                var files = RowFiles.of(folder, rows);
                var engine = byEngine(files, rows);
                double hand = byHand(files);
                System.out.printf(
                        Locale.ROOT,
                        "%,d rows: read and kept in %.1f s, tried in %.1f s, brought in %.1f s: %,.0f rows a second, with the trial %,.0f;"
                                + " by hand %.1f s or %,.0f rows a second: %.2f times as long, with the trial %.2f; undone in %.1f s;"
                                + " at most %d MB in use%n",
                        rows,
                        engine.read(),
                        engine.tried(),
                        engine.brought(),
                        rows / engine.brought(),
                        rows / (engine.brought() + engine.tried()),
                        hand,
                        rows / hand,
                        engine.brought() / hand,
                        (engine.brought() + engine.tried()) / hand,
                        engine.undone(),
                        engine.most() / MEGABYTE);
            }
        } finally {
            try (var left = Files.list(folder)) {
                for (var file : left.toList()) {
                    Files.delete(file);
                }
            }
            Files.delete(folder);
        }
    }

    private record Brought(double read, double tried, double brought, double undone, long most) {}

    private static Site installed(HikariDataSource source) {
        var site = Site.open(source, "bench", Duration.ofSeconds(30));
        ((Runs.RunOutcome.Started) site.runs().start(new Runs.RunTarget("1.0.0", model(), List.of()), "bench", _ -> {}))
                .work()
                .run();
        return site;
    }

    private static double seconds(long since) {
        return (System.nanoTime() - since) / 1e9;
    }

    private static void work(ImportOutcome outcome) {
        ((ImportOutcome.ImportStarted) outcome).work().run();
    }

    private static Brought byEngine(RowFiles files, int rows) throws SQLException, IOException {
        try (var source = Databases.fresh("jontrel_bench_import");
                var moorings = Workbook.open(files.moorings(), "moorings.csv");
                var keepers = Workbook.open(files.keepers(), "keepers.csv")) {
            var imports = installed(source).imports();
            var over = new AtomicBoolean();
            var most = new AtomicLong();
            var watcher = Thread.ofPlatform().daemon().start(() -> watch(over, most));
            var sheets = List.of(moorings.sheets().getFirst(), keepers.sheets().getFirst());
            long begun = System.nanoTime();
            long id = imports.create("bench", sheets, null, List::of, "bench");
            double read = seconds(begun);
            begun = System.nanoTime();
            work(imports.tryOut(id));
            double tried = seconds(begun);
            begun = System.nanoTime();
            work(imports.run(id));
            double brought = seconds(begun);
            System.out.printf(Locale.ROOT, "  read %.1f s, tried %.1f s, brought %.1f s%n", read, tried, brought);
            over.set(true);
            watcher.interrupt();
            long made = imports.open(id).orElseThrow().outcomes().values().stream()
                    .flatMap(each -> each.entrySet().stream())
                    .filter(each -> each.getKey().code().equals("new"))
                    .mapToLong(Map.Entry::getValue)
                    .sum();
            if (made != rows + Math.max(1, rows / KEEPERS_EACH)) {
                throw new IllegalStateException(made + " of " + rows + " rows were brought: " + imports.problems(id));
            }
            begun = System.nanoTime();
            work(imports.undo(id));
            return new Brought(read, tried, brought, seconds(begun), most.get());
        }
    }

    /** What is left in use after a collection, every second. */
    private static void watch(AtomicBoolean over, AtomicLong most) {
        var memory = Runtime.getRuntime();
        while (!over.get()) {
            most.accumulateAndGet(memory.totalMemory() - memory.freeMemory(), Math::max);
            try {
                Thread.sleep(100);
            } catch (InterruptedException _) {
                return;
            }
        }
    }

    private static double byHand(RowFiles files) throws SQLException {
        try (var source = Databases.fresh("jontrel_bench_import")) {
            var site = installed(source).installed();
            var kind = site.table("xkind").orElseThrow();
            var terms = new HandImport.TermTables(
                    kind.name(),
                    kind.own().columns().get("part_title"),
                    kind.fields().get(PhysicalNames.ABOVE).name(),
                    site.table("tmooring").orElseThrow().fields().get("xkind").name());
            try (var connection = source.getConnection()) {
                long begun = System.nanoTime();
                for (var sql : HandImport.statements(files.moorings(), files.keepers(), terms)) {
                    say(connection, sql);
                }
                connection.commit();
                return seconds(begun);
            }
        }
    }

    private static void say(Connection connection, String sql) throws SQLException {
        try (var statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }
}

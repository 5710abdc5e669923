package org.jontrel.bench.record;

import com.zaxxer.hikari.HikariDataSource;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.stream.LongStream;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;

/** Seven questions and writes, each through the engine, by hand-written SQL, and in a layout of one row per value. */
@org.openjdk.jmh.annotations.State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(
        value = 1,
        jvmArgsAppend = {"-Xmx1g", "--enable-native-access=ALL-UNNAMED"})
@Warmup(iterations = 7, time = 2)
@Measurement(iterations = 5, time = 2)
public class RecordBenchmark {
    private static final int TOGETHER = 1_000;
    private static final Set<String> LISTED = Set.of("part_title", "fcode", "frating", "flength", "fdepth", "fday");
    private HikariDataSource engineSource;
    private HikariDataSource handSource;
    private HikariDataSource valuesSource;
    private Connection hand;
    private Connection values;
    private Site site;
    private List<Long> ids;
    private List<Long> terms;
    private List<Long> rounds;
    private Surveys surveys;
    private long made;
    private long number;
    private Random random;
    private final Map<Long, StoredRecord> seen = new HashMap<>();

    @Setup(Level.Trial)
    public void open() throws SQLException {
        made = Databases.noted(Path.of(System.getenv("JONTREL_BENCH_FOLDER")), "made");
        number = 50_000_000L + System.currentTimeMillis() % 1_000_000_000L * 1_000;
        random = new Random(4711);
        engineSource = Databases.source(Databases.ENGINE);
        handSource = Databases.source(Databases.HAND);
        valuesSource = Databases.source(Databases.VALUES);
        hand = handSource.getConnection();
        values = valuesSource.getConnection();
        site = Databases.site(engineSource);
        ids = ids("SELECT id FROM survey WHERE MOD(id, 97) = 3 LIMIT 5000");
        terms = ids(
                "SELECT id FROM terms__waterway WHERE parent_id IN (SELECT id FROM terms__waterway WHERE parent_id = 0)");
        rounds = ids("SELECT id FROM round ORDER BY id LIMIT 15000");
        surveys = new Surveys(ids("SELECT id FROM person"), ids("SELECT id FROM terms__waterway"));
        if (ids.isEmpty() || terms.isEmpty() || rounds.isEmpty()) {
            throw new IllegalStateException("nothing is loaded: run ./jontrel bench records");
        }
    }

    private List<Long> ids(String sql) throws SQLException {
        var found = new ArrayList<Long>();
        HandSql.query(hand, sql).forEach(row -> found.add(((Number) row.get("id")).longValue()));
        hand.commit();
        return found;
    }

    @TearDown(Level.Trial)
    public void close() throws SQLException {
        for (var table : List.of("survey__charges", "survey__keeper", "survey__terms__waterway")) {
            delete(hand, table, "record_id");
            try (var connection = engineSource.getConnection()) {
                delete(connection, table, "record_id");
            }
        }
        try (var connection = engineSource.getConnection()) {
            delete(connection, "jontrel_text", "record_id");
            delete(connection, "survey", "id");
        }
        delete(hand, "words", "record_id");
        delete(hand, "survey", "id");
        delete(values, "item_value", "item_id");
        delete(values, "item_term", "item_id");
        delete(values, "item", "id");
        hand.close();
        values.close();
        engineSource.close();
        handSource.close();
        valuesSource.close();
    }

    /** What was made after the load. */
    private void delete(Connection connection, String table, String column) throws SQLException {
        Databases.say(connection, "DELETE FROM " + table + " WHERE " + column + " > " + made);
    }

    private <T> T any(List<T> of) {
        return of.get(random.nextInt(of.size()));
    }

    private static Object ended(Connection connection, Object result) throws SQLException {
        connection.commit();
        return result;
    }

    // --- a page of a list, filtered and sorted, with its count ---

    private String depth() {
        return "3." + (60 + random.nextInt(30));
    }

    @Benchmark
    public Object page_engine() {
        var query = ListQuery.ALL
                .where(new Condition.All(List.of(
                        new Condition.FieldIs("frating", Condition.Test.IS, List.of(any(Surveys.RATINGS))),
                        new Condition.FieldIs("fdepth", Condition.Test.AT_LEAST, List.of(depth())))))
                .sortedBy("fday", true)
                .most(20)
                .only(LISTED);
        return List.of(site.records().page("tsurvey", query), site.records().count("tsurvey", query));
    }

    @Benchmark
    public Object page_hand() throws SQLException {
        return ended(hand, HandSql.page(hand, any(Surveys.RATINGS), depth()));
    }

    @Benchmark
    @Warmup(iterations = 0)
    @Measurement(iterations = 1)
    public Object page_values() throws SQLException {
        return ended(values, ValueRows.page(values, any(Surveys.RATINGS), depth()));
    }

    // --- the latest under a term of a taxonomy ---

    @Benchmark
    public Object subtree_engine() {
        return site.records()
                .page(
                        "tsurvey",
                        ListQuery.ALL
                                .where(new Condition.TermIs(
                                        "xwaterway", Condition.Test.UNDER, List.of(String.valueOf(any(terms)))))
                                .sortedBy("fday", true)
                                .most(20)
                                .only(LISTED));
    }

    @Benchmark
    public Object subtree_hand() throws SQLException {
        return ended(hand, HandSql.subtree(hand, any(terms)));
    }

    @Benchmark
    @Warmup(iterations = 0)
    @Measurement(iterations = 1)
    public Object subtree_values() throws SQLException {
        return ended(values, ValueRows.subtree(values, any(terms)));
    }

    // --- one whole record ---

    @Benchmark
    public Object whole_engine() {
        return site.records().byId("tsurvey", any(ids));
    }

    @Benchmark
    public Object whole_hand() throws SQLException {
        return ended(hand, HandSql.whole(hand, any(ids)));
    }

    @Benchmark
    public Object whole_values() throws SQLException {
        return ended(values, ValueRows.whole(values, any(ids)));
    }

    // --- twenty rounds with five surveys each ---

    @Benchmark
    public Object nested_engine() {
        var page = site.records()
                .page(
                        "tround",
                        ListQuery.ALL
                                .where(new Condition.FieldIs(
                                        "own_id", Condition.Test.ABOVE, List.of(String.valueOf(any(rounds)))))
                                .sortedBy("own_id", false)
                                .most(20))
                .orElseThrow();
        var stops = page.records().stream()
                .flatMap(round -> ((List<?>) round.values().get("fstops")).stream())
                .map(link -> ((org.jontrel.core.value.Link) link).id())
                .distinct()
                .toList();
        return List.of(page, site.records().byIds("tsurvey", stops));
    }

    @Benchmark
    public Object nested_hand() throws SQLException {
        return ended(hand, HandSql.nested(hand, any(rounds)));
    }

    @Benchmark
    public Object nested_values() throws SQLException {
        return ended(values, ValueRows.nested(values, any(rounds)));
    }

    // --- insert one ---

    private long freshId() {
        return made + (1L << 44) + number++;
    }

    @Benchmark
    public Object insert_engine() {
        return stored(
                site.records().save(Write.fresh("tsurvey", RecordState.PUBLISHED, surveys.raw(number++), "bench")));
    }

    private static StoredRecord stored(SaveResult saved) {
        if (saved instanceof SaveResult.Stored(var record)) {
            return record;
        }
        throw new IllegalStateException("not stored: " + saved);
    }

    @Benchmark
    public void insert_hand() throws SQLException {
        HandInsert.insert(hand, List.of(surveys.raw(number)), freshId());
    }

    @Benchmark
    public void insert_values() throws SQLException {
        ValueRows.insert(values, List.of(surveys.raw(number)), freshId());
    }

    // --- update one ---

    @Benchmark
    public Object update_engine() {
        var before = seen.computeIfAbsent(
                any(ids), id -> site.records().byId("tsurvey", id).orElseThrow());
        var raw = Map.of(
                "depth", String.valueOf(random.nextInt(400) / 100.0), "notes", "changed " + random.nextInt(1_000_000));
        var after = stored(site.records().save(Write.change("tsurvey", before, raw, false, "bench")));
        seen.put(after.id(), after);
        return after;
    }

    @Benchmark
    public void update_hand() throws SQLException {
        HandSql.update(hand, any(ids), random);
    }

    @Benchmark
    public void update_values() throws SQLException {
        ValueRows.update(values, any(ids), random);
    }

    // --- insert a thousand ---

    private List<Map<String, Object>> thousand() {
        number += TOGETHER;
        return LongStream.range(0, TOGETHER)
                .mapToObj(i -> surveys.raw(number + i))
                .toList();
    }

    @Benchmark
    public Object thousand_engine() {
        return Load.ids(site.records()
                .saveAll(thousand().stream()
                        .map(raw -> Write.fresh("tsurvey", RecordState.PUBLISHED, raw, "bench"))
                        .toList()));
    }

    @Benchmark
    public void thousand_hand() throws SQLException {
        HandInsert.insert(hand, thousand(), freshId());
    }

    @Benchmark
    public void thousand_values() throws SQLException {
        ValueRows.insert(values, thousand(), freshId());
    }
}

package org.jontrel.bench.record;

import com.zaxxer.hikari.HikariDataSource;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.LongStream;
import org.jontrel.site.Site;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.run.Runs;

/** Makes the records through the engine, then copies them into the two other layouts. */
public final class Load {
    private static final int PEOPLE = 20_000;
    private static final int ROUNDS = 20_000;
    private final Path folder;
    private final long records;

    Load(Path folder, long records) {
        this.folder = folder;
        this.records = records;
    }

    /** Each layout for itself, so that what was cut off goes on where it stopped. */
    void run() throws Exception {
        boolean fresh = filled(Databases.ENGINE, this::engine);
        if (fresh) {
            Files.deleteIfExists(folder.resolve(Databases.HAND));
            Files.deleteIfExists(folder.resolve(Databases.VALUES));
        }
        filled(Databases.HAND, source -> in(source, this::hand));
        filled(Databases.VALUES, source -> in(source, this::values));
    }

    private interface RowFiller {
        void of(HikariDataSource source) throws Exception;
    }

    private interface Copying {
        void in(Connection connection) throws SQLException;
    }

    private static void in(HikariDataSource source, Copying copying) throws SQLException {
        try (var connection = source.getConnection()) {
            copying.in(connection);
        }
    }

    private boolean filled(String name, RowFiller filling) throws Exception {
        if (Databases.noted(folder, name) == records) {
            return false;
        }
        Files.deleteIfExists(folder.resolve(name));
        try (var server = Databases.source("jontrel");
                var connection = server.getConnection()) {
            Databases.say(connection, "DROP DATABASE IF EXISTS " + name, "CREATE DATABASE " + name);
        }
        long began = System.nanoTime();
        try (var source = Databases.source(name)) {
            filling.of(source);
        }
        System.out.printf("%s filled in %d s%n", name, (System.nanoTime() - began) / 1_000_000_000L);
        Files.writeString(folder.resolve(name), String.valueOf(records));
        return true;
    }

    private void engine(HikariDataSource source) throws Exception {
        var site = Databases.site(source);
        var outcome = site.runs().start(new Runs.RunTarget("1.0.0", Databases.model(), List.of()), "bench", _ -> {});
        ((Runs.RunOutcome.Started) outcome).work().run();
        long began = System.nanoTime();
        var ids = surveys(site, records);
        double seconds = (System.nanoTime() - began) / 1e9;
        System.out.printf("stored %d records in %.0f s, %.0f a second%n", records, seconds, records / seconds);
        var rounds = DrawnLinks.many(
                site,
                "tround",
                ROUNDS,
                number -> Map.of(
                        "title",
                        "Round " + number,
                        "stops",
                        LongStream.range(0, 5)
                                .mapToObj(i -> ids.get((int) ((number * 31 + i * 997) % ids.size())))
                                .distinct()
                                .toList()));
        Files.writeString(
                folder.resolve("made"),
                String.valueOf(rounds.stream().mapToLong(Long::longValue).max().orElseThrow()));
    }

    /** Waters, people, and surveys that lead to them. */
    public static List<Long> surveys(Site site, long records) throws Exception {
        var terms = new ArrayList<Long>();
        DrawnLinks.below(site, terms, Optional.empty(), "Reach", 3);
        var people = DrawnLinks.many(site, "tperson", PEOPLE, number -> Map.of("title", "Keeper " + number));
        return DrawnLinks.many(site, "tsurvey", records, new Surveys(people, terms)::raw);
    }

    interface Making {
        Map<String, ?> raw(long number);
    }

    static List<Long> ids(List<SaveResult> saved) {
        return saved.stream()
                .map(each -> {
                    if (each instanceof SaveResult.Stored(var record)) {
                        return record.id();
                    }
                    throw new IllegalStateException("not stored: " + each);
                })
                .toList();
    }

    /** The same tables with the same indexes, as somebody would make them who knows what is asked. */
    private void hand(Connection connection) throws SQLException {
        for (var table : List.of(
                "survey",
                "survey__charges",
                "survey__keeper",
                "survey__terms__waterway",
                "person",
                "round",
                "round__stops",
                "terms__waterway",
                "terms__waterway__above",
                "jontrel_history")) {
            Databases.say(
                    connection,
                    "CREATE TABLE %s LIKE %s.%s".formatted(table, Databases.ENGINE, table),
                    "INSERT INTO %s SELECT * FROM %s.%s".formatted(table, Databases.ENGINE, table));
        }
        Databases.say(
                connection,
                "CREATE TABLE words (record_id BIGINT PRIMARY KEY, words MEDIUMTEXT NOT NULL)",
                "INSERT INTO words SELECT record_id, words FROM " + Databases.ENGINE
                        + ".jontrel_text WHERE holder_id = 'tsurvey'",
                "ALTER TABLE words ADD FULLTEXT KEY words (words)",
                "ANALYZE TABLE survey, survey__charges, survey__keeper, survey__terms__waterway, round, round__stops");
    }

    /** One row per value: what is usual where one table shall hold every type. */
    private void values(Connection connection) throws SQLException {
        Databases.say(
                connection,
                """
                CREATE TABLE item (id BIGINT PRIMARY KEY, kind VARCHAR(20) NOT NULL, title TEXT NOT NULL,
                  slug VARCHAR(190) NOT NULL, state VARCHAR(20) NOT NULL, updated_at DATETIME NOT NULL,
                  KEY slug (slug), KEY kind_state (kind, state, updated_at, id))""",
                """
                CREATE TABLE item_value (value_id BIGINT AUTO_INCREMENT PRIMARY KEY, item_id BIGINT NOT NULL,
                  name VARCHAR(255), value LONGTEXT, KEY item (item_id), KEY name (name(191)))""",
                """
                CREATE TABLE item_term (item_id BIGINT NOT NULL, term_id BIGINT NOT NULL, PRIMARY KEY (item_id, term_id),
                  KEY term (term_id))""",
                "CREATE TABLE term_above LIKE " + Databases.ENGINE + ".terms__waterway__above",
                "INSERT INTO term_above SELECT * FROM " + Databases.ENGINE + ".terms__waterway__above",
                "INSERT INTO item SELECT id, 'survey', title, slug, state, updated_at FROM " + Databases.ENGINE
                        + ".survey",
                "INSERT INTO item SELECT id, 'round', title, slug, state, updated_at FROM " + Databases.ENGINE
                        + ".round",
                "INSERT INTO item_term SELECT record_id, term_id FROM " + Databases.ENGINE
                        + ".survey__terms__waterway");
        var columns = new ArrayList<String>();
        var survey = Databases.ENGINE + ".survey s WHERE s.id > %d AND s.id <= %d";
        for (var field : VALUE_FIELDS) {
            columns.add(
                    "SELECT id, '%1$s', %1$s FROM ".formatted(field) + survey + " AND %s IS NOT NULL".formatted(field));
        }
        columns.add("SELECT id, 'spot', ST_AsText(spot) FROM " + survey);
        for (var field : List.of("season", "amount", "from")) {
            columns.add("SELECT record_id, CONCAT('charges_', position, '_%1$s'), `%1$s` FROM %2$s.survey__charges"
                            .formatted(field, Databases.ENGINE)
                    + " WHERE record_id > %d AND record_id <= %d");
        }
        columns.add("SELECT record_id, 'keeper', target_id FROM " + Databases.ENGINE
                + ".survey__keeper WHERE record_id > %d AND record_id <= %d");
        long step = Math.max(1, records / 50);
        var ids = new ArrayList<Long>();
        try (var statement = connection.createStatement();
                var rows = statement.executeQuery("SELECT id FROM (SELECT id, ROW_NUMBER() OVER (ORDER BY id) n FROM "
                        + Databases.ENGINE + ".survey) numbered WHERE n % " + step + " = 0 ORDER BY id")) {
            while (rows.next()) {
                ids.add(rows.getLong(1));
            }
        }
        ids.add(Long.MAX_VALUE);
        long from = 0;
        for (long to : ids) {
            for (var column : columns) {
                Databases.say(
                        connection, "INSERT INTO item_value (item_id, name, value) " + column.formatted(from, to));
            }
            from = to;
        }
        Databases.say(
                connection,
                "INSERT INTO item_value (item_id, name, value) SELECT record_id, CONCAT('stops_', position), target_id FROM "
                        + Databases.ENGINE + ".round__stops",
                "ANALYZE TABLE item, item_value, item_term");
    }

    static final List<String> VALUE_FIELDS = List.of(
            "code", "rating", "length", "width", "depth", "berths", "day", "seen", "open", "email", "phone", "site",
            "colour", "notes");
}

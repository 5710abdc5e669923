package org.jontrel.bench.record;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.mariadb.jdbc.type.Point;

/** What somebody would write who knows the tables: the limit that an engine can come near. */
final class HandSql {
    private static final String COLUMNS =
            "id, slug, state, version, complete, created_at, updated_at, created_by, updated_by, title, code, rating,"
                    + " length, width, depth, berths, day, seen, open, email, phone, site, colour, spot, notes";
    static final String INSERT = "INSERT INTO survey (id, slug, state, version, complete, created_at, updated_at,"
            + " created_by, updated_by, title, code, rating, length, width, depth, berths, day, seen, open, email, phone,"
            + " site, colour, spot, notes) VALUES (" + marks(25) + ")";

    private HandSql() {}

    static String marks(int count) {
        return String.join(", ", Collections.nCopies(count, "?"));
    }

    static List<Map<String, Object>> query(Connection connection, String sql, Object... parameters)
            throws SQLException {
        try (var statement = connection.prepareStatement(sql)) {
            set(statement, Arrays.asList(parameters));
            try (var rows = statement.executeQuery()) {
                return read(rows);
            }
        }
    }

    private static List<Map<String, Object>> read(ResultSet rows) throws SQLException {
        var read = new ArrayList<Map<String, Object>>();
        var meta = rows.getMetaData();
        var names = new ArrayList<String>();
        for (int i = 1; i <= meta.getColumnCount(); i++) {
            names.add(meta.getColumnLabel(i));
        }
        while (rows.next()) {
            var row = new LinkedHashMap<String, Object>();
            for (int i = 0; i < names.size(); i++) {
                row.put(names.get(i), rows.getObject(i + 1));
            }
            read.add(row);
        }
        return read;
    }

    private static void set(PreparedStatement statement, List<?> parameters) throws SQLException {
        for (int i = 0; i < parameters.size(); i++) {
            statement.setObject(i + 1, parameters.get(i));
        }
    }

    static void batch(Connection connection, String sql, List<List<Object>> rows) throws SQLException {
        try (var statement = connection.prepareStatement(sql)) {
            for (var row : rows) {
                set(statement, row);
                statement.addBatch();
            }
            statement.executeBatch();
        }
    }

    /** Filtered by choice and number, sorted by date: a page as a list shows it, and how many there are. */
    static Object page(Connection connection, String rating, String depth) throws SQLException {
        var where = " FROM survey WHERE state <> 'deleted' AND rating = ? AND depth >= ?";
        var page = query(
                connection,
                "SELECT id, slug, state, version, title, code, rating, length, depth, day" + where
                        + " ORDER BY day DESC, id DESC LIMIT 21",
                rating,
                new java.math.BigDecimal(depth));
        var count = query(
                connection,
                "SELECT COUNT(*) FROM (SELECT 1" + where + " LIMIT 10001) found",
                rating,
                new java.math.BigDecimal(depth));
        return List.of(page, count);
    }

    /** The latest under a term, whatever is below it. */
    static Object subtree(Connection connection, long term) throws SQLException {
        return query(
                connection,
                "SELECT id, slug, state, version, title, code, rating, length, depth, day FROM survey s"
                        + " WHERE state <> 'deleted' AND EXISTS (SELECT 1 FROM survey__terms__waterway w WHERE w.record_id = s.id AND"
                        + " EXISTS (SELECT 1 FROM terms__waterway__above a WHERE a.term_id = w.term_id AND a.above_id = ?))"
                        + " ORDER BY day DESC, id DESC LIMIT 21",
                term);
    }

    static Object whole(Connection connection, long id) throws SQLException {
        return List.of(
                query(connection, "SELECT " + COLUMNS + " FROM survey WHERE id = ?", id),
                query(
                        connection,
                        "SELECT id, position, season, amount, `from` FROM survey__charges WHERE record_id = ? ORDER BY"
                                + " position",
                        id),
                query(
                        connection,
                        "SELECT term_id FROM survey__terms__waterway WHERE record_id = ? ORDER BY position",
                        id),
                query(connection, "SELECT target_type, target_id FROM survey__keeper WHERE record_id = ?", id));
    }

    /** Twenty rounds with the surveys they stop at, whole. */
    static Object nested(Connection connection, long after) throws SQLException {
        var rounds = query(
                connection,
                "SELECT id, title FROM round WHERE state <> 'deleted' AND id > ? ORDER BY id LIMIT 20",
                after);
        var ids = rounds.stream().map(row -> row.get("id")).toArray();
        var stops = query(
                connection,
                "SELECT record_id, target_id FROM round__stops WHERE record_id IN (" + marks(ids.length)
                        + ") ORDER BY record_id, position",
                ids);
        var surveys = stops.stream().map(row -> row.get("target_id")).toArray();
        var in = " IN (" + marks(surveys.length) + ")";
        return List.of(
                rounds,
                stops,
                query(connection, "SELECT " + COLUMNS + " FROM survey WHERE id" + in, surveys),
                query(
                        connection,
                        "SELECT record_id, id, position, season, amount, `from` FROM survey__charges WHERE record_id"
                                + in + " ORDER BY record_id, position",
                        surveys),
                query(
                        connection,
                        "SELECT record_id, term_id FROM survey__terms__waterway WHERE record_id" + in
                                + " ORDER BY record_id, position",
                        surveys),
                query(
                        connection,
                        "SELECT record_id, target_type, target_id FROM survey__keeper WHERE record_id" + in,
                        surveys));
    }

    static Point spot(Map<?, ?> raw) {
        return new Point(
                Double.parseDouble((String) raw.get("longitude")), Double.parseDouble((String) raw.get("latitude")));
    }

    /** Two values and the rows, with the state before put into the history and the words brought up to date. */
    static void update(Connection connection, long id, Random random) throws SQLException {
        var before = whole(connection, id).toString();
        var row = query(connection, "SELECT version, title, notes FROM survey WHERE id = ?", id)
                .getFirst();
        int version = ((Number) row.get("version")).intValue();
        batch(
                connection,
                "INSERT INTO jontrel_history (holder_id, record_id, version, generation, state, slug, at, by_whom,"
                        + " record_values) VALUES ('tsurvey', ?, ?, 1, 'published', '', NOW(6), 'bench', ?)",
                List.of(Arrays.asList(id, version, before)));
        var notes = "changed " + random.nextInt(1_000_000);
        batch(
                connection,
                "UPDATE survey SET depth = ?, notes = ?, version = version + 1, updated_at = NOW(6) WHERE id = ? AND"
                        + " version = ?",
                List.of(Arrays.asList(random.nextInt(400) / 100.0, notes, id, version)));
        batch(
                connection,
                "UPDATE survey__charges SET amount = ? WHERE record_id = ? AND position = 0",
                List.of(Arrays.asList(random.nextInt(5000) / 100.0, id)));
        batch(
                connection,
                "UPDATE words SET words = ? WHERE record_id = ?",
                List.of(Arrays.asList(row.get("title") + "\n" + notes, id)));
        connection.commit();
    }
}

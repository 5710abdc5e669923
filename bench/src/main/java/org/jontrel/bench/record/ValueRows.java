package org.jontrel.bench.record;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** The same questions to a layout of one row per value. */
final class ValueRows {
    private ValueRows() {}

    static Object page(Connection connection, String rating, String depth) throws SQLException {
        var from = " FROM item i JOIN item_value r ON r.item_id = i.id AND r.name = 'rating' AND r.value = ?"
                + " JOIN item_value d ON d.item_id = i.id AND d.name = 'depth' AND CAST(d.value AS DECIMAL(20,6)) >= ?"
                + " JOIN item_value s ON s.item_id = i.id AND s.name = 'day' WHERE i.kind = 'survey' AND i.state ="
                + " 'published'";
        var number = new java.math.BigDecimal(depth);
        var page = HandSql.query(
                connection,
                "SELECT i.id, i.title, i.slug, i.state" + from + " ORDER BY s.value DESC, i.id DESC LIMIT 21",
                rating,
                number);
        var count = HandSql.query(
                connection, "SELECT COUNT(*) FROM (SELECT 1" + from + " LIMIT 10001) found", rating, number);
        return List.of(page, count, valuesOf(connection, page));
    }

    private static Object valuesOf(Connection connection, List<Map<String, Object>> items) throws SQLException {
        var ids = items.stream().map(row -> row.get("id")).toArray();
        return ids.length == 0
                ? List.of()
                : HandSql.query(
                        connection,
                        "SELECT item_id, name, value FROM item_value WHERE item_id IN (" + HandSql.marks(ids.length)
                                + ")",
                        ids);
    }

    static Object subtree(Connection connection, long term) throws SQLException {
        var page = HandSql.query(
                connection,
                "SELECT DISTINCT i.id, i.title, i.slug, i.state, s.value FROM item i JOIN item_term t ON t.item_id = i.id"
                        + " JOIN term_above a ON a.term_id = t.term_id AND a.above_id = ? JOIN item_value s ON s.item_id ="
                        + " i.id AND s.name = 'day' WHERE i.kind = 'survey' AND i.state = 'published' ORDER BY s.value DESC,"
                        + " i.id DESC LIMIT 21",
                term);
        return List.of(page, valuesOf(connection, page));
    }

    static Object whole(Connection connection, long id) throws SQLException {
        return List.of(
                HandSql.query(connection, "SELECT id, title, slug, state, updated_at FROM item WHERE id = ?", id),
                HandSql.query(connection, "SELECT name, value FROM item_value WHERE item_id = ?", id),
                HandSql.query(connection, "SELECT term_id FROM item_term WHERE item_id = ?", id));
    }

    static Object nested(Connection connection, long after) throws SQLException {
        var rounds = HandSql.query(
                connection, "SELECT id, title FROM item WHERE kind = 'round' AND id > ? ORDER BY id LIMIT 20", after);
        var ids = rounds.stream().map(row -> row.get("id")).toArray();
        var stops = HandSql.query(
                connection,
                "SELECT item_id, value FROM item_value WHERE name LIKE 'stops%' AND item_id IN ("
                        + HandSql.marks(ids.length) + ")",
                ids);
        var surveys = stops.stream()
                .map(row -> Long.valueOf(String.valueOf(row.get("value"))))
                .toArray();
        var in = " IN (" + HandSql.marks(surveys.length) + ")";
        return List.of(
                rounds,
                HandSql.query(connection, "SELECT id, title, slug, state, updated_at FROM item WHERE id" + in, surveys),
                HandSql.query(connection, "SELECT item_id, name, value FROM item_value WHERE item_id" + in, surveys),
                HandSql.query(connection, "SELECT item_id, term_id FROM item_term WHERE item_id" + in, surveys));
    }

    static void insert(Connection connection, List<Map<String, Object>> records, long firstId) throws SQLException {
        var items = new ArrayList<List<Object>>();
        var values = new ArrayList<List<Object>>();
        var terms = new ArrayList<List<Object>>();
        long id = firstId;
        var now = Timestamp.from(Instant.now());
        for (var raw : records) {
            items.add(Arrays.asList(id, "survey", raw.get("title"), "s-" + id, "published", now));
            for (var field : Load.VALUE_FIELDS) {
                values.add(Arrays.asList(id, field, String.valueOf(raw.get(field))));
            }
            int position = 0;
            for (var row : (List<?>) raw.get("charges")) {
                for (var cell : ((Map<?, ?>) row).entrySet()) {
                    values.add(Arrays.asList(id, "charges_" + position + "_" + cell.getKey(), cell.getValue()));
                }
                position++;
            }
            values.add(Arrays.asList(id, "keeper", String.valueOf(raw.get("keeper"))));
            for (var term : (List<?>) raw.get("waterway")) {
                terms.add(Arrays.asList(id, term));
            }
            id++;
        }
        HandSql.batch(
                connection,
                "INSERT INTO item (id, kind, title, slug, state, updated_at) VALUES (?, ?, ?, ?, ?, ?)",
                items);
        HandSql.batch(connection, "INSERT INTO item_value (item_id, name, value) VALUES (?, ?, ?)", values);
        HandSql.batch(connection, "INSERT INTO item_term (item_id, term_id) VALUES (?, ?)", terms);
        connection.commit();
    }

    static void update(Connection connection, long id, Random random) throws SQLException {
        HandSql.batch(
                connection,
                "UPDATE item_value SET value = ? WHERE item_id = ? AND name = ?",
                List.of(
                        Arrays.asList(String.valueOf(random.nextInt(400) / 100.0), id, "depth"),
                        Arrays.asList("changed " + random.nextInt(1_000_000), id, "notes"),
                        Arrays.asList(String.valueOf(random.nextInt(5000) / 100.0), id, "charges_0_amount")));
        HandSql.batch(connection, "UPDATE item SET updated_at = NOW() WHERE id = ?", List.of(List.of(id)));
        connection.commit();
    }
}

package org.jontrel.bench.record;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** Storing a record, written by hand. */
final class HandInsert {
    private HandInsert() {}

    static void insert(Connection connection, List<Map<String, Object>> records, long firstId) throws SQLException {
        var own = new ArrayList<List<Object>>();
        var charges = new ArrayList<List<Object>>();
        var terms = new ArrayList<List<Object>>();
        var keepers = new ArrayList<List<Object>>();
        var words = new ArrayList<List<Object>>();
        long id = firstId;
        var now = Timestamp.from(Instant.now());
        for (var raw : records) {
            var title = (String) raw.get("title");
            own.add(Arrays.asList(
                    id,
                    title.toLowerCase(java.util.Locale.ROOT).replace(' ', '-') + "-" + id,
                    "published",
                    1,
                    true,
                    now,
                    now,
                    "bench",
                    "bench",
                    title,
                    raw.get("code"),
                    raw.get("rating"),
                    raw.get("length"),
                    raw.get("width"),
                    raw.get("depth"),
                    raw.get("berths"),
                    raw.get("day"),
                    ((String) raw.get("seen")).replace('T', ' '),
                    raw.get("open"),
                    raw.get("email"),
                    raw.get("phone"),
                    raw.get("site"),
                    raw.get("colour"),
                    HandSql.spot((Map<?, ?>) raw.get("spot")),
                    raw.get("notes")));
            int position = 0;
            for (var row : (List<?>) raw.get("charges")) {
                var charge = (Map<?, ?>) row;
                charges.add(Arrays.asList(
                        id,
                        id + position,
                        0,
                        position,
                        charge.get("season"),
                        charge.get("amount"),
                        charge.get("from")));
                position++;
            }
            position = 0;
            for (var term : (List<?>) raw.get("waterway")) {
                terms.add(Arrays.asList(id, 0, position++, term));
            }
            keepers.add(Arrays.asList(id, 0, 0, "tperson", raw.get("keeper")));
            words.add(Arrays.asList(
                    id,
                    List.of("title", "code", "rating", "email", "phone", "site", "notes").stream()
                                    .map(key -> (String) raw.get(key))
                                    .collect(Collectors.joining("\n"))
                            + "\n"
                            + ((List<?>) raw.get("charges"))
                                    .stream()
                                            .map(row -> (String) ((Map<?, ?>) row).get("season"))
                                            .collect(Collectors.joining("\n"))));
            id++;
        }
        HandSql.batch(connection, HandSql.INSERT, own);
        HandSql.batch(
                connection,
                "HandSql.INSERT INTO survey__charges (record_id, id, row_id, position, season, amount, `from`) VALUES ("
                        + HandSql.marks(7) + ")",
                charges);
        HandSql.batch(
                connection,
                "HandSql.INSERT INTO survey__terms__waterway (record_id, row_id, position, term_id) VALUES ("
                        + HandSql.marks(4) + ")",
                terms);
        HandSql.batch(
                connection,
                "HandSql.INSERT INTO survey__keeper (record_id, row_id, position, target_type, target_id) VALUES ("
                        + HandSql.marks(5) + ")",
                keepers);
        HandSql.batch(connection, "HandSql.INSERT INTO words (record_id, words) VALUES (?, ?)", words);
        connection.commit();
    }
}

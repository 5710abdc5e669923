package org.jontrel.site.testing;

import static org.testng.Assert.assertEquals;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;

/** Compares two states of a database. */
public final class SameBytes {
    private SameBytes() {}

    /**
     * Two states of a database by their bytes.
     *
     * @param aside ids of records of which nothing is compared
     * @param titled ids of records that people gave other titles meanwhile: all else of them is compared
     */
    public static void assertSame(
            Map<String, List<Map<String, String>>> actual,
            Map<String, List<Map<String, String>>> expected,
            String when,
            Set<Long> aside,
            Set<Long> titled) {
        assertEquals(actual.keySet().toString(), expected.keySet().toString(), when);
        expected.forEach((table, rows) -> {
            var was = comparable(table, rows, aside, titled);
            var is = comparable(table, actual.get(table), aside, titled);
            assertEquals(is.size(), was.size(), when + ", rows of " + table);
            for (int i = 0; i < was.size(); i++) {
                assertEquals(is.get(i), was.get(i), when + ", table " + table);
            }
        });
    }

    /** Terms that definitions begin with are made anew where they come and go: their numbers and times are others. */
    private static List<String> comparable(
            String table, List<Map<String, String>> rows, Set<Long> aside, Set<Long> titled) {
        var made =
                List.of("id", "parent_id", "term_id", "above_id", "version", "created_at", "updated_at", "updated_by");
        return rows.stream()
                .filter(row -> Stream.of("record_id", "id")
                        .flatMap(column -> Stream.ofNullable(row.get(column)))
                        .findFirst()
                        .filter(id -> aside.contains(Long.valueOf(id)))
                        .isEmpty())
                .map(row -> {
                    var left = new TreeMap<>(row);
                    if (titled.contains(Long.valueOf(row.getOrDefault("id", "0")))) {
                        left.keySet().removeAll(List.of("title", "version", "updated_at", "updated_by"));
                    }
                    if (table.startsWith("terms__")) {
                        left.keySet().removeAll(made);
                    }
                    return left.toString();
                })
                .sorted()
                .toList();
    }
}

package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.move.AlikeRows;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.RecordIds;

/** Notes which record stands for all rows that say the same. */
record AlikeNotes(Connection connection, AlikeRows alike) {
    private static final RecordIds IDS = new RecordIds(Clock.systemUTC());

    /** The numbers of the records that stand for these values, each at its place; those that are new get one. */
    List<Long> numbers(List<Map<String, Object>> rows) throws SQLException {
        var marks = marks(rows);
        var numbers = noted(new LinkedHashSet<>(marks));
        var fresh = new ArrayList<List<Object>>();
        for (var mark : marks) {
            if (!numbers.containsKey(mark)) {
                long id = IDS.next();
                numbers.put(mark, id);
                fresh.add(List.of(alike.rule().united(), alike.rule().records(), mark, id));
            }
        }
        Jdbc.batch(
                connection,
                "INSERT INTO jontrel_made (name, taxonomy_id, label, shown, term_id) VALUES (?, ?, ?, '', ?)",
                fresh);
        return marks.stream().map(numbers::get).toList();
    }

    /** The same without giving numbers; 0 for what no record stands for. */
    List<Long> known(List<Map<String, Object>> rows) throws SQLException {
        var marks = marks(rows);
        var numbers = noted(new LinkedHashSet<>(marks));
        return marks.stream().map(mark -> numbers.getOrDefault(mark, 0L)).toList();
    }

    private List<String> marks(List<Map<String, Object>> rows) {
        return rows.stream().map(alike::mark).toList();
    }

    private Map<String, Long> noted(Set<String> marks) throws SQLException {
        var numbers = new HashMap<String, Long>();
        if (!marks.isEmpty()) {
            var padded = Jdbc.padded(marks);
            var parameters = new ArrayList<Object>(
                    List.of(alike.rule().united(), alike.rule().records()));
            parameters.addAll(padded);
            Jdbc.each(
                    connection,
                    "SELECT label, term_id FROM jontrel_made WHERE name = ? AND taxonomy_id = ? AND label IN ("
                            + Jdbc.marks(padded.size()) + ")",
                    row -> numbers.put(row.getString(1), row.getLong(2)),
                    parameters.toArray());
        }
        return numbers;
    }
}

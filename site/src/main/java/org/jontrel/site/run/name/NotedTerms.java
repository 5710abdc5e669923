package org.jontrel.site.run.name;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.RecordIds;

/**
 * Terms and records that are to be made, with the numbers that they will have.
 *
 * @param connection of the work under way
 */
record NotedTerms(Connection connection) {
    private static final int LONGEST = 200;
    private static final int DEEPEST = 12;
    private static final RecordIds IDS = new RecordIds(Clock.systemUTC());

    /** A term or record that is to be made. @param above number of the term that it stands under; 0 for none */
    record NotedTerm(long id, long above, String label) {}

    /**
     * The number of the one with this label, whether its letters are capital or small; empty where none can be called so.
     *
     * @param above number of the term that it stands under; 0 for none
     */
    Optional<Long> note(String made, String taxonomyId, long above, String label) throws SQLException {
        var shown = label.strip();
        var folded = folded(label);
        if (!isName(label)) {
            return Optional.empty();
        }
        Jdbc.update(
                connection,
                "INSERT IGNORE INTO jontrel_made (name, taxonomy_id, above_id, label, shown, term_id) VALUES (?, ?, ?, ?, ?, ?)",
                made,
                taxonomyId,
                above,
                folded,
                shown,
                IDS.next());
        return noted(made, taxonomyId, above, label);
    }

    /** The number that was noted for a label; empty where there is none. */
    Optional<Long> noted(String made, String taxonomyId, long above, String label) throws SQLException {
        var sql = "SELECT term_id FROM jontrel_made WHERE name = ? AND taxonomy_id = ? AND above_id = ?"
                + " AND label = ?";
        return Jdbc.first(connection, sql, row -> row.getLong(1), made, taxonomyId, above, folded(label));
    }

    /** Whether something can be called so. */
    static boolean isName(String label) {
        var shown = label.strip();
        return !shown.isEmpty() && Math.max(length(shown), length(folded(label))) <= LONGEST && !shown.contains("\n");
    }

    /** Whether a term can be called so that stands under those before it, all by their labels. */
    static boolean isPath(List<String> path) {
        return !path.isEmpty() && path.size() <= DEEPEST && path.stream().allMatch(NotedTerms::isName);
    }

    static String folded(String label) {
        return label.strip().toLowerCase(Locale.ROOT);
    }

    private static int length(String text) {
        return text.codePointCount(0, text.length());
    }

    /** In the order of their labels, none before what it stands under. */
    List<NotedTerm> of(RecordType taxonomy, String made) throws SQLException {
        var all = Jdbc.query(
                connection,
                "SELECT term_id, above_id, shown FROM jontrel_made WHERE name = ? AND taxonomy_id = ? ORDER BY label",
                row -> new NotedTerm(row.getLong(1), row.getLong(2), row.getString(3)),
                made,
                taxonomy.id());
        var below =
                all.stream().collect(Collectors.groupingBy(NotedTerm::above, LinkedHashMap::new, Collectors.toList()));
        var ids = all.stream().map(NotedTerm::id).collect(Collectors.toSet());
        var ordered = new ArrayList<NotedTerm>();
        all.stream().filter(each -> !ids.contains(each.above())).forEach(ordered::add);
        for (int at = 0; at < ordered.size(); at++) {
            ordered.addAll(below.getOrDefault(ordered.get(at).id(), List.of()));
        }
        return ordered;
    }

    void forget(String made, long id) throws SQLException {
        Jdbc.update(connection, "DELETE FROM jontrel_made WHERE name = ? AND term_id = ?", made, id);
    }

    /** Keeps in mind what those stand under that were noted under a term which another stands for. */
    void moved(String made, List<NotedTerm> noted, Map<Long, NotedTerm> mine) throws SQLException {
        for (var term : noted) {
            var now = mine.getOrDefault(term.id(), term);
            if (now.above() != term.above()) {
                Jdbc.update(
                        connection,
                        "UPDATE jontrel_made SET above_id = ? WHERE name = ? AND term_id = ?",
                        now.above(),
                        made,
                        term.id());
            }
        }
    }
}

package org.jontrel.site.importer.name;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.importer.CellName;
import org.jontrel.core.value.Link;
import org.jontrel.site.table.Jdbc;

/** Pictures and files by their names: those that were sent with an import, then those of the library of the site. */
final class SentFileNames {
    private final Connection connection;
    private final long importId;
    private final Map<String, Set<Long>> sent = new HashMap<>();
    private final Map<String, Set<Long>> kept = new HashMap<>();
    private boolean read;

    SentFileNames(Connection connection, long importId) {
        this.connection = connection;
        this.importId = importId;
    }

    /** Without the folders before it; capital and small letters are the same. */
    private static String bare(String name) {
        return name.substring(Math.max(name.lastIndexOf('/'), name.lastIndexOf('\\')) + 1)
                .strip()
                .toLowerCase(Locale.ROOT);
    }

    void look(Collection<CellName> names) throws SQLException {
        var wanted = new LinkedHashSet<String>();
        names.stream().filter(each -> each.targets().isEmpty()).forEach(each -> wanted.add(bare(each.text())));
        if (wanted.isEmpty()) {
            return;
        }
        if (!read) {
            read = true;
            add(
                    sent,
                    "SELECT m.id, m.name FROM jontrel_import_file f JOIN jontrel_media m ON m.id = f.media_id"
                            + " WHERE f.import_id = ?",
                    importId);
        }
        wanted.removeAll(sent.keySet());
        wanted.removeAll(kept.keySet());
        if (!wanted.isEmpty()) {
            wanted.forEach(each -> kept.put(each, new LinkedHashSet<>()));
            var parameters = Jdbc.padded(wanted);
            add(
                    kept,
                    "SELECT id, name FROM jontrel_media WHERE LOWER(name) IN (" + Jdbc.marks(parameters.size()) + ")",
                    parameters.toArray());
        }
    }

    private void add(Map<String, Set<Long>> to, String sql, Object... parameters) throws SQLException {
        Jdbc.each(
                connection,
                sql,
                row -> to.computeIfAbsent(bare(row.getString(2)), _ -> new LinkedHashSet<>())
                        .add(row.getLong(1)),
                parameters);
    }

    FoundName find(CellName name) {
        var bare = bare(name.text());
        var all = sent.getOrDefault(bare, kept.getOrDefault(bare, Set.of()));
        return switch (all.size()) {
            case 0 -> new FoundName.Unknown();
            case 1 -> new FoundName.Known(new Link("", all.iterator().next()), Set.of());
            default -> new FoundName.Several();
        };
    }
}

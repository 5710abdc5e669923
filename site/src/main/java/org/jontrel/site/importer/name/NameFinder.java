package org.jontrel.site.importer.name;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.importer.CellName;
import org.jontrel.core.importer.ColumnMapping;
import org.jontrel.core.value.Link;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.DatabaseException;
import org.jontrel.site.table.Jdbc;

/** What the names of some rows lead to: records of the site, rows of the same import, and what is to be made. */
public final class NameFinder {
    private final Connection connection;
    private final Binding binding;
    private final ImportWork work;
    private final SiteNames site;
    private final MadeNames made;
    private final SentFileNames files;
    private final Map<Asked, Map<String, Set<Hit>>> hits = new HashMap<>();
    private final Map<CellName, FoundName> found = new HashMap<>();

    private record Asked(String type, String by) {}

    /**
     * What has a name.
     *
     * @param row of the import; 0 for a record of the site
     */
    private record Hit(Link link, int sheet, int row, boolean fresh, boolean failed) {}

    public NameFinder(Connection connection, Binding binding, ImportWork work) {
        this.connection = connection;
        this.binding = binding;
        this.work = work;
        this.site = new SiteNames(connection, binding, work.id(), work.large());
        this.made = new MadeNames(connection, binding, work);
        this.files = new SentFileNames(connection, work.id());
    }

    /** Asks for all of them at once. */
    public void look(Collection<CellName> names) throws SQLException {
        var wanted = new LinkedHashMap<Asked, Set<String>>();
        for (var name : names) {
            for (var target : name.targets()) {
                var type = binding.table(target);
                if (type.isPresent()) {
                    var by = by(name);
                    var text = SiteNames.folded(
                            type.get().recordType(), by, name.path().getLast());
                    if (!text.isEmpty()) {
                        wanted.computeIfAbsent(new Asked(target, by), _ -> new LinkedHashSet<>())
                                .add(text);
                    }
                }
            }
        }
        files.look(names);
        for (var each : wanted.entrySet()) {
            var known = hits.computeIfAbsent(each.getKey(), _ -> new HashMap<>());
            each.getValue().removeAll(known.keySet());
            if (!each.getValue().isEmpty()) {
                each.getValue().forEach(text -> known.put(text, new LinkedHashSet<>()));
                rows(each.getKey(), each.getValue(), known);
                site.find(each.getKey().type(), each.getKey().by(), each.getValue())
                        .forEach((text, ids) -> ids.forEach(id ->
                                add(known, text, new Hit(new Link(each.getKey().type(), id), 0, 0, false, false))));
            }
        }
    }

    /** A way to a term ends with its title. */
    private static String by(CellName name) {
        return name.by().equals(ColumnMapping.BY_PATH) ? ColumnMapping.BY_TITLE : name.by();
    }

    /** A record that a row of the import is too counts once. */
    private static void add(Map<String, Set<Hit>> known, String text, Hit hit) {
        var all = known.computeIfAbsent(text, _ -> new LinkedHashSet<>());
        if (all.stream().noneMatch(each -> each.link().equals(hit.link()))) {
            all.add(hit);
        }
    }

    private void rows(Asked asked, Collection<String> texts, Map<String, Set<Hit>> known) throws SQLException {
        var parameters = new ArrayList<Object>(List.of(work.id(), SiteNames.what(asked.type(), asked.by())));
        parameters.addAll(Jdbc.padded(texts));
        Jdbc.each(
                connection,
                "SELECT n.text, r.sheet, r.number, r.record_id, r.fresh, r.outcome FROM jontrel_import_name n JOIN"
                        + " jontrel_import_row r ON r.import_id = n.import_id AND r.sheet = n.sheet AND r.number = n.number"
                        + " WHERE n.import_id = ? AND n.by_what = ? AND n.text IN ("
                        + Jdbc.marks(parameters.size() - 2) + ")",
                row -> {
                    boolean failed = "failed".equals(row.getString(6));
                    if (row.getLong(4) != 0 || failed) {
                        // rows without a record are told apart by their own numbers
                        long id = row.getLong(4) != 0 ? row.getLong(4) : -row.getLong(3);
                        add(
                                known,
                                row.getString(1),
                                new Hit(
                                        new Link(asked.type(), id),
                                        row.getInt(2),
                                        row.getInt(3),
                                        row.getInt(5) > 0,
                                        failed));
                    }
                },
                parameters.toArray());
    }

    public FoundName find(CellName name) {
        return found.computeIfAbsent(name, _ -> {
            try {
                if (name.targets().isEmpty()) {
                    return files.find(name);
                }
                boolean way =
                        name.by().equals(ColumnMapping.BY_PATH) && name.path().size() > 1;
                return way ? along(name) : titled(name);
            } catch (SQLException e) {
                throw new DatabaseException(e);
            }
        });
    }

    private FoundName titled(CellName name) throws SQLException {
        var all = hits(name);
        if (all.size() > 1) {
            return new FoundName.Several();
        }
        if (all.size() == 1) {
            return known(all.iterator().next());
        }
        boolean makes = name.missing() == ColumnMapping.WhenMissing.MAKE
                && name.targets().size() == 1
                && by(name).equals(ColumnMapping.BY_TITLE);
        return makes ? made.find(name.targets().getFirst(), List.of(name.text()), true) : new FoundName.Unknown();
    }

    private static FoundName known(Hit hit) {
        return hit.failed()
                ? new FoundName.Failing(hit.sheet(), hit.row())
                : new FoundName.Known(hit.link(), hit.fresh() ? Set.of(hit.link()) : Set.of());
    }

    /** Level by level; where there is none, a row of the import that has the last label as its title. */
    private FoundName along(CellName name) throws SQLException {
        if (name.targets().size() != 1) {
            return new FoundName.Unknown();
        }
        var taxonomy = name.targets().getFirst();
        var there = made.find(taxonomy, name.path(), false);
        if (there instanceof FoundName.Known) {
            return there;
        }
        var rows = hits(name).stream().filter(each -> each.row() > 0).toList();
        if (rows.size() == 1) {
            return known(rows.getFirst());
        }
        return rows.size() > 1
                ? new FoundName.Several()
                : name.missing() == ColumnMapping.WhenMissing.MAKE ? made.find(taxonomy, name.path(), true) : there;
    }

    private Set<Hit> hits(CellName name) {
        var all = new LinkedHashSet<Hit>();
        for (var target : name.targets()) {
            binding.table(target).ifPresent(table -> {
                var text = SiteNames.folded(
                        table.recordType(), by(name), name.path().getLast());
                all.addAll(
                        hits.getOrDefault(new Asked(target, by(name)), Map.of()).getOrDefault(text, Set.of()));
            });
        }
        return all;
    }

    /** Makes what is awaited and has only a name; what is still to come after that. */
    public Set<Link> store(Set<Link> awaited) throws SQLException {
        var refused = made.store(awaited);
        found.clear();
        return awaited.stream().filter(each -> !refused.contains(each)).collect(Collectors.toSet());
    }
}

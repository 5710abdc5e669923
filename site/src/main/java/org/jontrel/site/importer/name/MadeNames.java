package org.jontrel.site.importer.name;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.record.FormCheck;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.SaveTransaction;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/** Terms and records that an import makes because a cell names them and nothing is called so. They get their numbers when it is tried. */
public final class MadeNames {
    private static final int LONGEST = 200;
    private final Connection connection;
    private final Binding binding;
    private final ImportWork work;

    /** Made by this import, or there already, by what they stand under and their label. */
    private final Map<Placed, Optional<MadeName>> known = new HashMap<>();

    private record Placed(String type, long above, String label) {}

    /**
     * A term or record along the way to one.
     *
     * @param stored whether it is there
     */
    record MadeName(long id, boolean stored) {}

    public MadeNames(Connection connection, Binding binding, ImportWork work) {
        this.connection = connection;
        this.binding = binding;
        this.work = work;
    }

    /** What is at the end of a way of labels; where it is not there, with a number that it gets, if that is wanted. */
    public FoundName find(String typeId, List<String> path, boolean makes) throws SQLException {
        var type = binding.table(typeId).map(Binding.BoundTables::recordType);
        boolean whole = path.stream().noneMatch(each -> each.isBlank() || each.length() > LONGEST);
        if (type.isEmpty() || !whole) {
            return new FoundName.Unknown();
        }
        var awaited = new LinkedHashSet<Link>();
        long above = 0;
        for (var label : path) {
            var next = placed(type.get(), above, label, path.size() > 1);
            if (next.isEmpty() && makes) {
                var refusal = make(type.get(), above, label);
                if (refusal.isPresent()) {
                    return new FoundName.RefusedName(refusal.get());
                }
                next = placed(type.get(), above, label, path.size() > 1);
            }
            if (next.isEmpty()) {
                return new FoundName.Unknown();
            }
            above = next.get().id();
            if (!next.get().stored()) {
                awaited.add(new Link(typeId, above));
            }
        }
        return new FoundName.Known(new Link(typeId, above), Set.copyOf(awaited));
    }

    /** @param stands whether it is looked for among what is there; a single label was looked for already */
    private Optional<MadeName> placed(RecordType type, long above, String label, boolean stands) throws SQLException {
        var key = new Placed(type.id(), above, SiteNames.folded(type, "title", label));
        var before = known.get(key);
        if (before != null && before.isPresent()) {
            return before;
        }
        Optional<MadeName> found = stands ? standing(type, above, key.label()) : Optional.empty();
        if (found.isEmpty()) {
            found = Jdbc.first(
                    connection,
                    "SELECT record_id, stored FROM jontrel_import_made WHERE import_id = ? AND holder_id = ? AND above_id = ?"
                            + " AND label = ?",
                    row -> new MadeName(row.getLong(1), row.getBoolean(2)),
                    work.id(),
                    type.id(),
                    above,
                    key.label());
        }
        known.put(key, found);
        return found;
    }

    private Optional<MadeName> standing(RecordType type, long above, String folded) throws SQLException {
        var table = binding.table(type.id()).orElseThrow();
        var title = type.title().map(each -> table.own().columns().get(each.id()));
        if (title.isEmpty()) {
            return Optional.empty();
        }
        var column = PhysicalNames.quoted(title.get());
        var found = new ArrayList<Long>();
        Jdbc.each(
                connection,
                "SELECT id, " + column + " FROM " + PhysicalNames.quoted(table.name()) + " WHERE parent_id = ? AND "
                        + column + " = ? AND state <> '" + RecordLoader.DELETED + "'",
                row -> {
                    if (SiteNames.folded(type, "title", row.getString(2)).equals(folded)) {
                        found.add(row.getLong(1));
                    }
                },
                above,
                folded);
        return found.size() == 1 ? Optional.of(new MadeName(found.getFirst(), true)) : Optional.empty();
    }

    /** Gives it a number; or says why there can be none. */
    private Optional<Finding> make(RecordType type, long above, String label) throws SQLException {
        long id = work.nextId();
        var expected = above == 0 ? Set.<Link>of() : Set.of(new Link(type.id(), above));
        var examined = work.saving(connection, binding, type.id(), expected)
                .examine(List.of(incoming(type, id, above, label)))
                .getFirst();
        if (examined instanceof SaveResult.Refused refused) {
            return refused.problems().stream().map(FormCheck.Problem::finding).findFirst();
        }
        Jdbc.update(
                connection,
                "INSERT IGNORE INTO jontrel_import_made (import_id, holder_id, above_id, label, shown, record_id) VALUES (?, ?, ?,"
                        + " ?, ?, ?)",
                work.id(),
                type.id(),
                above,
                SiteNames.folded(type, "title", label),
                label.strip(),
                id);
        known.remove(new Placed(type.id(), above, SiteNames.folded(type, "title", label)));
        return Optional.empty();
    }

    private SaveTransaction.Incoming incoming(RecordType type, long id, long above, String label) {
        boolean term = type.definition().sort() == Definition.Sort.TAXONOMY;
        var raw = type.title()
                .<Map<String, Object>>map(each -> Map.of(each.key(), label.strip()))
                .orElse(Map.of());
        var fresh = Write.fresh(type.id(), term ? RecordState.PUBLISHED : RecordState.DRAFT, raw, work.author())
                .numbered(id);
        var write = above == 0 ? fresh : fresh.under(new Link(type.id(), above));
        return new SaveTransaction.Incoming(id, _ -> write);
    }

    private record Unstored(long id, long above, String shown) {}

    /**
     * Makes those that are awaited, what stands above others first; they are journalled as new.
     *
     * @return those that could not be made after all
     */
    public Set<Link> store(Set<Link> awaited) throws SQLException {
        var refused = new LinkedHashSet<Link>();
        var byType = new LinkedHashMap<String, List<Object>>();
        awaited.forEach(link ->
                byType.computeIfAbsent(link.type(), _ -> new ArrayList<>()).add(link.id()));
        for (var each : byType.entrySet()) {
            var parameters = new ArrayList<Object>(List.of(work.id(), each.getKey()));
            parameters.addAll(Jdbc.padded(each.getValue()));
            var rows = Jdbc.query(
                    connection,
                    "SELECT record_id, above_id, shown FROM jontrel_import_made WHERE import_id = ? AND holder_id = ? AND record_id"
                            + " IN (" + Jdbc.marks(parameters.size() - 2)
                            + ") AND stored = 0 ORDER BY record_id",
                    row -> new Unstored(row.getLong(1), row.getLong(2), row.getString(3)),
                    parameters.toArray());
            for (var row : rows) {
                if (!store(each.getKey(), row)) {
                    refused.add(new Link(each.getKey(), row.id()));
                }
            }
        }
        known.clear();
        return refused;
    }

    private boolean store(String typeId, Unstored row) throws SQLException {
        var type = binding.table(typeId).orElseThrow().recordType();
        var saved = work.saving(connection, binding, typeId, Set.of())
                .bring(List.of(incoming(type, row.id(), row.above(), row.shown())))
                .getFirst();
        if (!(saved instanceof SaveResult.Stored(var record))) {
            return false;
        }
        new ImportJournal(connection, work.id()).made(typeId, record, binding.generation());
        Jdbc.update(
                connection,
                "UPDATE jontrel_import_made SET stored = 1 WHERE import_id = ? AND holder_id = ? AND record_id = ?",
                work.id(),
                typeId,
                row.id());
        return true;
    }
}

package org.jontrel.site.record;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.State;
import org.jontrel.core.value.Link;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Names;
import org.jontrel.site.table.RecordIds;

/** Terms as definitions bring them. */
public final class TermSeeds {
    private final Connection connection;
    private final Binding.Table table;
    private final RecordIds ids = new RecordIds(Clock.systemUTC());

    public TermSeeds(Connection connection, Binding.Table table) {
        this.connection = connection;
        this.table = table;
    }

    /**
     * Makes the term, or gives it its new label where it still has the one before; its number.
     *
     * @param before label that definitions gave it before, or {@code null}
     */
    public long put(
            String origin,
            String key,
            String label,
            String before,
            long parent,
            int position,
            Map<String, Object> values)
            throws SQLException {
        var name = Names.quoted(table.name());
        var column = Names.quoted(table.own().columns().get("part_title"));
        var there =
                Jdbc.query(connection, "SELECT id FROM " + name + " WHERE origin = ?", row -> row.getLong(1), origin);
        if (!there.isEmpty()) {
            if (before != null && !before.equals(label)) {
                int renamed = Jdbc.update(
                        connection,
                        "UPDATE " + name + " SET " + column + " = ?, version = version + 1 WHERE id = ? AND " + column
                                + " = ?",
                        label,
                        there.getFirst(),
                        before);
                if (renamed > 0) {
                    Words.renew(connection, table, there);
                }
            }
            return there.getFirst();
        }
        var all = new LinkedHashMap<String, Object>();
        all.put("part_title", label);
        all.putAll(values);
        long id = ids.next();
        var wanted = key.replace('_', '-');
        var addresses = new Addresses(connection, table);
        var slug = addresses.taken(parent, wanted, id) ? Slugs.certain(key, id) : wanted;
        var now = Instant.now().truncatedTo(ChronoUnit.MICROS);
        var record = new StoredRecord(
                id,
                slug,
                parent == 0
                        ? Optional.empty()
                        : Optional.of(new Link(table.holder().id(), parent)),
                position,
                State.PUBLISHED,
                false,
                Optional.empty(),
                origin,
                1,
                true,
                now,
                now,
                "definitions",
                "definitions",
                all);
        var statements = new Statements();
        new Saver(table, statements).insert(record, Flat.of(table.holder(), all));
        statements.run(connection);
        new TermTree(connection, table).placed(id, parent);
        return id;
    }
}

package org.jontrel.site.record.address;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/** Which slugs are taken where, and which are free: asked of the database once for many records. */
public final class TakenSlugs {
    /** Numbers behind a title that are tried before the record's id makes its slug certain. */
    private static final int NUMBERS = 20;

    private static final long MADE = -1;
    private final Connection connection;
    private final Binding.BoundTables table;
    private final boolean anywhere;
    private final Map<String, List<Holding>> known = new HashMap<>();

    private record Holding(long parent, long record) {}

    public TakenSlugs(Connection connection, Binding.BoundTables table) {
        this.connection = connection;
        this.table = table;
        this.anywhere = !table.recordType().nesting().parentsInAddress();
    }

    /** Asks for many at once what would otherwise be asked one by one. */
    public void look(Collection<String> slugs) throws SQLException {
        Set<String> fresh = new LinkedHashSet<>(slugs);
        fresh.removeIf(known::containsKey);
        if (fresh.isEmpty()) {
            return;
        }
        fresh.forEach(slug -> known.put(slug, new ArrayList<>()));
        var padded = Jdbc.padded(fresh);
        Jdbc.query(
                connection,
                "SELECT slug, parent_id, id FROM " + PhysicalNames.quoted(table.name()) + " WHERE slug IN ("
                        + Jdbc.marks(padded.size()) + ")",
                row -> known.get(row.getString(1)).add(new Holding(row.getLong(2), row.getLong(3))),
                padded.toArray());
    }

    /** Whether another record than this one has the slug in this place. */
    public boolean taken(long parent, String slug, long record) throws SQLException {
        look(List.of(slug));
        return known.get(slug).stream()
                .anyMatch(holding -> holding.record() != record && (anywhere || holding.parent() == parent));
    }

    /** The slug of a title, or the title with the first number that is free. */
    public String free(long parent, String title, long record) throws SQLException {
        var base = Slugs.base(title);
        if (!taken(parent, base, record)) {
            return base;
        }
        var numbered =
                IntStream.range(2, 2 + NUMBERS).mapToObj(n -> base + "-" + n).toList();
        look(numbered);
        for (var slug : numbered) {
            if (!taken(parent, slug, record)) {
                return slug;
            }
        }
        return Slugs.certain(title, record);
    }

    /** Whether a slug is one that {@link #free} gives where another record has the first one. */
    public static boolean isNumbered(String slug, String base, long record) {
        return slug.equals(Slugs.certain(base, record))
                || IntStream.range(2, 2 + NUMBERS).anyMatch(n -> slug.equals(base + "-" + n));
    }

    /** A record that is about to be stored takes it. */
    public void take(long parent, String slug) {
        known.computeIfAbsent(slug, _ -> new ArrayList<>()).add(new Holding(parent, MADE));
    }
}

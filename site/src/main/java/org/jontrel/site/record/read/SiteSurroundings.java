package org.jontrel.site.record.read;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.record.Surroundings;
import org.jontrel.core.value.Link;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.DatabaseException;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/** What conditions ask of a record on this site; terms are looked up when one is asked for. */
public final class SiteSurroundings implements Surroundings {
    private final Terms terms;
    private final RecordState state;
    private final Optional<Link> parent;

    private record TermName(String name, long above) {}

    /** All terms of the site, read when they are first asked for. */
    private static final class Terms {
        private final Connection connection;
        private final Binding binding;
        private Map<Long, TermName> byId;

        Terms(Connection connection, Binding binding) {
            this.connection = connection;
            this.binding = binding;
        }

        Map<Long, TermName> byId() {
            if (byId == null) {
                byId = new HashMap<>();
                try {
                    for (var table : binding.tables(Definition.Sort.TAXONOMY)) {
                        Jdbc.query(
                                connection,
                                "SELECT id, origin, parent_id FROM " + PhysicalNames.quoted(table.name()),
                                row -> byId.put(
                                        row.getLong(1),
                                        new TermName(
                                                Optional.ofNullable(row.getString(2))
                                                        .orElse(row.getString(1)),
                                                row.getLong(3))));
                    }
                } catch (SQLException e) {
                    throw new DatabaseException(e);
                }
            }
            return byId;
        }
    }

    public SiteSurroundings(Connection connection, Binding binding, RecordState state, Optional<Link> parent) {
        this(new Terms(connection, binding), state, parent);
    }

    private SiteSurroundings(Terms terms, RecordState state, Optional<Link> parent) {
        this.terms = terms;
        this.state = state;
        this.parent = parent;
    }

    /** Those of another record. */
    public SiteSurroundings of(RecordState newState, Optional<Link> newParent) {
        return new SiteSurroundings(terms, newState, newParent);
    }

    private Map<Long, TermName> terms() {
        return terms.byId();
    }

    @Override
    public String term(Object value) {
        return value instanceof Long id && terms().containsKey(id)
                ? terms().get(id).name()
                : String.valueOf(value);
    }

    @Override
    public boolean under(String taxonomyId, String termId, String aboveId) {
        var seen = new HashSet<Long>();
        for (var each : terms().entrySet()) {
            if (each.getValue().name().equals(termId)) {
                long at = each.getKey();
                while (at != 0 && seen.add(at) && terms().containsKey(at)) {
                    if (terms().get(at).name().equals(aboveId)) {
                        return true;
                    }
                    at = terms().get(at).above();
                }
            }
        }
        return false;
    }

    @Override
    public Optional<String> parentType() {
        return parent.map(Link::type);
    }

    @Override
    public RecordState state() {
        return state;
    }
}

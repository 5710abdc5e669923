package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.address.Slugs;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.DatabaseException;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/**
 * Finds records and terms by their titles and labels, whether letters are capital or small, and where none has the name, by
 * their slugs. Each is looked for once.
 */
public final class SiteNameLookup implements NameLookup {
    private static final String TITLE = "part_title";
    private static final int REMEMBERED = 10_000;
    private final Connection connection;
    private final Binding binding;
    private final Model to;
    private final boolean notes;
    private final Map<List<Object>, Optional<Object>> found = new HashMap<>();
    private final Set<String> ambiguous = new HashSet<>();
    private final Map<Object, Optional<String>> names = new HashMap<>();
    private final Map<List<Object>, Optional<Long>> noted = new HashMap<>();

    /**
     * @param to the model that a run leads to: its taxonomies may begin with terms that are not there yet
     * @param notes whether terms that are to be made are noted; plans only count
     */
    public SiteNameLookup(Connection connection, Binding binding, Model to, boolean notes) {
        this.to = to;
        this.notes = notes;
        this.connection = connection;
        this.binding = binding;
    }

    @Override
    public Optional<Object> find(Field field, String name, String makes) {
        if (found.size() > REMEMBERED) {
            found.clear();
        }
        return found.computeIfAbsent(
                List.of(field.id(), name), _ -> look(field.kind(), name.strip()).or(() -> begins(field, name, makes)));
    }

    private Optional<Object> begins(Field field, String name, String makes) {
        boolean begins = field.kind() instanceof Kind.TermPick term
                && to.find(Taxonomy.class, term.taxonomy()).stream()
                        .flatMap(Taxonomy::allTerms)
                        .anyMatch(each -> each.label().equalsIgnoreCase(name.strip()));
        return !begins ? Optional.empty() : makes.isEmpty() ? Optional.of(counted(name)) : make(field, name, makes);
    }

    /** Where nothing is written, a number that no term has. */
    private static long counted(String name) {
        return -1L
                - Integer.toUnsignedLong(name.strip().toLowerCase(Locale.ROOT).hashCode());
    }

    private Optional<Object> look(Kind kind, String name) {
        var all = all(kind, type -> titled(type, name));
        if (all.isEmpty() && Slugs.valid(name)) {
            all = all(kind, type -> addressed(type, name));
        }
        if (all.size() > 1) {
            ambiguous.add(name);
        }
        return all.size() == 1 ? Optional.of(all.getFirst()) : Optional.empty();
    }

    @Override
    public boolean canMake(Field field, String name) {
        return MadeTerms.isName(name) && !ambiguous.contains(name.strip());
    }

    /** @param ids finds those of one record type */
    private static List<Object> all(Kind kind, Function<String, List<Long>> ids) {
        return switch (kind) {
            case Kind.TermPick term -> List.copyOf(ids.apply(term.taxonomy()));
            case Kind.Relation relation ->
                relation.to().stream()
                        .flatMap(type -> ids.apply(type).stream().map(id -> (Object) new Link(type, id)))
                        .toList();
            default -> List.of();
        };
    }

    private List<Long> addressed(String recordTypeId, String slug) {
        var table = binding.table(recordTypeId);
        if (table.isEmpty()) {
            return List.of();
        }
        var sql = "SELECT id FROM " + PhysicalNames.quoted(table.get().name()) + " WHERE slug = ? AND state <> '"
                + RecordLoader.DELETED + "'";
        try {
            return Jdbc.query(connection, sql, row -> row.getLong(1), slug);
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
    }

    private List<Long> titled(String recordTypeId, String name) {
        var table = binding.table(recordTypeId);
        var column = table.map(each -> each.own().columns().get(TITLE));
        if (column.isEmpty()) {
            return List.of();
        }
        var sql = "SELECT id, " + PhysicalNames.quoted(column.get()) + " FROM "
                + PhysicalNames.quoted(table.get().name()) + " WHERE " + PhysicalNames.quoted(column.get())
                + " = ? AND state <> '" + RecordLoader.DELETED + "'";
        var ids = new ArrayList<Long>();
        try {
            // the database takes other letters and spaces for the same
            Jdbc.each(
                    connection,
                    sql,
                    row -> {
                        if (row.getString(2).strip().equalsIgnoreCase(name)) {
                            ids.add(row.getLong(1));
                        }
                    },
                    name);
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
        return ids;
    }

    /** Noted under its name: it is made when the run switches. What several are called is nobody's name. */
    @Override
    public Optional<Object> make(Field field, String label, String makes) {
        return switch (field.kind()) {
            case Kind.TermPick term -> made(makes, term.taxonomy(), label).map(Object.class::cast);
            case Kind.Relation relation
            when relation.to().size() == 1 -> {
                var type = relation.to().iterator().next();
                yield made(makes, type, label).map(id -> new Link(type, id));
            }
            default -> Optional.empty();
        };
    }

    private Optional<Long> made(String makes, String recordTypeId, String label) {
        var known = List.<Object>of(makes, recordTypeId, MadeTerms.folded(label));
        if (!noted.containsKey(known)) {
            noted.put(
                    known,
                    titled(recordTypeId, label.strip()).isEmpty()
                            ? note(makes, recordTypeId, label)
                            : Optional.empty());
        }
        return noted.get(known);
    }

    private Optional<Long> note(String makes, String recordTypeId, String label) {
        var made = new MadeTerms(connection);
        try {
            return notes
                    ? made.note(makes, recordTypeId, label)
                    : made.noted(makes, recordTypeId, label).or(() -> Optional.of(counted(label)));
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
    }

    @Override
    public Optional<String> name(Field field, Object reference) {
        if (names.size() > REMEMBERED) {
            names.clear();
        }
        return names.computeIfAbsent(reference, _ -> switch (reference) {
            case Link(String type, long id) -> title(type, id);
            case Long id when field.kind() instanceof Kind.TermPick term -> title(term.taxonomy(), id);
            default -> Optional.empty();
        });
    }

    private Optional<String> title(String recordTypeId, long id) {
        var table = binding.table(recordTypeId);
        var column = table.map(each -> each.own().columns().get(TITLE));
        if (column.isEmpty()) {
            return Optional.empty();
        }
        var sql = "SELECT " + PhysicalNames.quoted(column.get()) + " FROM "
                + PhysicalNames.quoted(table.get().name()) + " WHERE id = ?";
        try {
            return Jdbc.first(connection, sql, row -> row.getString(1), id);
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
    }
}

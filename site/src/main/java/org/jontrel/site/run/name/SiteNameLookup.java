package org.jontrel.site.run.name;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.address.Slugs;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.DatabaseException;

/**
 * Finds records and terms by their titles and labels, whether letters are capital or small, and where none has the name, by
 * their slugs. Each is looked for once.
 */
public final class SiteNameLookup implements NameLookup {
    private static final int REMEMBERED = 10_000;
    private final Connection connection;
    private final TitledRecords titles;
    private final SaidNames said;
    private final Model to;
    private final boolean notes;
    private final Map<List<Object>, Optional<Object>> found = new HashMap<>();
    private final Set<String> ambiguous = new HashSet<>();
    private final Set<List<String>> crowded = new HashSet<>();
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
        this.titles = new TitledRecords(connection, binding);
        this.said = new SaidNames(connection, binding);
    }

    @Override
    public Optional<Object> find(Field field, String name, String makes) {
        return once(
                List.of(field.id(), name),
                () -> look(field.kind(), name.strip()).or(() -> begins(field, name, makes)));
    }

    private Optional<Object> once(List<Object> key, Supplier<Optional<Object>> search) {
        if (found.size() > REMEMBERED) {
            found.clear();
        }
        return found.computeIfAbsent(key, _ -> search.get());
    }

    private Optional<Object> begins(Field field, String name, String makes) {
        boolean begins = field.kind() instanceof Kind.TermPick term
                && to.find(Taxonomy.class, term.taxonomy()).stream()
                        .flatMap(Taxonomy::allTerms)
                        .anyMatch(each -> each.label().equalsIgnoreCase(name.strip()));
        return !begins
                ? Optional.empty()
                : makes.isEmpty() ? Optional.of(counted(name)) : make(field, List.of(name.strip()), makes);
    }

    /** Where nothing is written, a number that no term has. */
    private static long counted(String name) {
        return -1L
                - Integer.toUnsignedLong(name.strip().toLowerCase(Locale.ROOT).hashCode());
    }

    private Optional<Object> look(Kind kind, String name) {
        var all = TitledRecords.meant(kind, type -> titles.titled(type, name));
        if (all.isEmpty() && Slugs.valid(name)) {
            all = TitledRecords.meant(kind, type -> titles.addressed(type, name));
        }
        if (all.size() > 1) {
            ambiguous.add(name);
        }
        return all.size() == 1 ? Optional.of(all.getFirst()) : Optional.empty();
    }

    @Override
    public Optional<Object> find(Field field, String name, NamingField by) {
        return once(List.of(field.id(), name, by), () -> {
            var all = TitledRecords.meant(field.kind(), type -> said.saying(type, by.key(), name.strip()));
            return all.size() == 1 ? Optional.of(all.getFirst()) : Optional.empty();
        });
    }

    @Override
    public Optional<FoundNames> matching(Field field, Collection<String> some) {
        return field.kind() instanceof Kind.Relation relation
                ? new MatchingFields(said, to).of(relation.to(), some)
                : Optional.empty();
    }

    @Override
    public Optional<String> said(Field field, Object reference, NamingField by) {
        return reference instanceof Link(String type, long id) ? said.said(type, by.key(), id) : Optional.empty();
    }

    @Override
    public boolean canMake(Field field, List<String> path) {
        boolean several = path.size() == 1 ? ambiguous.contains(path.getFirst()) : crowded.contains(path);
        return NotedTerms.isPath(path) && !several;
    }

    @Override
    public Optional<Object> find(Field field, List<String> path) {
        return once(List.of(field.id(), path), () -> {
            var terms = field.kind() instanceof Kind.TermPick term ? levels(term.taxonomy(), path) : List.<Long>of();
            return terms.size() == path.size() ? Optional.of(terms.getLast()) : Optional.empty();
        });
    }

    /** The terms along a path, as far as there are some. */
    private List<Long> levels(String taxonomyId, List<String> path) {
        var terms = new ArrayList<Long>();
        for (var label : path) {
            long above = terms.isEmpty() ? 0 : terms.getLast();
            var here = titles.titled(taxonomyId, label).stream()
                    .filter(id -> titles.above(taxonomyId, id) == above)
                    .toList();
            if (here.size() > 1) {
                crowded.add(path);
            }
            if (here.size() != 1) {
                break;
            }
            terms.add(here.getFirst());
        }
        return terms;
    }

    @Override
    public List<String> path(Field field, Object reference) {
        if (!(field.kind() instanceof Kind.TermPick term) || !(reference instanceof Long id)) {
            return NameLookup.super.path(field, reference);
        }
        var labels = new ArrayList<String>();
        var passed = new HashSet<Long>();
        for (long at = id; at != 0 && passed.add(at); at = titles.above(term.taxonomy(), at)) {
            name(field, at).ifPresent(label -> labels.addFirst(label));
        }
        return labels;
    }

    /** Noted under its name: it is made when the run switches. What several are called is nobody's name. */
    @Override
    public Optional<Object> make(Field field, List<String> path, String makes) {
        return switch (field.kind()) {
            case Kind.TermPick term -> made(makes, term.taxonomy(), path).map(Object.class::cast);
            case Kind.Relation relation
            when relation.to().size() == 1 -> {
                var type = relation.to().iterator().next();
                yield made(makes, type, path).map(id -> new Link(type, id));
            }
            default -> Optional.empty();
        };
    }

    private Optional<Long> made(String makes, String recordTypeId, List<String> path) {
        boolean taken = path.size() == 1
                && !titles.titled(recordTypeId, path.getFirst().strip()).isEmpty();
        return taken || !NotedTerms.isPath(path) ? Optional.empty() : placed(makes, recordTypeId, path);
    }

    /** Those above it that are not there either are noted first. */
    private Optional<Long> placed(String makes, String recordTypeId, List<String> path) {
        var known = List.<Object>of(
                makes, recordTypeId, path.stream().map(NotedTerms::folded).toList());
        var before = noted.get(known);
        if (before != null) {
            return before;
        }
        var above = path.subList(0, path.size() - 1);
        var terms = levels(recordTypeId, above);
        Optional<Long> parent = crowded.contains(above)
                ? Optional.empty()
                : terms.size() < above.size()
                        ? placed(makes, recordTypeId, above)
                        : Optional.of(above.isEmpty() ? 0L : terms.getLast());
        if (parent.isEmpty()) {
            crowded.add(path);
        }
        var made = parent.flatMap(id -> note(makes, recordTypeId, id, path));
        noted.put(known, made);
        return made;
    }

    /** @param above number of the term that it stands under; 0 for none */
    private Optional<Long> note(String makes, String recordTypeId, long above, List<String> path) {
        var made = new NotedTerms(connection);
        try {
            return notes
                    ? made.note(makes, recordTypeId, above, path.getLast())
                    : made.noted(makes, recordTypeId, above, path.getLast())
                            .or(() -> Optional.of(counted(String.join("\n", path))));
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
            case Link(String type, long id) -> titles.title(type, id);
            case Long id when field.kind() instanceof Kind.TermPick term -> titles.title(term.taxonomy(), id);
            default -> Optional.empty();
        });
    }
}

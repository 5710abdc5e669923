package org.jontrel.site.record;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.holder.Holder;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.FormCheck;
import org.jontrel.core.value.Link;
import org.jontrel.site.media.MediaStore;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Names;

/** What values lead to: whether it is there, and whether it may be led to. Only what is new is looked at. */
final class References {
    private final Binding binding;
    private final Binding.Table table;
    private final MediaStore media;
    private final List<FormCheck.Problem> problems = new ArrayList<>();

    References(Binding binding, Binding.Table table, MediaStore media) {
        this.binding = binding;
        this.table = table;
        this.media = media;
    }

    private record Use(Field field, Object value) {}

    /** What keeps the new state from being stored. */
    List<FormCheck.Problem> check(Connection connection, long record, Flat before, Flat after) throws SQLException {
        var fresh = new LinkedHashSet<>(uses(after));
        fresh.removeAll(new HashSet<>(uses(before)));
        var links = new HashMap<String, Set<Long>>();
        var terms = new HashMap<String, Set<Long>>();
        for (var use : fresh) {
            switch (use.field().kind()) {
                case Kind.Relation _ -> {
                    var link = (Link) use.value();
                    links.computeIfAbsent(link.type(), _ -> new LinkedHashSet<>())
                            .add(link.id());
                }
                case Kind.TermPick pick
                when use.value() instanceof Long term ->
                    terms.computeIfAbsent(pick.taxonomy(), _ -> new LinkedHashSet<>())
                            .add(term);
                case Kind.TermPick _ -> problem(use.field(), Code.VALUE_NOT_TERM, use.value());
                case Kind.Image _, Kind.File _ -> file(connection, use);
                default -> {}
            }
        }
        var known = new HashMap<String, Set<Long>>();
        for (var each : links.entrySet()) {
            known.put(each.getKey(), there(connection, each.getKey(), each.getValue()));
        }
        for (var each : terms.entrySet()) {
            known.put(each.getKey(), there(connection, each.getKey(), each.getValue()));
        }
        for (var use : fresh) {
            switch (use.field().kind()) {
                case Kind.Relation relation -> link(connection, record, use, relation, known);
                case Kind.TermPick pick
                when use.value() instanceof Long term
                        && !known.getOrDefault(pick.taxonomy(), Set.of()).contains(term) ->
                    problem(use.field(), Code.VALUE_NOT_TERM, term);
                default -> {}
            }
        }
        return problems;
    }

    private void link(Connection connection, long record, Use use, Kind.Relation relation, Map<String, Set<Long>> known)
            throws SQLException {
        var link = (Link) use.value();
        if (!relation.to().contains(link.type())) {
            problem(use.field(), Code.VALUE_LINK_TYPE);
            return;
        }
        if (!known.getOrDefault(link.type(), Set.of()).contains(link.id())) {
            problem(use.field(), Code.VALUE_LINK_GONE, link.id());
            return;
        }
        if (relation.inverse() == null || relation.inverse().many()) {
            return;
        }
        var place = table.fields().get(use.field().id());
        var sql = "SELECT f.record_id FROM " + Names.quoted(place.name()) + " f JOIN " + Names.quoted(table.name())
                + " r ON r.id = f.record_id WHERE f.target_id = ? AND f.record_id <> ? AND r.state <> ? LIMIT 1";
        var other = Jdbc.query(connection, sql, row -> row.getLong(1), link.id(), record, Loader.DELETED);
        if (!other.isEmpty()) {
            problem(use.field(), Code.VALUE_LINK_TAKEN, link.id(), other.getFirst());
        }
    }

    private void file(Connection connection, Use use) throws SQLException {
        var found = media.check(connection, use.field(), (Long) use.value());
        found.forEach(finding -> problems.add(new FormCheck.Problem(use.field().key(), false, finding)));
    }

    private void problem(Field field, Code code, Object... more) {
        var arguments = new Object[more.length + 1];
        arguments[0] = field.label();
        System.arraycopy(more, 0, arguments, 1, more.length);
        problems.add(new FormCheck.Problem(
                field.key(), false, Finding.of(code, Place.field(table.holder().id(), field.id(), ""), arguments)));
    }

    private Set<Long> there(Connection connection, String holderId, Set<Long> ids) throws SQLException {
        return there(connection, binding, holderId, ids);
    }

    /** Those of these records that there are. */
    static Set<Long> there(Connection connection, Binding binding, String holderId, Set<Long> ids) throws SQLException {
        var target = binding.table(holderId);
        if (target.isEmpty() || ids.isEmpty()) {
            return Set.of();
        }
        var padded = new ArrayList<>(Jdbc.padded(ids));
        padded.add(Loader.DELETED);
        var sql = "SELECT id FROM " + Names.quoted(target.get().name()) + " WHERE id IN ("
                + Jdbc.marks(padded.size() - 1) + ") AND state <> ?";
        return Set.copyOf(Jdbc.query(connection, sql, row -> row.getLong(1), padded.toArray()));
    }

    private List<Use> uses(Flat flat) {
        var uses = new ArrayList<Use>();
        flat.columns().forEach((id, value) -> use(id, value).ifPresent(uses::add));
        flat.entries()
                .forEach((id, entries) -> entries.forEach(entry -> {
                    if (entry.payload() != null) {
                        use(id, entry.payload()).ifPresent(uses::add);
                    }
                    entry.columns().forEach((inner, value) -> use(inner, value).ifPresent(uses::add));
                }));
        return uses;
    }

    private Optional<Use> use(String fieldId, Object value) {
        return table.holder()
                .field(fieldId)
                .filter(field -> switch (field.kind()) {
                    case Kind.Relation _, Kind.TermPick _, Kind.Image _, Kind.File _ -> true;
                    default -> false;
                })
                .map(field -> new Use(field, value));
    }

    /** Ids of the pictures and files that values use. */
    Set<Long> files(Flat flat) {
        return uses(flat).stream()
                .filter(use ->
                        use.field().kind() instanceof Kind.Image || use.field().kind() instanceof Kind.File)
                .map(use -> (Long) use.value())
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** Fields where what one record has no other may have, so that writers must go one behind the other. */
    static List<Field> guarded(Holder holder) {
        return holder.byId().values().stream()
                .filter(field -> switch (field.kind()) {
                    case Kind.Text text -> text.unique();
                    case Kind.Relation relation ->
                        relation.symmetric()
                                || relation.inverse() != null
                                        && !relation.inverse().many();
                    default -> false;
                })
                .toList();
    }

    /** A text that must be unique and that another record has. */
    List<FormCheck.Problem> taken(Connection connection, long record, Flat before, Flat after) throws SQLException {
        var found = new ArrayList<FormCheck.Problem>();
        for (var field : guarded(table.holder())) {
            if (!(field.kind() instanceof Kind.Text)) {
                continue;
            }
            var place = table.placeOf(field.id()).orElseThrow();
            var values = new LinkedHashSet<>(texts(after, field));
            texts(before, field).forEach(values::remove);
            boolean own = place.name().equals(table.name());
            for (var value : values) {
                var sql = own
                        ? "SELECT id FROM " + Names.quoted(place.name()) + " WHERE "
                                + Names.quoted(place.columns().get(field.id()))
                                + " = ? AND id <> ? AND state <> 'deleted' LIMIT 1"
                        : "SELECT record_id FROM " + Names.quoted(place.name()) + " WHERE "
                                + Names.quoted(place.columns().get(field.id())) + " = ? AND record_id <> ? LIMIT 1";
                var other = Jdbc.query(connection, sql, row -> row.getLong(1), value, record);
                boolean twice =
                        texts(after, field).stream().filter(value::equals).count() > 1;
                if (!other.isEmpty() || twice) {
                    found.add(new FormCheck.Problem(
                            field.key(),
                            false,
                            Finding.of(
                                    Code.VALUE_NOT_UNIQUE,
                                    Place.field(table.holder().id(), field.id(), ""),
                                    field.label(),
                                    value)));
                }
            }
        }
        return found;
    }

    private static List<Object> texts(Flat flat, Field field) {
        var texts = new ArrayList<Object>();
        Optional.ofNullable(flat.columns().get(field.id())).ifPresent(texts::add);
        flat.entries()
                .values()
                .forEach(entries -> entries.forEach(entry ->
                        Optional.ofNullable(entry.columns().get(field.id())).ifPresent(texts::add)));
        return texts;
    }
}

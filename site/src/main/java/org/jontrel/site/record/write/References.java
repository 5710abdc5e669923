package org.jontrel.site.record.write;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Listing;
import org.jontrel.core.reach.ModelNames;
import org.jontrel.core.reach.ValueScope;
import org.jontrel.core.reach.ValueWay;
import org.jontrel.core.record.FormCheck;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.kind.Insertions;
import org.jontrel.site.media.MediaStore;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.Statements;

/**
 * What values lead to: whether it is there, and whether it may be led to; and whether what must be unique is. Only what is
 * new is looked at, for all records of one save together.
 */
final class References {
    private static final Pattern PLAIN = Pattern.compile("[ -~]*");
    private final Connection connection;
    private final Binding binding;
    private final Binding.BoundTables table;
    private final MediaStore media;
    private final Set<Link> expected;
    /** Whether what stands in texts may stand there. */
    private final Map<InText, Boolean> known = new HashMap<>();

    References(Connection connection, Binding binding, Binding.BoundTables table, MediaStore media) {
        this(connection, binding, table, media, Set.of());
    }

    /** @param expected what counts as there though it is not yet */
    References(
            Connection connection, Binding binding, Binding.BoundTables table, MediaStore media, Set<Link> expected) {
        this.expected = expected;
        this.connection = connection;
        this.binding = binding;
        this.table = table;
        this.media = media;
    }

    /**
     * A record that is about to be stored.
     *
     * @param problems where what is found is put
     */
    record RecordChange(long record, RecordRows was, RecordRows is, List<FormCheck.Problem> problems) {}

    private record Use(Field field, Object value) {}

    /** What stands in a text: a way to a value, or the id of a listing. */
    private record InText(String name, boolean listing) {}

    /** What keeps records from being stored, put with each of them. */
    void check(List<RecordChange> changes) throws SQLException {
        var fresh = new LinkedHashMap<RecordChange, Set<Use>>();
        var wanted = new HashMap<String, Set<Long>>();
        for (var change : changes) {
            var uses = new LinkedHashSet<>(uses(change.is()));
            uses.removeAll(new HashSet<>(uses(change.was())));
            fresh.put(change, uses);
            uses.forEach(use -> target(use)
                    .ifPresent(link -> wanted.computeIfAbsent(link.type(), _ -> new LinkedHashSet<>())
                            .add(link.id())));
        }
        var there = there(connection, binding, wanted);
        wanted.forEach((type, ids) -> ids.stream()
                .filter(id -> expected.contains(new Link(type, id)))
                .forEach(id -> there.computeIfAbsent(type, _ -> new HashSet<>()).add(id)));
        var linkedBy = linkedBy(fresh);
        for (var each : fresh.entrySet()) {
            for (var use : each.getValue()) {
                check(each.getKey(), use, there, linkedBy);
            }
        }
        unique(changes);
    }

    private static Optional<Link> target(Use use) {
        return switch (use.field().kind()) {
            case Kind.Relation _ -> Optional.of((Link) use.value());
            case Kind.TermPick pick
            when use.value() instanceof Long term -> Optional.of(new Link(pick.taxonomy(), term));
            case Kind.Plain _, Kind.Reference _, Kind.Nested _, Kind.Note _ -> Optional.empty();
        };
    }

    /** Which record leads to a target by a field, where only one may. */
    private record Hold(String field, long target) {}

    private Map<Hold, Long> linkedBy(Map<RecordChange, Set<Use>> fresh) throws SQLException {
        var targets = new HashMap<String, Set<Long>>();
        fresh.values()
                .forEach(uses -> uses.stream()
                        .filter(use -> use.field().kind() instanceof Kind.Relation relation && exclusive(relation))
                        .forEach(use -> targets.computeIfAbsent(use.field().id(), _ -> new LinkedHashSet<>())
                                .add(((Link) use.value()).id())));
        var linkedBy = new HashMap<Hold, Long>();
        for (var each : targets.entrySet()) {
            var place = table.fields().get(each.getKey());
            var padded = new ArrayList<>(Jdbc.padded(each.getValue()));
            padded.add(RecordLoader.DELETED);
            Jdbc.query(
                    connection,
                    "SELECT f.target_id, f.record_id FROM " + PhysicalNames.quoted(place.name()) + " f JOIN "
                            + PhysicalNames.quoted(table.name()) + " r ON r.id = f.record_id WHERE f.target_id IN ("
                            + Jdbc.marks(padded.size() - 1) + ") AND r.state <> ?",
                    row -> linkedBy.put(new Hold(each.getKey(), row.getLong(1)), row.getLong(2)),
                    padded.toArray());
        }
        return linkedBy;
    }

    private static boolean exclusive(Kind.Relation relation) {
        return relation.inverse() != null && !relation.inverse().many();
    }

    private void check(RecordChange change, Use use, Map<String, Set<Long>> there, Map<Hold, Long> linkedBy)
            throws SQLException {
        var field = use.field();
        switch (field.kind()) {
            case Kind.Relation relation -> {
                var link = (Link) use.value();
                if (!relation.to().contains(link.type())) {
                    problem(change, field, Code.VALUE_LINK_TYPE);
                } else if (!there.getOrDefault(link.type(), Set.of()).contains(link.id())) {
                    problem(change, field, Code.VALUE_LINK_GONE, link.id());
                } else if (exclusive(relation)) {
                    var other = linkedBy.putIfAbsent(new Hold(field.id(), link.id()), change.record());
                    if (other != null && other != change.record()) {
                        problem(change, field, Code.VALUE_LINK_TAKEN, link.id(), other);
                    }
                }
            }
            case Kind.TermPick pick -> {
                boolean known = use.value() instanceof Long term
                        && there.getOrDefault(pick.taxonomy(), Set.of()).contains(term);
                if (!known) {
                    problem(change, field, Code.VALUE_NOT_TERM, use.value());
                }
            }
            case Kind.Image _, Kind.File _ ->
                media.check(connection, field, (Long) use.value())
                        .forEach(finding -> change.problems().add(new FormCheck.Problem(field.key(), false, finding)));
            case Kind.RichText _ -> inText(change, field, (InText) use.value());
            case Kind.Plain _, Kind.Nested _, Kind.Note _ -> {}
        }
    }

    private void inText(RecordChange change, Field field, InText held) {
        if (!known.computeIfAbsent(held, this::stands)) {
            problem(change, field, held.listing() ? Code.VALUE_LISTING : Code.VALUE_INSERTED);
        }
    }

    private boolean stands(InText held) {
        if (held.listing()) {
            return binding.model().find(Listing.class, held.name()).isPresent();
        }
        var scope = ValueScope.records(
                new ModelNames(binding.model()), List.of(table.recordType().definition()));
        return ValueWay.of(scope, held.name())
                .filter(way -> way.path().equals(held.name()) && way.fitsIntoText())
                .isPresent();
    }

    private void problem(RecordChange change, Field field, Code code, Object... more) {
        var arguments = new Object[more.length + 1];
        arguments[0] = field.label();
        System.arraycopy(more, 0, arguments, 1, more.length);
        change.problems()
                .add(new FormCheck.Problem(
                        field.key(),
                        false,
                        Finding.of(code, Place.field(table.recordType().id(), field.id(), ""), arguments)));
    }

    /** Whether there is such a record. */
    static boolean there(Connection connection, Binding binding, Link link) throws SQLException {
        return there(connection, binding, Map.of(link.type(), Set.of(link.id())))
                .getOrDefault(link.type(), Set.of())
                .contains(link.id());
    }

    /** Those of these records that there are, by their types; in one statement. */
    private static Map<String, Set<Long>> there(Connection connection, Binding binding, Map<String, Set<Long>> wanted)
            throws SQLException {
        var there = new HashMap<String, Set<Long>>();
        var parts = new ArrayList<String>();
        var parameters = new ArrayList<Object>();
        for (var each : wanted.entrySet()) {
            var target = binding.table(each.getKey());
            if (target.isPresent()) {
                var padded = Jdbc.padded(each.getValue());
                parts.add("SELECT ? AS recordType, id FROM "
                        + PhysicalNames.quoted(target.get().name()) + " WHERE id IN (" + Jdbc.marks(padded.size())
                        + ") AND state <> ?");
                parameters.add(each.getKey());
                parameters.addAll(padded);
                parameters.add(RecordLoader.DELETED);
                there.put(each.getKey(), new HashSet<>());
            }
        }
        if (!parts.isEmpty()) {
            Jdbc.query(
                    connection,
                    String.join(" UNION ALL ", parts),
                    row -> there.get(row.getString(1)).add(row.getLong(2)),
                    parameters.toArray());
        }
        return there;
    }

    private List<Use> uses(RecordRows flat) {
        return uses(table.recordType(), flat);
    }

    private static List<Use> uses(RecordType recordType, RecordRows flat) {
        var uses = new ArrayList<Use>();
        flat.columns().forEach((id, value) -> use(recordType, id, value).forEach(uses::add));
        flat.entries()
                .forEach((id, entries) -> entries.forEach(entry -> {
                    if (entry.payload() != null) {
                        use(recordType, id, entry.payload()).forEach(uses::add);
                    }
                    entry.columns()
                            .forEach((inner, value) ->
                                    use(recordType, inner, value).forEach(uses::add));
                }));
        return uses;
    }

    private static Stream<Use> use(RecordType recordType, String fieldId, Object value) {
        return recordType.field(fieldId).stream().flatMap(field -> switch (field.kind()) {
            case Kind.Relation _, Kind.TermPick _, Kind.Image _, Kind.File _ -> Stream.of(new Use(field, value));
            case Kind.RichText _ -> inText(value).map(held -> new Use(field, held));
            case Kind.Plain _, Kind.Nested _, Kind.Note _ -> Stream.empty();
        });
    }

    private static Stream<InText> inText(Object html) {
        var held = Insertions.of((String) html);
        return Stream.concat(
                held.values().stream().map(way -> new InText(way, false)),
                held.listings().stream().map(id -> new InText(id, true)));
    }

    /** Ids of the pictures and files that values use. */
    Set<Long> files(RecordRows flat) {
        return files(table.recordType(), flat);
    }

    static Set<Long> files(RecordType recordType, RecordRows flat) {
        return uses(recordType, flat).stream()
                .filter(use ->
                        use.field().kind() instanceof Kind.Image || use.field().kind() instanceof Kind.File)
                .map(use -> (Long) use.value())
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** A record uses a file from now on. */
    static void used(Statements statements, long file, String recordTypeId, long record) {
        statements.add(
                "INSERT IGNORE INTO jontrel_media_use (media_id, holder_id, record_id) VALUES (?, ?, ?)",
                file,
                recordTypeId,
                record);
    }

    /** Fields where what one record has no other may have, so that writers must go one behind the other. */
    static List<Field> guarded(RecordType recordType) {
        return recordType.byId().values().stream()
                .filter(field -> isUnique(field)
                        || field.kind() instanceof Kind.Relation relation
                                && (relation.symmetric() || exclusive(relation)))
                .toList();
    }

    private static boolean isUnique(Field field) {
        return field.kind() instanceof Kind.Text text && text.unique();
    }

    /** Texts that must be unique and that another record has, or the record itself twice. */
    private void unique(List<RecordChange> changes) throws SQLException {
        for (var field : guarded(table.recordType()).stream()
                .filter(References::isUnique)
                .toList()) {
            var all = changes.stream()
                    .flatMap(change -> fresh(change, field).stream())
                    .toList();
            if (all.isEmpty() || !twice(all) && !anyTaken(field, all)) {
                continue;
            }
            for (var change : changes) {
                for (var value : fresh(change, field)) {
                    boolean inItself = twice(texts(change.is(), field));
                    if (inItself || taken(field, value, change.record())) {
                        problem(change, field, Code.VALUE_NOT_UNIQUE, value);
                    }
                }
            }
        }
    }

    private static Set<Object> fresh(RecordChange change, Field field) {
        var values = new LinkedHashSet<>(texts(change.is(), field));
        texts(change.was(), field).forEach(values::remove);
        return values;
    }

    /** Of letters without accents the database compares as one would think: capitals and spaces at the end are no difference. */
    private static boolean areSurelyDifferent(Collection<?> texts) {
        var folded = new HashSet<String>();
        return texts.stream()
                .allMatch(each -> each instanceof String text
                        && PLAIN.matcher(text).matches()
                        && folded.add(text.stripTrailing().toLowerCase(Locale.ROOT)));
    }

    /** Whether the database takes two of these texts for the same. */
    boolean twice(Collection<?> texts) throws SQLException {
        if (texts.size() < 2 || areSurelyDifferent(texts)) {
            return false;
        }
        var each = texts.stream().map(_ -> "SELECT ? AS text").collect(Collectors.joining(" UNION ALL "));
        return !Jdbc.query(
                        connection,
                        "SELECT 1 FROM (" + each + ") texts GROUP BY text HAVING COUNT(*) > 1 LIMIT 1",
                        row -> row.getInt(1),
                        texts.toArray())
                .isEmpty();
    }

    private boolean anyTaken(Field field, Collection<?> values) throws SQLException {
        var padded = Jdbc.padded(values);
        var place = table.placeOf(field.id()).orElseThrow();
        return !Jdbc.query(
                        connection,
                        "SELECT 1 FROM " + PhysicalNames.quoted(place.name()) + " WHERE "
                                + PhysicalNames.quoted(place.columns().get(field.id())) + " IN ("
                                + Jdbc.marks(padded.size())
                                + ") LIMIT 1",
                        row -> row.getInt(1),
                        padded.toArray())
                .isEmpty();
    }

    private boolean taken(Field field, Object value, long record) throws SQLException {
        var place = table.placeOf(field.id()).orElseThrow();
        boolean own = place.name().equals(table.name());
        return !Jdbc.query(
                        connection,
                        "SELECT 1 FROM " + PhysicalNames.quoted(place.name()) + " WHERE "
                                + PhysicalNames.quoted(place.columns().get(field.id())) + " = ? AND "
                                + (own ? "id <> ? AND state <> 'deleted'" : "record_id <> ?") + " LIMIT 1",
                        row -> row.getInt(1),
                        value,
                        record)
                .isEmpty();
    }

    /** Texts of a field that must be unique, for records that are stored together. */
    static List<Object> uniqueTexts(RecordType recordType, List<RecordRows> records) {
        return guarded(recordType).stream()
                .filter(References::isUnique)
                .flatMap(field -> records.stream().flatMap(flat -> texts(flat, field).stream()))
                .toList();
    }

    private static List<Object> texts(RecordRows flat, Field field) {
        var texts = new ArrayList<Object>();
        Optional.ofNullable(flat.columns().get(field.id())).ifPresent(texts::add);
        flat.entries()
                .values()
                .forEach(entries -> entries.forEach(entry ->
                        Optional.ofNullable(entry.columns().get(field.id())).ifPresent(texts::add)));
        return texts;
    }
}

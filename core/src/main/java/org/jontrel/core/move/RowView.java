package org.jontrel.core.move;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Row;

/** Rows, a group or fields of records, seen as if they were the records that they are matched with. */
public final class RowView {
    private static final String AROUND = "around_title";
    private static final String TITLE = "part_title";
    private final RecordType around;
    private final RecordMove rule;
    private final Optional<Field> place;
    private final RecordType type;
    private final MatchedFields match;

    /** @param around the record type whose rows, group or fields they are */
    public RowView(RecordType around, RecordMove rule) {
        this.around = around;
        this.rule = rule;
        this.match = new MatchedFields(rule.matched());
        this.place = around.field(rule.place());
        var fields = new ArrayList<>(fields().stream().map(match::seen).toList());
        // formulas can name what is around a row by its key
        around.title()
                .ifPresent(_ ->
                        fields.add(new Field(AROUND, around.key(), around.singular(), "", false, Kind.Text.PLAIN)));
        this.type = RecordType.of(around.definition(), fields);
    }

    /**
     * A row as such a record.
     *
     * @param id of the row, or of the record where it is a group or fields of it; 0 for a row that is not there yet
     */
    public record SeenRow(long id, Map<String, Object> values) {}

    /** The fields of such records, those that are matched under the ids of their matches. */
    public RecordType type() {
        return type;
    }

    /** Ids of the fields of records themselves in which the rows stand, and of the title around them. */
    public Set<String> read() {
        return around.fields()
                .filter(each -> each.id().equals(TITLE) || each.withInner().anyMatch(inner -> rule.has(inner.id())))
                .map(Field::id)
                .collect(Collectors.toSet());
    }

    private List<Field> fields() {
        return place.map(Field::inner)
                .orElseGet(() -> around.fields()
                        .filter(each -> rule.matched().containsKey(each.id()))
                        .toList());
    }

    /** Those of a record that have a value which becomes one of the other, in their order. */
    public List<SeenRow> rows(long record, Map<String, Object> values) {
        var title = values.get(TITLE);
        if (place.isPresent() && MovedScope.isRows(place.get())) {
            return found(values) instanceof List<?> rows
                    ? rows.stream()
                            .map(Row.class::cast)
                            .flatMap(row -> row(row.id(), row.values(), title).stream())
                            .toList()
                    : List.of();
        }
        var own = place.isEmpty() ? values : found(values) instanceof Map<?, ?> group ? group : Map.of();
        return row(record, own, title).stream().toList();
    }

    /** Rows of a record that say nothing which becomes one of the other. */
    public List<SeenRow> silent(Map<String, Object> values) {
        return several() && found(values) instanceof List<?> rows
                ? rows.stream()
                        .map(Row.class::cast)
                        .filter(row -> !match.says(fields(), row.values()))
                        .map(row -> new SeenRow(row.id(), match.seen(fields(), row.values())))
                        .toList()
                : List.of();
    }

    private Optional<SeenRow> row(long id, Map<?, ?> values, Object title) {
        if (!match.says(fields(), values)) {
            return Optional.empty();
        }
        var seen = match.seen(fields(), values);
        if (title != null) {
            seen.put(AROUND, title);
        }
        return Optional.of(new SeenRow(id, seen));
    }

    private Object found(Map<?, ?> values) {
        return values.containsKey(rule.place())
                ? values.get(rule.place())
                : values.values().stream()
                        .filter(Map.class::isInstance)
                        .map(group -> found((Map<?, ?>) group))
                        .filter(java.util.Objects::nonNull)
                        .findFirst()
                        .orElse(null);
    }

    /** The values of a record that has these; of several, only the first where they are no rows. */
    public Map<String, Object> around(List<SeenRow> rows) {
        if (rows.isEmpty()) {
            return Map.of();
        }
        if (place.isEmpty()) {
            return match.own(fields(), rows.getFirst().values());
        }
        Object value = MovedScope.isRows(place.get())
                ? rows.stream()
                        .map(row -> new Row(row.id(), match.own(fields(), row.values())))
                        .toList()
                : match.own(fields(), rows.getFirst().values());
        return wrapped(around.fields(), value);
    }

    private Map<String, Object> wrapped(Stream<Field> fields, Object value) {
        return fields.filter(
                        each -> each.withInner().anyMatch(inner -> inner.id().equals(rule.place())))
                .findFirst()
                .map(each -> Map.of(
                        each.id(), each.id().equals(rule.place()) ? value : wrapped(each.inner().stream(), value)))
                .orElseGet(Map::of);
    }

    /** Whether a record can have several. */
    public boolean several() {
        return place.filter(MovedScope::isRows).isPresent();
    }

    /** Ids of the fields of the other record type that have the values: the rows, or each for itself. */
    public List<String> homes() {
        if (several()) {
            return List.of(rule.place());
        }
        return fields().stream()
                .flatMap(RowView::leaves)
                .filter(each -> FieldStorage.of(each.kind()) != FieldStorage.NOT)
                .map(Field::id)
                .toList();
    }

    /** Those that have values of their own; rows have those within them. */
    private static Stream<Field> leaves(Field field) {
        return field.kind() instanceof Kind.FieldGroup
                ? field.inner().stream().flatMap(RowView::leaves)
                : Stream.of(field);
    }

    /** The moves by which a goal has the values of all fields that are matched, and nothing else. */
    public List<Move> same(RecordType goal) {
        var moves = new ArrayList<Move>();
        goal.fields()
                .filter(each ->
                        each.withInner().anyMatch(inner -> rule.matched().containsValue(inner.id())))
                .forEach(each -> moves.add(Move.own(each.id(), List.of())));
        return moves;
    }

    /** The move that makes titles; empty where a field has them. */
    public Optional<Move> titles() {
        return titles(rule, type);
    }

    /** @param type as {@link #type()} */
    public static Optional<Move> titles(RecordMove rule, RecordType type) {
        return rule.title().isEmpty()
                ? Optional.empty()
                : Optional.of(new Move(
                        TITLE,
                        Move.How.COMPUTED,
                        List.copyOf(type.byId().keySet()),
                        Move.Take.FIRST,
                        rule.title(),
                        "",
                        "",
                        false,
                        "",
                        "",
                        Map.of()));
    }
}

package org.jontrel.core.move;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Row;

/** What becomes of the values of single fields: of several one is taken, or one becomes several. */
final class MovedLeaves {
    private final RecordType was;
    private final RecordType is;
    private final MoveConversion conversion;
    private final MoveLosses losses;

    MovedLeaves(RecordType was, RecordType is, MoveConversion conversion, MoveLosses losses) {
        this.was = was;
        this.is = is;
        this.conversion = conversion;
        this.losses = losses;
    }

    /** The value of a field that is neither a group nor rows; {@code null} for none. */
    Object value(Field field, MovedScope scope, Move move) {
        if (move != null && move.how() == Move.How.COMPUTED && move.target().equals(field.id())) {
            return computed(field, scope, move).orElse(null);
        }
        var values = new ArrayList<Object>(found(field, scope, move).toList());
        if (values.isEmpty()) {
            return move == null || move.fill().isEmpty() || !move.target().equals(field.id())
                    ? null
                    : filled(field, scope, move.fill()).orElse(null);
        }
        if (field.kind().amount().many()) {
            // a picture may be there twice; what is picked is picked once
            boolean repeats = field.kind() instanceof Kind.Image || field.kind() instanceof Kind.File;
            return repeats ? List.copyOf(values) : values.stream().distinct().toList();
        }
        if (values.size() > 1) {
            if (values.stream().distinct().count() > 1) {
                losses.several();
            }
            var take = move == null ? Move.Take.FIRST : move.take();
            if (take == Move.Take.JOINED && MoveRules.joins(field.kind())) {
                return conversion.joined(field, values, move.between(), losses).orElse(null);
            }
            return take == Move.Take.LAST ? values.getLast() : values.getFirst();
        }
        return values.getFirst();
    }

    /** A value for a place without one: the same everywhere, or by a formula. */
    private Optional<Object> filled(Field field, MovedScope scope, String fill) {
        return Formula.is(fill)
                ? by(field, scope, fill, List.copyOf(was.byId().values()))
                : Values.typed(field, fill).value();
    }

    private Optional<Object> computed(Field field, MovedScope scope, Move move) {
        var sources =
                move.sources().stream().flatMap(id -> was.field(id).stream()).toList();
        return by(field, scope, move.between(), sources);
    }

    private Optional<Object> by(Field field, MovedScope scope, String formula, List<Field> sources) {
        return new Formula(formula)
                .value(
                        field,
                        key -> sources.stream()
                                .filter(from -> from.key().equals(key))
                                .findFirst()
                                .flatMap(from -> scope.values(from).stream()
                                        .findFirst()
                                        .map(found -> new Formula.NamedValue(from, found.value()))));
    }

    private Stream<Object> found(Field field, MovedScope scope, Move move) {
        boolean target = move != null && move.target().equals(field.id());
        if (target && move.how() == Move.How.NTH) {
            return nth(field, scope, move);
        }
        if (target && move.how() == Move.How.GATHERED) {
            return move.sources().stream()
                    .flatMap(id -> was.field(id).stream())
                    .flatMap(from -> scope.values(from).stream()
                            .flatMap(found -> conversion.parts(
                                    from,
                                    field,
                                    found.value(),
                                    field.kind().amount().many(),
                                    move,
                                    losses)));
        }
        var before = MoveRules.origin(was, is, field);
        if (before.isEmpty()) {
            return Stream.empty();
        }
        return chosen(before.get(), field, scope, move).stream()
                .flatMap(found -> conversion.parts(
                        before.get(),
                        field,
                        found.value(),
                        field.kind().amount().many(),
                        move,
                        losses));
    }

    /** Where rows became a group, all its values are those of one row. */
    List<MovedScope.FoundValue> chosen(Field before, Field field, MovedScope scope, Move move) {
        var turned = MoveRules.turned(was, is, before, field);
        if (turned.isEmpty()) {
            return scope.values(before);
        }
        var rows = scope.values(turned.get());
        if (rows.size() > 1) {
            losses.several();
        }
        if (rows.isEmpty()) {
            return List.of();
        }
        var row = move != null && move.take() == Move.Take.LAST ? rows.getLast() : rows.getFirst();
        return row.at().within(turned.get(), (Row) row.value()).values(before);
    }

    private Stream<Object> nth(Field field, MovedScope scope, Move move) {
        var from = was.field(move.sources().getFirst()).orElse(null);
        if (from == null) {
            return Stream.empty();
        }
        var place = move.between().split("/", 2);
        int number = Integer.parseInt(place[0]);
        var all = scope.values(from);
        if (number >= all.size()) {
            return Stream.empty();
        }
        var found = all.get(number);
        if (found.value() instanceof Row row) {
            var inner = from.inner().stream().filter(each -> each.id().equals(place[1]));
            return inner.flatMap(each -> found.at().within(from, row).values(each).stream()
                    .flatMap(value -> conversion.one(each, field, value.value(), move, losses).stream()));
        }
        return conversion.one(from, field, found.value(), move, losses).stream();
    }
}

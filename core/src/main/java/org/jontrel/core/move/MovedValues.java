package org.jontrel.core.move;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Row;

/**
 * What becomes of the values of one record where they change their place. It is computed from the record as it was, whole, and
 * gives the values of the fields that they come to, as the newer definition has them.
 */
public final class MovedValues {
    private final RecordType was;
    private final RecordType is;
    private final Map<String, Move> moves = new HashMap<>();
    private final Set<String> concerned = new HashSet<>();
    private final MoveConversion conversion;
    private final MoveLosses losses;
    private final MovedLeaves leaves;

    /**
     * @param was as the values are now
     * @param is as they become
     * @param losses is told what is left behind
     */
    public MovedValues(RecordType was, RecordType is, List<Move> moves, NameLookup references, MoveLosses losses) {
        this.was = was;
        this.is = is;
        this.losses = losses;
        this.conversion = new MoveConversion(references);
        this.leaves = new MovedLeaves(was, is, conversion, losses);
        for (var move : moves) {
            this.moves.put(move.target(), move);
            is.field(move.target()).stream()
                    .flatMap(Field::withInner)
                    .map(Field::id)
                    .forEach(concerned::add);
        }
    }

    /** The fields that the moves lead to, and everything within them. */
    public Set<String> concerned() {
        return Set.copyOf(concerned);
    }

    /** The values of the fields that the moves lead to, within the groups and rows that they stand in. New rows have no id. */
    public Map<String, Object> apply(Map<String, Object> values) {
        return level(is.fields().toList(), MovedScope.of(was, values), null);
    }

    private Map<String, Object> level(List<Field> fields, MovedScope scope, Move move) {
        var all = new LinkedHashMap<String, Object>();
        for (var field : fields) {
            var own = moves.getOrDefault(field.id(), move);
            if (own != null || field.withInner().anyMatch(each -> moves.containsKey(each.id()))) {
                var value = value(field, scope, own);
                if (value != null) {
                    all.put(field.id(), value);
                }
            }
        }
        return all;
    }

    private Object value(Field field, MovedScope scope, Move move) {
        return switch (field.kind()) {
            case Kind.FieldGroup group -> orNone(level(group.fields(), scope, move));
            case Kind.Repeater _ -> orNone(rows(field, scope, move));
            case Kind.Note _ -> null;
            case Kind.Plain _, Kind.Reference _ -> leaves.value(field, scope, move);
        };
    }

    private static Map<String, Object> orNone(Map<String, Object> group) {
        return group.isEmpty() ? null : group;
    }

    private static List<?> orNone(List<?> list) {
        return list.isEmpty() ? null : list;
    }

    private List<Row> rows(Field repeater, MovedScope scope, Move move) {
        var before = was.field(repeater.id());
        if (move != null && move.how() == Move.How.GATHERED && move.target().equals(repeater.id())) {
            return gathered(repeater, scope, move);
        }
        if (before.isPresent() && MovedScope.isRows(before.get())) {
            return kept(repeater, before.get(), scope, move);
        }
        if (before.isPresent() && FieldStorage.of(before.get().kind()) != FieldStorage.NOT) {
            return split(repeater, before.get(), scope, move);
        }
        var only = level(repeater.inner(), scope, move);
        return only.isEmpty() ? List.of() : List.of(new Row(0, only));
    }

    /** Rows stay rows; where there are none, values that come from outside get one. */
    private List<Row> kept(Field repeater, Field before, MovedScope scope, Move move) {
        var rows = new ArrayList<Row>();
        for (var found : leaves.chosen(before, repeater, scope, move)) {
            var row = (Row) found.value();
            rows.add(new Row(row.id(), level(repeater.inner(), found.at().within(before, row), move)));
        }
        if (rows.isEmpty() && move != null) {
            var only = level(repeater.inner(), scope.alone(), move);
            return only.isEmpty() ? List.of() : List.of(new Row(0, only));
        }
        if (rows.isEmpty() && !level(repeater.inner(), scope.alone(), null).isEmpty()) {
            losses.rowless();
        }
        return rows;
    }

    private List<Row> split(Field repeater, Field before, MovedScope scope, Move move) {
        var heir = MoveRules.heir(repeater).orElse(null);
        if (heir == null) {
            return List.of();
        }
        return scope.values(before).stream()
                .flatMap(found -> conversion.parts(before, heir, found.value(), true, move, losses))
                .map(value -> new Row(0, Map.of(heir.id(), value)))
                .toList();
    }

    /** A row for each source that has a value, or for each number that some have. */
    private List<Row> gathered(Field repeater, MovedScope scope, Move move) {
        var sources =
                move.sources().stream().flatMap(id -> was.field(id).stream()).toList();
        var rows = new ArrayList<Row>();
        for (var each : NumberedFields.rows(sources, repeater)) {
            var inner = new LinkedHashMap<String, Object>();
            each.forEach(source -> one(source.from(), source.to(), scope, move)
                    .ifPresent(value -> inner.put(source.to().id(), value)));
            if (!inner.isEmpty()) {
                rows.add(new Row(0, inner));
            }
        }
        return rows;
    }

    private Optional<Object> one(Field from, Field to, MovedScope scope, Move move) {
        return scope.values(from).stream()
                .flatMap(found -> conversion.one(from, to, found.value(), move, losses).stream())
                .findFirst();
    }
}

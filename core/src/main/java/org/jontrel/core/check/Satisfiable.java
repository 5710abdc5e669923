package org.jontrel.core.check;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.condition.Condition;

/**
 * Whether a condition can hold at all: it is taken apart into alternatives of comparisons that must all hold (its
 * disjunctive normal form), and each field's comparisons are held against one another. Never says impossible of what is
 * possible; beyond {@link #MOST} alternatives it says possible.
 */
final class Satisfiable {
    private static final int MOST = 256;
    private final Function<String, Optional<Field>> fields;
    private final ModelIndex known;

    Satisfiable(Function<String, Optional<Field>> fields, ModelIndex known) {
        this.fields = fields;
        this.known = known;
    }

    /** A comparison, or that it does not hold. */
    record Literal(Condition comparison, boolean holds) {}

    boolean possible(Condition condition) {
        var alternatives = alternatives(condition, true);
        return alternatives == null || alternatives.stream().anyMatch(this::possible);
    }

    /** Alternatives, each of comparisons that must all hold; {@code null} where there are too many. */
    private List<List<Literal>> alternatives(Condition condition, boolean holds) {
        return switch (condition) {
            case Condition.Not(Condition of) -> alternatives(of, !holds);
            case Condition.All(List<Condition> of) -> holds ? product(of, true) : sum(of, false);
            case Condition.Any(List<Condition> of) -> holds ? sum(of, true) : product(of, false);
            case Condition.FieldIs _,
                    Condition.TermIs _,
                    Condition.ParentIs _,
                    Condition.StateIs _,
                    Condition.AddressIs _ -> List.of(List.of(new Literal(condition, holds)));
        };
    }

    private List<List<Literal>> sum(List<Condition> of, boolean holds) {
        var all = new ArrayList<List<Literal>>();
        for (var each : of) {
            var some = alternatives(each, holds);
            if (some == null || all.size() + some.size() > MOST) {
                return null;
            }
            all.addAll(some);
        }
        return all;
    }

    private List<List<Literal>> product(List<Condition> of, boolean holds) {
        List<List<Literal>> all = List.of(List.of());
        for (var each : of) {
            var some = alternatives(each, holds);
            if (some == null || all.size() * some.size() > MOST) {
                return null;
            }
            var next = new ArrayList<List<Literal>>();
            for (var left : all) {
                for (var right : some) {
                    var both = new ArrayList<>(left);
                    both.addAll(right);
                    next.add(both);
                }
            }
            all = next;
        }
        return all;
    }

    private boolean possible(List<Literal> together) {
        var states = new HashSet<Condition>();
        var byField = new HashMap<String, List<Literal>>();
        for (var literal : together) {
            switch (literal.comparison()) {
                case Condition.FieldIs is ->
                    byField.computeIfAbsent(is.field(), _ -> new ArrayList<>()).add(literal);
                case Condition.StateIs is when literal.holds() -> states.add(is);
                default -> {}
            }
            if (together.contains(new Literal(literal.comparison(), !literal.holds()))) {
                return false;
            }
        }
        return states.size() <= 1 && byField.entrySet().stream().allMatch(this::possible);
    }

    private boolean possible(Map.Entry<String, List<Literal>> entry) {
        var field = fields.apply(entry.getKey());
        if (field.isEmpty() || field.get().kind().amount().many()) {
            return true;
        }
        var range = new ValueRange(field.get().kind(), known);
        entry.getValue().forEach(range::take);
        return range.possible();
    }
}

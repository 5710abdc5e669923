package org.jontrel.core.check;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jontrel.core.model.Condition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.record.Conditions;

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
    private record Literal(Condition comparison, boolean holds) {}

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
            case Condition.FieldIs _, Condition.TermIs _, Condition.ParentIs _, Condition.StateIs _ ->
                List.of(List.of(new Literal(condition, holds)));
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
        var range = new Range(field.get().kind());
        entry.getValue().forEach(range::take);
        return range.possible();
    }

    /** What one field's value must be like. */
    private final class Range {
        private final Kind kind;
        private Set<Object> allowed;
        private final Set<Object> excluded = new HashSet<>();
        private Object least;
        private Object greatest;
        private boolean leastOpen;
        private boolean greatestOpen;
        private boolean filled;
        private boolean empty;

        Range(Kind kind) {
            this.kind = kind;
            this.allowed = domain().orElse(null);
        }

        /** All values a field can have, where they are few and known. */
        private Optional<Set<Object>> domain() {
            return switch (kind) {
                case Kind.YesNo _ -> Optional.of(Set.of(true, false));
                case Kind.Choice choice ->
                    Optional.of(
                            known.options(choice).stream().map(Kind.Option::id).collect(Collectors.toSet()));
                case Kind.Plain _, Kind.Reference _, Kind.Nested _, Kind.Note _ -> Optional.empty();
            };
        }

        void take(Literal literal) {
            var is = (Condition.FieldIs) literal.comparison();
            var values =
                    is.values().stream().flatMap(text -> read(text).stream()).collect(Collectors.toSet());
            switch (is.test()) {
                case FILLED -> {
                    boolean yes = is.values().equals(List.of("true")) == literal.holds();
                    filled |= yes;
                    empty |= !yes;
                }
                case IS -> equal(values, literal.holds());
                case IS_NOT -> equal(values, !literal.holds());
                case ABOVE, AT_LEAST, BELOW, AT_MOST -> {
                    if (literal.holds()) {
                        filled = true;
                        values.forEach(value -> bound(is.test(), value));
                    }
                }
                case HAS, UNDER -> filled |= literal.holds();
            }
        }

        private Optional<Object> read(String text) {
            return kind instanceof Kind.Choice || kind instanceof Kind.TermPick
                    ? Optional.of(text)
                    : Conditions.read(kind, text)
                            .map(value -> value instanceof BigDecimal number ? number.stripTrailingZeros() : value);
        }

        private void equal(Set<Object> values, boolean is) {
            if (!is) {
                excluded.addAll(values);
                return;
            }
            filled = true;
            var both = new HashSet<>(values);
            if (allowed != null) {
                both.retainAll(allowed);
            }
            allowed = both;
        }

        private void bound(Condition.Test test, Object value) {
            boolean open = test == Condition.Test.ABOVE || test == Condition.Test.BELOW;
            if (test == Condition.Test.ABOVE || test == Condition.Test.AT_LEAST) {
                int order = least == null ? 1 : Conditions.compare(value, least);
                leastOpen = order > 0 ? open : order == 0 ? leastOpen || open : leastOpen;
                least = order > 0 ? value : least;
            } else {
                int order = greatest == null ? -1 : Conditions.compare(value, greatest);
                greatestOpen = order < 0 ? open : order == 0 ? greatestOpen || open : greatestOpen;
                greatest = order < 0 ? value : greatest;
            }
        }

        boolean possible() {
            if (filled && empty) {
                return false;
            }
            if (!filled) {
                return true;
            }
            if (least != null && greatest != null && isEmpty()) {
                return false;
            }
            return allowed == null || allowed.stream().anyMatch(this::fits);
        }

        private boolean isEmpty() {
            int order = Conditions.compare(least, greatest);
            var unit = ComparisonLimits.unit(kind);
            if (order > 0 || (order == 0 && (leastOpen || greatestOpen))) {
                return true;
            }
            if (unit == null || !(least instanceof BigDecimal low && greatest instanceof BigDecimal high)) {
                return false;
            }
            // numbers of a field lie apart: nothing is above 5 and below 6 where there are no decimals
            var first = low.setScale(unit.scale(), RoundingMode.CEILING);
            first = leastOpen && first.compareTo(low) == 0 ? first.add(unit) : first;
            var last = high.setScale(unit.scale(), RoundingMode.FLOOR);
            last = greatestOpen && last.compareTo(high) == 0 ? last.subtract(unit) : last;
            return first.compareTo(last) > 0;
        }

        private boolean fits(Object value) {
            return !excluded.contains(value)
                    && (least == null || Conditions.compare(value, least) >= 0)
                    && (greatest == null || Conditions.compare(value, greatest) <= 0);
        }
    }
}

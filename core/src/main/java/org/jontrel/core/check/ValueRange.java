package org.jontrel.core.check;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.record.Conditions;

/** What one field's value must be like. */
final class ValueRange {
    private final Kind kind;
    private final ModelIndex known;
    private Set<Object> allowed;
    private final Set<Object> excluded = new HashSet<>();
    private Object least;
    private Object greatest;
    private boolean leastOpen;
    private boolean greatestOpen;
    private boolean filled;
    private boolean empty;

    ValueRange(Kind kind, ModelIndex known) {
        this.kind = kind;
        this.known = known;
        this.allowed = domain().orElse(null);
    }

    /** All values a field can have, where they are few and known. */
    private Optional<Set<Object>> domain() {
        return switch (kind) {
            case Kind.YesNo _ -> Optional.of(Set.of(true, false));
            case Kind.Choice choice ->
                Optional.of(known.options(choice).stream().map(Kind.Option::id).collect(Collectors.toSet()));
            case Kind.Plain _, Kind.Reference _, Kind.Nested _, Kind.Note _ -> Optional.empty();
        };
    }

    void take(Satisfiable.Literal literal) {
        var is = (Condition.FieldIs) literal.comparison();
        var values = is.values().stream().flatMap(text -> read(text).stream()).collect(Collectors.toSet());
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

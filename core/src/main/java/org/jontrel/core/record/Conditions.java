package org.jontrel.core.record;

import java.math.BigDecimal;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.value.kind.KindValues;

/** The one place where conditions are decided, for forms, pages, listings and runs alike. */
public final class Conditions {
    private Conditions() {}

    /** What a condition looks at: a record, a term, a row within its record, or values tried in a form. */
    public interface Seen {
        Optional<Field> field(String fieldId);

        /** The value, a collection of several, or {@code null} where it is empty. */
        Object value(String fieldId);

        /** Ids of the record's terms of a taxonomy. */
        default Set<String> terms(String taxonomyId) {
            return Set.of();
        }

        /** Whether a term is the other one or stands below it. */
        default boolean under(String taxonomyId, String termId, String aboveId) {
            return termId.equals(aboveId);
        }

        /** Id of the type of the record above this one. */
        default Optional<String> parentType() {
            return Optional.empty();
        }

        default RecordState state() {
            return RecordState.DRAFT;
        }

        /** The last part of the record's address; empty where it has none. */
        default String slug() {
            return "";
        }
    }

    public static boolean holds(Condition condition, Seen seen) {
        return switch (condition) {
            case Condition.All(List<Condition> of) -> of.stream().allMatch(each -> holds(each, seen));
            case Condition.Any(List<Condition> of) -> of.stream().anyMatch(each -> holds(each, seen));
            case Condition.Not(Condition of) -> !holds(of, seen);
            case Condition.StateIs(RecordState state) -> seen.state() == state;
            case Condition.AddressIs(List<String> slugs) -> slugs.contains(seen.slug());
            case Condition.ParentIs(List<String> types) ->
                seen.parentType()
                        .map(type -> types.isEmpty() || types.contains(type))
                        .orElse(false);
            case Condition.TermIs terms -> terms(terms, seen);
            case Condition.FieldIs field -> field(field, seen);
        };
    }

    private static boolean terms(Condition.TermIs condition, Seen seen) {
        var has = seen.terms(condition.taxonomy());
        return switch (condition.test()) {
            case IS -> has.stream().anyMatch(condition.values()::contains);
            case IS_NOT -> has.stream().noneMatch(condition.values()::contains);
            case UNDER ->
                has.stream()
                        .anyMatch(term -> condition.values().stream()
                                .anyMatch(above -> seen.under(condition.taxonomy(), term, above)));
            case FILLED -> has.isEmpty() != yes(condition.values());
            case ABOVE, AT_LEAST, BELOW, AT_MOST, HAS -> false;
        };
    }

    private static boolean yes(List<String> values) {
        return values.equals(List.of("true"));
    }

    /** An empty field equals nothing and is neither above nor below anything; a condition on no field never holds. */
    private static boolean field(Condition.FieldIs condition, Seen seen) {
        var field = seen.field(condition.field());
        if (field.isEmpty()) {
            return false;
        }
        var kind = field.get().kind();
        var value = seen.value(condition.field());
        var values = value == null ? List.of() : value instanceof Collection<?> several ? several : List.of(value);
        return switch (condition.test()) {
            case FILLED -> values.isEmpty() != yes(condition.values());
            case IS -> values.stream().anyMatch(each -> equalsOne(kind, each, condition.values()));
            case IS_NOT -> values.stream().noneMatch(each -> equalsOne(kind, each, condition.values()));
            case HAS ->
                values.stream()
                        .map(each -> each.toString().toLowerCase(Locale.ROOT))
                        .anyMatch(text -> condition.values().stream()
                                .anyMatch(part -> text.contains(part.toLowerCase(Locale.ROOT))));
            case ABOVE, AT_LEAST, BELOW, AT_MOST ->
                values.stream()
                        .anyMatch(each -> condition.values().stream()
                                .anyMatch(bound -> ordered(kind, condition.test(), each, bound)));
            case UNDER -> false;
        };
    }

    private static boolean equalsOne(Kind kind, Object value, List<String> wanted) {
        if (kind instanceof Kind.Choice choice) {
            return wanted.stream()
                    .anyMatch(id -> id.equals(value)
                            || Optional.ofNullable(choice.byId().get(id))
                                    .map(option -> option.key().equals(value))
                                    .orElse(false));
        }
        return wanted.stream()
                .anyMatch(text ->
                        read(kind, text).map(other -> same(value, other)).orElse(false));
    }

    private static boolean same(Object a, Object b) {
        return a instanceof BigDecimal x && b instanceof BigDecimal y ? x.compareTo(y) == 0 : a.equals(b);
    }

    /** A condition's value as the kind's values are; empty where it is none. */
    public static Optional<Object> read(Kind kind, String text) {
        return KindValues.of(kind).fromText(text);
    }

    private static boolean ordered(Kind kind, Condition.Test test, Object value, String text) {
        return read(kind, text)
                .map(bound -> compare(value, bound))
                .map(order -> switch (test) {
                    case ABOVE -> order > 0;
                    case AT_LEAST -> order >= 0;
                    case BELOW -> order < 0;
                    default -> order <= 0;
                })
                .orElse(false);
    }

    /** Values of one kind that has an order. */
    @SuppressWarnings("unchecked") // values of one kind are of one class
    public static int compare(Object a, Object b) {
        return ((Comparable<Object>) a).compareTo(b);
    }

    /** In which ways values of a kind can be compared. */
    private enum Comparability {
        ORDERED,
        TEXT,
        SAME,
        NOT;

        static Comparability of(Kind kind) {
            return switch (kind) {
                case Kind.Numeric _, Kind.Date _, Kind.Time _, Kind.DateTime _ -> ORDERED;
                case Kind.Text _, Kind.LongText _, Kind.Email _, Kind.Url _, Kind.Phone _ -> TEXT;
                case Kind.YesNo _, Kind.Choice _, Kind.TermPick _, Kind.Colour _, Kind.Icon _ -> SAME;
                case Kind.RichText _,
                        Kind.Image _,
                        Kind.File _,
                        Kind.Relation _,
                        Kind.Coordinates _,
                        Kind.Nested _,
                        Kind.Note _ -> NOT;
            };
        }
    }

    /** Whether values of a kind can be greater and smaller. */
    public static boolean isOrdered(Kind kind) {
        return Comparability.of(kind) == Comparability.ORDERED;
    }

    /** Whether values of a kind are texts that can have others within. */
    public static boolean isText(Kind kind) {
        return Comparability.of(kind) == Comparability.TEXT;
    }

    /** Whether values of a kind can be compared for being the same. */
    public static boolean isComparable(Kind kind) {
        return Comparability.of(kind) != Comparability.NOT;
    }

    /** Whether lists can be sorted by values of a kind. */
    public static boolean isSortable(Kind kind) {
        return isComparable(kind)
                && !(kind instanceof Kind.LongText)
                && !kind.amount().many();
    }
}

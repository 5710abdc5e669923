package org.jontrel.core.check;

import java.math.BigDecimal;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.record.Conditions;
import org.jontrel.core.record.Values;

/** Whether a comparison asks for what the field's own limits rule out. */
final class ComparisonLimits {
    private ComparisonLimits() {}

    /** @param value one that the field's kind can be compared with */
    static boolean beyond(Field field, Condition.Test test, String value) {
        return switch (test) {
            case IS, IS_NOT ->
                !(field.kind() instanceof Kind.Choice || field.kind() instanceof Kind.TermPick)
                        && !Values.parse(field, value).findings().isEmpty();
            case ABOVE -> compared(field.kind(), value, false) >= 0;
            case AT_LEAST -> compared(field.kind(), value, false) > 0;
            case BELOW -> compared(field.kind(), value, true) <= 0;
            case AT_MOST -> compared(field.kind(), value, true) < 0;
            case HAS, UNDER, FILLED -> false;
        };
    }

    /** How a value compares with the least or greatest that the field can have; on the safe side where it has none. */
    private static int compared(Kind kind, String value, boolean least) {
        Object limit =
                switch (kind) {
                    case Kind.Numeric number -> least ? number.min() : number.max();
                    case Kind.Date date -> least ? date.earliest() : date.latest();
                    case Kind.Time time -> least ? time.earliest() : time.latest();
                    case Kind.DateTime moment -> least ? moment.earliest() : moment.latest();
                    case Kind.Plain _, Kind.Reference _, Kind.Nested _, Kind.Note _ -> null;
                };
        var read = Conditions.read(kind, value);
        return limit == null || read.isEmpty() ? (least ? 1 : -1) : Conditions.compare(read.get(), limit);
    }

    /** The least step between two values of a number; {@code null} where values of the kind have none. */
    static BigDecimal unit(Kind kind) {
        return kind instanceof Kind.Numeric number ? BigDecimal.ONE.movePointLeft(number.decimals()) : null;
    }
}

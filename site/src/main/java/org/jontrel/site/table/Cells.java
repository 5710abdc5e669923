package org.jontrel.site.table;

import java.math.BigDecimal;
import java.sql.Date;
import java.sql.Time;
import java.time.LocalDate;
import java.time.LocalTime;
import org.jontrel.core.model.Kind;

/** Values between Java and columns. Also reads a column of another type, as a switch half done may leave it. */
public final class Cells {
    private Cells() {}

    /** A value as a statement's parameter. */
    public static Object toColumn(Object value) {
        return switch (value) {
            case null -> null;
            case LocalDate date -> Date.valueOf(date);
            case LocalTime time -> Time.valueOf(time);
            default -> value;
        };
    }

    /** What a driver gave for a column of the kind, as core's value. */
    public static Object fromColumn(Kind kind, Object cell) {
        if (cell == null) {
            return null;
        }
        return switch (kind) {
            case Kind.Text _, Kind.LongText _, Kind.Choice _, Kind.Email _, Kind.Phone _, Kind.Colour _ ->
                String.valueOf(cell);
            case Kind.Numeric _ -> cell instanceof BigDecimal number ? number : null;
            case Kind.YesNo _ ->
                switch (cell) {
                    case Boolean flag -> flag;
                    case Number number -> number.intValue() != 0;
                    default -> null;
                };
            case Kind.Date _ ->
                switch (cell) {
                    case Date date -> date.toLocalDate();
                    case LocalDate date -> date;
                    default -> null;
                };
            case Kind.Time _ ->
                switch (cell) {
                    case Time time -> time.toLocalTime();
                    case LocalTime time -> time;
                    default -> null;
                };
            case Kind.Image _ -> cell instanceof Number number ? number.longValue() : null;
            case Kind.RichText _,
                    Kind.DateTime _,
                    Kind.Url _,
                    Kind.Icon _,
                    Kind.File _,
                    Kind.Relation _,
                    Kind.TermPick _,
                    Kind.FieldGroup _,
                    Kind.Repeater _,
                    Kind.Coordinates _,
                    Kind.Note _ ->
                throw new IllegalStateException("No site has a column for " + kind.code() + ": plans refuse it");
        };
    }
}

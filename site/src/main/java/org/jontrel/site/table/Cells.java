package org.jontrel.site.table;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.sql.Date;
import java.sql.Time;
import java.sql.Timestamp;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.Spot;
import org.mariadb.jdbc.type.Point;

/** Values between Java and columns. Also reads a column of another type, as a switch half done may leave it. */
public final class Cells {
    private static final int POINT_BYTES = 25;

    private Cells() {}

    /** A value as a statement's parameter. */
    public static Object toColumn(Object value) {
        return switch (value) {
            case null -> null;
            case LocalDate date -> Date.valueOf(date);
            case LocalTime time -> Time.valueOf(time);
            case Spot spot ->
                new Point(spot.longitude().doubleValue(), spot.latitude().doubleValue());
            default -> value;
        };
    }

    /** What a driver gave for a column of the kind, as core's value. */
    public static Object fromColumn(Kind kind, Object cell) {
        if (cell == null) {
            return null;
        }
        return switch (kind) {
            case Kind.Text _,
                    Kind.LongText _,
                    Kind.RichText _,
                    Kind.Choice _,
                    Kind.Email _,
                    Kind.Url _,
                    Kind.Phone _,
                    Kind.Icon _,
                    Kind.Colour _ -> String.valueOf(cell);
            case Kind.Numeric _ -> cell instanceof BigDecimal number ? plain(number) : null;
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
            case Kind.DateTime _ ->
                switch (cell) {
                    case Timestamp time -> time.toLocalDateTime();
                    case LocalDateTime time -> time;
                    default -> null;
                };
            case Kind.Coordinates _ ->
                switch (cell) {
                    case Point point -> new Spot(degrees(point.getY()), degrees(point.getX()));
                    case byte[] bytes when bytes.length == POINT_BYTES -> spot(ByteBuffer.wrap(bytes));
                    default -> null;
                };
            case Kind.Image _, Kind.File _, Kind.TermPick _ ->
                cell instanceof Number number ? number.longValue() : null;
            case Kind.Relation _, Kind.FieldGroup _, Kind.Repeater _, Kind.Note _ ->
                throw new IllegalStateException("No column holds a value of kind " + kind.code());
        };
    }

    /** A point as the database keeps it: four bytes of a reference system, then well-known binary (OGC 06-103r4, 8.2). */
    private static Spot spot(ByteBuffer bytes) {
        bytes.order(bytes.get(4) == 1 ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        return new Spot(degrees(bytes.getDouble(17)), degrees(bytes.getDouble(9)));
    }

    private static BigDecimal plain(BigDecimal number) {
        var stripped = number.stripTrailingZeros();
        return stripped.scale() < 0 ? stripped.setScale(0) : stripped;
    }

    private static BigDecimal degrees(double value) {
        return BigDecimal.valueOf(value).setScale(Spot.DECIMALS, RoundingMode.HALF_EVEN);
    }
}

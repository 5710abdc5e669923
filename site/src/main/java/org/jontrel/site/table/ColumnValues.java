package org.jontrel.site.table;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.GeoPoint;
import org.mariadb.jdbc.type.Point;

/** Values between Java and columns. Also reads a column of another type, as a switch half done may leave it. */
public final class ColumnValues {
    private static final int POINT_BYTES = 25;

    private ColumnValues() {}

    /** A value as a statement's parameter. */
    public static Object toColumn(Object value) {
        return switch (value) {
            case null -> null;
            case GeoPoint spot ->
                new Point(spot.longitude().doubleValue(), spot.latitude().doubleValue());
            default -> value;
        };
    }

    /**
     * A column of a row, as core's value of the kind. Days and times are asked for as such: on the way through the driver's
     * own classes, and through its texts, they would meet the calendar and the time zone of this machine.
     */
    public static Object read(ResultSet row, int column, Kind kind) throws SQLException {
        return switch (kind) {
            case Kind.Date _ -> time(row, column, Types.DATE, LocalDate.class);
            case Kind.Time _ -> time(row, column, Types.TIME, LocalTime.class);
            case Kind.DateTime _ -> time(row, column, Types.TIMESTAMP, LocalDateTime.class);
            case Kind.Plain _, Kind.Reference _, Kind.Nested _, Kind.Note _ -> fromColumn(kind, row.getObject(column));
        };
    }

    private static Object time(ResultSet row, int column, int type, Class<?> wanted) throws SQLException {
        return row.getMetaData().getColumnType(column) == type ? row.getObject(column, wanted) : null;
    }

    /** Whether the kind's columns hold days or times. */
    public static boolean isTime(Kind kind) {
        return kind instanceof Kind.Date || kind instanceof Kind.Time || kind instanceof Kind.DateTime;
    }

    private interface Parser {
        Object parse(String text);
    }

    private static Object parsed(Object cell, Parser parser) {
        try {
            return cell instanceof String text ? parser.parse(text) : null;
        } catch (DateTimeParseException _) {
            return null;
        }
    }

    /** What a driver gave for a column of the kind, days and times as text, as core's value. */
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
            case Kind.Date _ -> parsed(cell, LocalDate::parse);
            case Kind.Time _ -> parsed(cell, LocalTime::parse);
            case Kind.DateTime _ -> parsed(cell, text -> LocalDateTime.parse(text.replace(' ', 'T')));
            case Kind.Coordinates _ ->
                switch (cell) {
                    case Point point -> new GeoPoint(degrees(point.getY()), degrees(point.getX()));
                    case byte[] bytes when bytes.length == POINT_BYTES -> spot(ByteBuffer.wrap(bytes));
                    default -> null;
                };
            case Kind.Image _, Kind.File _, Kind.TermPick _ ->
                cell instanceof Number number ? number.longValue() : null;
            case Kind.Relation _, Kind.Nested _, Kind.Note _ ->
                throw new IllegalStateException("No column holds a value of kind " + kind.code());
        };
    }

    /** A point as the database keeps it: four bytes of a reference system, then well-known binary (OGC 06-103r4, 8.2). */
    private static GeoPoint spot(ByteBuffer bytes) {
        bytes.order(bytes.get(4) == 1 ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        return new GeoPoint(degrees(bytes.getDouble(17)), degrees(bytes.getDouble(9)));
    }

    private static BigDecimal plain(BigDecimal number) {
        var stripped = number.stripTrailingZeros();
        return stripped.scale() < 0 ? stripped.setScale(0) : stripped;
    }

    private static BigDecimal degrees(double value) {
        return BigDecimal.valueOf(value).setScale(GeoPoint.DECIMALS, RoundingMode.HALF_EVEN);
    }
}

package org.jontrel.core.record;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.GeoPoint;
import org.jontrel.core.value.Row;

/**
 * Whether a value can be kept at all, whatever its field's limits are. What a condition hides is not checked, so somebody can
 * send there what no column takes; it is left out.
 */
final class Storable {
    private static final int TEXT = 255;
    private static final int NAME = 64;
    private static final int ADDRESS_BYTES = 65_535;
    private static final int LONG_BYTES = 16 << 20;
    private static final int LAST_YEAR = 9999;
    private static final Pattern ASCII = Pattern.compile("\\p{ASCII}*");
    private static final BigDecimal BOUND = BigDecimal.TEN.pow(Kind.Numeric.MOST_DIGITS);

    private Storable() {}

    /** The values, by field id, without those that no column takes. */
    static Map<String, Object> only(List<Field> fields, Map<String, Object> values) {
        var kept = new LinkedHashMap<String, Object>();
        for (var field : fields) {
            var value = values.get(field.id());
            var storable = value == null ? null : only(field, value);
            if (storable != null) {
                kept.put(field.id(), storable);
            }
        }
        return kept;
    }

    @SuppressWarnings("unchecked") // groups are maps by field id
    private static Object only(Field field, Object value) {
        return switch (value) {
            case Map<?, ?> group -> {
                var inner = only(field.inner(), (Map<String, Object>) group);
                yield inner.isEmpty() ? null : inner;
            }
            case Row(long id, Map<String, Object> inner) -> new Row(id, only(field.inner(), inner));
            case List<?> list -> {
                var kept = list.stream()
                        .map(each -> only(field, each))
                        .filter(each -> each != null)
                        .toList();
                yield kept.isEmpty() ? null : kept;
            }
            default -> fits(field.kind(), value) ? value : null;
        };
    }

    private static boolean fits(Kind kind, Object value) {
        return switch (kind) {
            case Kind.Text _, Kind.Email _, Kind.Phone _ -> within(value, TEXT);
            case Kind.Choice _, Kind.Icon _, Kind.Colour _ ->
                within(value, NAME) && ASCII.matcher(String.valueOf(value)).matches();
            case Kind.Url _ -> bytes(value) <= ADDRESS_BYTES;
            case Kind.LongText _, Kind.RichText _ -> bytes(value) < LONG_BYTES;
            case Kind.Numeric _ ->
                value instanceof BigDecimal number
                        && number.abs().compareTo(BOUND) < 0
                        && number.stripTrailingZeros().scale() <= Kind.Numeric.MOST_DECIMALS;
            case Kind.Date _ -> value instanceof LocalDate date && year(date.getYear());
            case Kind.DateTime _ -> value instanceof LocalDateTime time && year(time.getYear());
            case Kind.YesNo _,
                    Kind.Time _,
                    Kind.Coordinates _,
                    Kind.Image _,
                    Kind.File _,
                    Kind.Relation _,
                    Kind.TermPick _,
                    Kind.FieldGroup _,
                    Kind.Repeater _,
                    Kind.Note _ -> true;
        };
    }

    /** Whether a column of the kind gives back just this value. */
    static boolean exactly(Kind kind, Object value) {
        return fits(kind, value)
                && !(value instanceof GeoPoint spot
                        && Math.max(spot.latitude().scale(), spot.longitude().scale()) > GeoPoint.DECIMALS);
    }

    private static boolean within(Object value, int most) {
        var text = String.valueOf(value);
        return text.codePointCount(0, text.length()) <= most;
    }

    private static int bytes(Object value) {
        return String.valueOf(value).getBytes(java.nio.charset.StandardCharsets.UTF_8).length;
    }

    private static boolean year(int year) {
        return year >= 0 && year <= LAST_YEAR;
    }
}

package org.jontrel.core.value.kind;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.value.GeoPoint;

/** The value is a {@link GeoPoint}, sent as {@code {latitude, longitude}} or as {@code "52.3, -1.9"}. */
record GeoPointValues() implements KindValues {
    private static final Pattern DEGREES = Pattern.compile("[-+]?[0-9]{1,3}([.][0-9]{1,20})?");

    @Override
    public KindValues.ReadValue read(Object raw, Where where) {
        var spot = raw instanceof Map<?, ?> map
                ? spot(map.get("latitude"), map.get("longitude"))
                : fromText(String.valueOf(raw));
        return spot.map(KindValues.ReadValue::of)
                .orElseGet(() -> KindValues.ReadValue.not(where.finding(Code.VALUE_NOT_PLACE)));
    }

    private static Optional<Object> spot(Object latitude, Object longitude) {
        return degrees(latitude, 90)
                .flatMap(north -> degrees(longitude, 180).map(east -> (Object) new GeoPoint(north, east)));
    }

    private static Optional<BigDecimal> degrees(Object raw, int most) {
        var text = raw instanceof BigDecimal number && Math.abs(number.scale()) < 40
                ? number.toPlainString()
                : String.valueOf(raw).strip();
        return DEGREES.matcher(text).matches()
                ? Optional.of(new BigDecimal(text))
                        .filter(number -> number.abs().compareTo(BigDecimal.valueOf(most)) <= 0)
                : Optional.empty();
    }

    @Override
    public List<Finding> check(Object value, Where where) {
        var spot = (GeoPoint) value;
        return spot.latitude().scale() > GeoPoint.DECIMALS || spot.longitude().scale() > GeoPoint.DECIMALS
                ? List.of(where.finding(Code.VALUE_TOO_MANY_DECIMALS, show(value), GeoPoint.DECIMALS))
                : List.of();
    }

    @Override
    public String show(Object value) {
        var spot = (GeoPoint) value;
        return spot.latitude().toPlainString() + ", " + spot.longitude().toPlainString();
    }

    @Override
    public Object wire(Object value) {
        var spot = (GeoPoint) value;
        var wire = new LinkedHashMap<String, Object>();
        wire.put("latitude", spot.latitude().toPlainString());
        wire.put("longitude", spot.longitude().toPlainString());
        return wire;
    }

    @Override
    public Optional<Object> fromText(String text) {
        var parts = text.split("[,;]", -1);
        return parts.length == 2 ? spot(parts[0].strip(), parts[1].strip()) : Optional.empty();
    }
}

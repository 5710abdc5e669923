package org.jontrel.core.value;

import java.math.BigDecimal;

/** A place on earth: degrees (WGS 84), north and east positive, to seven decimals (about a centimetre). */
public record GeoPoint(BigDecimal latitude, BigDecimal longitude) {
    public static final int DECIMALS = 7;

    public GeoPoint {
        latitude = plain(latitude);
        longitude = plain(longitude);
    }

    private static BigDecimal plain(BigDecimal degrees) {
        var stripped = degrees.stripTrailingZeros();
        return stripped.scale() < 0 ? stripped.setScale(0) : stripped;
    }
}

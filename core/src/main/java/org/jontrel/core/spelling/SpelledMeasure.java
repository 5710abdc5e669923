package org.jontrel.core.spelling;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * Numbers with a unit, as the number of units that a field has: {@code 2.59 m}, {@code 8 ft 6 in} and {@code 102"} in metres;
 * {@code €12.50} where the field is in EUR. A unit of another sort, or a currency that the field is not in, is not read.
 */
final class SpelledMeasure {
    /** What a unit measures, and how much of the first one of its sort it is. */
    private record Unit(String sort, BigDecimal size) {}

    private static final Map<String, Unit> UNITS = new LinkedHashMap<>();
    private static final Map<String, String> SIGNS = Map.of("€", "EUR", "£", "GBP", "$", "USD", "¥", "JPY");

    private static final Pattern BEFORE = Pattern.compile("([+-]?) ?([€£$¥]|[A-Z]{3}) ?(.+)");
    private static final Pattern BEHIND = Pattern.compile("(.*[0-9\u00bc-\u00be\u2150-\u215e]) ?([^0-9]{1,16})");
    private static final Pattern FEET = Pattern.compile(
            "([+-]?)([0-9., ]+?) ?(?:ft[.]?|feet|foot|'|\u2032)[ ,]*(.+?) ?(?:in[.]?|inches|inch|\"|''|\u2033|\u201d)");

    static {
        units("length", "1", "m", "metre", "metres", "meter", "meters");
        units("length", "0.001", "mm", "millimetre", "millimetres", "millimeters");
        units("length", "0.01", "cm", "centimetre", "centimetres", "centimeters");
        units("length", "1000", "km", "kilometre", "kilometres", "kilometers");
        units("length", "0.3048", "ft", "ft.", "foot", "feet", "'", "\u2032");
        units("length", "0.0254", "in", "in.", "inch", "inches", "\"", "''", "\u2033", "\u201d");
        units("length", "0.9144", "yd", "yard", "yards");
        units("length", "1609.344", "mi", "mile", "miles");
        units("mass", "1", "kg", "kilogram", "kilograms");
        units("mass", "0.001", "g", "gram", "grams");
        units("mass", "1000", "t", "tonne", "tonnes");
        units("mass", "0.45359237", "lb", "lbs", "pound", "pounds");
        units("volume", "1", "l", "L", "litre", "litres", "liter", "liters");
        units("volume", "0.001", "ml", "mL");
        units("volume", "1000", "m³", "m3");
        units("area", "1", "m²", "m2");
        units("area", "10000", "ha", "hectare", "hectares");
        units("area", "1000000", "km²", "km2");
        units("time", "1", "min", "minute", "minutes");
        units("time", "60", "h", "hour", "hours");
        units("time", "1440", "day", "days");
        units("share", "1", "%", "per cent", "percent");
    }

    private static void units(String sort, String size, String... words) {
        for (var word : words) {
            UNITS.put(word, new Unit(sort, new BigDecimal(size)));
        }
    }

    private SpelledMeasure() {}

    /**
     * @param unit of the field; empty where it has none, and then no unit is read
     * @param decimals of the field: a sum in another unit that has more is not read
     */
    static Optional<BigDecimal> read(String written, String unit, int decimals) {
        var bare = SpelledNumber.read(written);
        if (bare.isPresent()) {
            return bare;
        }
        var text = SpelledNumber.plain(written);
        var feet = FEET.matcher(text);
        if (feet.matches()) {
            return feet(feet.group(2), feet.group(3), unit, decimals)
                    .map(sum -> feet.group(1).equals("-") ? sum.negate() : sum);
        }
        var before = BEFORE.matcher(text);
        if (before.matches() && isCurrency(before.group(2), unit)) {
            return SpelledNumber.read(before.group(1) + before.group(3));
        }
        var behind = BEHIND.matcher(text);
        return behind.matches()
                ? SpelledNumber.read(behind.group(1))
                        .flatMap(number -> in(number, behind.group(2).strip(), unit, decimals))
                : Optional.empty();
    }

    private static Optional<BigDecimal> feet(String feet, String inches, String unit, int decimals) {
        return SpelledNumber.read(feet)
                .filter(whole -> whole.stripTrailingZeros().scale() <= 0)
                .flatMap(whole -> SpelledNumber.read(inches)
                        .filter(part -> part.signum() >= 0 && part.compareTo(BigDecimal.valueOf(12)) < 0)
                        .map(part -> whole.multiply(BigDecimal.valueOf(12)).add(part)))
                .flatMap(all -> in(all, "in", unit, decimals));
    }

    private static boolean isCurrency(String word, String unit) {
        return !unit.isEmpty()
                && (word.equals(unit) || SIGNS.getOrDefault(word, word).equals(SIGNS.getOrDefault(unit, unit)));
    }

    /** So many of one unit as a number of the other. */
    private static Optional<BigDecimal> in(BigDecimal number, String word, String unit, int decimals) {
        if (!unit.isEmpty() && (word.equals(unit) || isCurrency(word, unit))) {
            return Optional.of(number);
        }
        var from = UNITS.get(word);
        var to = UNITS.get(unit);
        return from == null || to == null || !from.sort().equals(to.sort())
                ? Optional.empty()
                : Exact.divided(number.multiply(from.size()), to.size()).filter(sum -> sum.scale() <= decimals);
    }
}

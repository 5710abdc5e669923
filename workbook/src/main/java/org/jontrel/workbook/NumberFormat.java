package org.jontrel.workbook;

import java.util.Map;
import java.util.regex.Pattern;
import org.jontrel.core.sheet.CellSort;

/**
 * What the format of a cell says of the number in it.
 *
 * @param sort a number, a date, a time or both
 * @param unit {@code %} or that of a currency; else empty
 */
record NumberFormat(CellSort sort, String unit) {
    private static final NumberFormat PLAIN = new NumberFormat(CellSort.NUMBER, "");
    static final String PERCENT = "%";
    private static final Pattern CURRENCY = Pattern.compile("\\[\\$([^-\\]]+)(?:-[^\\]]*)?]");
    private static final Pattern QUOTED = Pattern.compile("\"([^\"]*)\"");
    private static final Pattern ELAPSED = Pattern.compile("\\[(h+|m+|s+)]", Pattern.CASE_INSENSITIVE);
    private static final Pattern REST = Pattern.compile("\\[[^\\]]*]|\\\\.|_.|\\*.");
    private static final Map<String, String> SIGNS = Map.of("€", "EUR", "£", "GBP", "$", "USD", "¥", "JPY");
    private static final Pattern CODE = Pattern.compile("[A-Z]{3}");

    /**
     * @param id of the format; those below 164 are fixed by the standard (ECMA-376 part 1, 18.8.30)
     * @param written the format itself; may be {@code null}
     */
    static NumberFormat of(Integer id, String written) {
        if (id != null && id < 164) {
            var fixed = fixed(id);
            if (fixed != null) {
                return fixed;
            }
        }
        return written == null || written.equalsIgnoreCase("General") ? PLAIN : of(written);
    }

    private static NumberFormat fixed(int id) {
        if (id >= 14 && id <= 17 || id >= 27 && id <= 31 || id == 36 || id >= 50 && id <= 54 || id >= 57 && id <= 58) {
            return new NumberFormat(CellSort.DATE, "");
        }
        if (id >= 18 && id <= 21 || id >= 32 && id <= 35 || id >= 45 && id <= 47 || id >= 55 && id <= 56) {
            return new NumberFormat(CellSort.TIME, "");
        }
        return switch (id) {
            case 22 -> new NumberFormat(CellSort.DATE_TIME, "");
            case 9, 10 -> new NumberFormat(CellSort.NUMBER, PERCENT);
            case 0, 1, 2, 3, 4, 11, 12, 13, 48, 49 -> PLAIN;
            default -> null;
        };
    }

    private static NumberFormat of(String written) {
        var section = written.split(";", 2)[0];
        var currency = CURRENCY.matcher(section);
        var sign = currency.find() ? currency.group(1).strip() : "";
        var bare = section.replaceAll("\"[^\"]*\"", "");
        bare = ELAPSED.matcher(bare).replaceAll("h");
        bare = REST.matcher(bare).replaceAll("");
        boolean day = bare.matches("(?i).*[yd].*");
        boolean clock = bare.matches("(?i).*[hs].*");
        boolean month = !clock && bare.matches("(?i).*m.*");
        if (day || month || clock) {
            return new NumberFormat(
                    clock && (day || month) ? CellSort.DATE_TIME : clock ? CellSort.TIME : CellSort.DATE, "");
        }
        return new NumberFormat(CellSort.NUMBER, bare.contains(PERCENT) ? PERCENT : unit(section, sign));
    }

    private static String unit(String section, String sign) {
        var found = sign;
        if (found.isEmpty()) {
            var quoted = QUOTED.matcher(section);
            var word = quoted.find() ? quoted.group(1).strip() : section.replaceAll("[^€£$¥]", "");
            found = SIGNS.containsKey(word) || CODE.matcher(word).matches() || word.matches("[a-zµ°]{1,3}[²³]?")
                    ? word
                    : "";
        }
        return SIGNS.getOrDefault(found, found);
    }
}

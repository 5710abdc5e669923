package org.jontrel.workbook;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import java.util.HashMap;
import java.util.List;

/** Which sign stands between the cells of a text: the one that gives most rows the same number of cells. */
final class Delimiter {
    private static final int MOST_ROWS = 100;
    private static final List<Character> SIGNS = List.of(';', '\t', ',', '|', ':');

    private Delimiter() {}

    static char of(String start) {
        char best = ',';
        double most = 0;
        for (char sign : SIGNS) {
            double score = score(start, sign);
            if (score > most) {
                most = score;
                best = sign;
            }
        }
        return best;
    }

    private static double score(String start, char sign) {
        var widths = new HashMap<Integer, Integer>();
        int rows = 0;
        try (var reader = CsvReader.builder()
                .fieldSeparator(sign)
                .allowExtraCharsAfterClosingQuote(true)
                .allowExtraFields(true)
                .allowMissingFields(true)
                .ofCsvRecord(start)) {
            for (var row : reader) {
                if (rows++ < MOST_ROWS) {
                    widths.merge(row.getFieldCount(), 1, Integer::sum);
                }
            }
        } catch (CsvParseException | java.io.IOException _) {
            return 0;
        }
        var usual = widths.entrySet().stream()
                .filter(each -> each.getKey() > 1)
                .max(java.util.Map.Entry.comparingByValue());
        // how many rows agree counts before how many cells they have
        return usual.map(each -> {
                    double share = (double) each.getValue()
                            / Math.max(
                                    1,
                                    Math.min(
                                            MOST_ROWS,
                                            widths.values().stream()
                                                    .mapToInt(Integer::intValue)
                                                    .sum()));
                    double colon = sign == ':' ? 0.5 : 1;
                    return share * share * colon * (1 + Math.log(each.getKey()));
                })
                .orElse(0.0);
    }
}

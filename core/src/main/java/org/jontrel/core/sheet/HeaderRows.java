package org.jontrel.core.sheet;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Which of the first rows of a sheet name its columns. Titles and remarks stand above them, and a row above may put several columns
 * under one name.
 *
 * @param header index of the row with the names; -1 where none has any
 * @param groups what the row above says of each column; empty texts where it says nothing
 */
record HeaderRows(int header, List<String> groups) {
    static final int LOOKED_AT = 40;
    private static final int LONGEST_NAME = 120;

    static HeaderRows of(List<SheetRow> rows) {
        int width = rows.stream().mapToInt(HeaderRows::filled).max().orElse(0);
        for (int i = 0; i < rows.size(); i++) {
            if (isHeader(rows, i, width)) {
                return new HeaderRows(i, i == 0 ? List.of() : groups(rows.get(i - 1), rows.get(i)));
            }
            if (isData(rows.get(i), width)) {
                break;
            }
        }
        return new HeaderRows(-1, List.of());
    }

    private static int filled(SheetRow row) {
        return (int) row.cells().stream().filter(each -> !each.isEmpty()).count();
    }

    private static boolean isHeader(List<SheetRow> rows, int at, int width) {
        var row = rows.get(at);
        int filled = filled(row);
        boolean wide = width == 1 ? filled == 1 : filled >= 2 && filled * 2 >= width;
        return wide && at + 1 < rows.size() && isNames(row) && !isAboveNames(rows, at) && saysMore(rows, at);
    }

    /** Names are texts that are neither numbers nor dates, and mostly differ from each other. */
    private static boolean isNames(SheetRow row) {
        var names = new HashSet<String>();
        int texts = 0;
        for (var cell : row.cells()) {
            if (!cell.isEmpty()) {
                var text = cell.text().strip();
                if (cell.sort() != CellSort.TEXT || text.length() > LONGEST_NAME || isValue(text)) {
                    return false;
                }
                texts++;
                names.add(Fingerprints.folded(text));
            }
        }
        return names.size() * 2 >= texts;
    }

    private static boolean isValue(String text) {
        long signs = Signs.of(text);
        boolean year = text.matches("(19|20)[0-9]{2}");
        return !year
                && (signs & ~Sign.PHONE.bit()) != 0
                && !Sign.NOTHING.in(signs)
                && !Sign.YES_NO.in(signs)
                && !Sign.MEASURE.in(signs)
                && !Sign.TIME.in(signs);
    }

    /** Whether the next row names the columns, and this one stands over several of them. */
    private static boolean isAboveNames(List<SheetRow> rows, int at) {
        var row = rows.get(at);
        var next = rows.get(at + 1);
        return filled(next) > filled(row)
                && at + 2 < rows.size()
                && isNames(next)
                && gaps(row, next)
                && saysMore(rows, at + 1)
                && !isNames(rows.get(at + 2));
    }

    private static boolean gaps(SheetRow above, SheetRow names) {
        return IntStream.range(0, names.cells().size())
                .anyMatch(
                        each -> above.cell(each).isEmpty() && !names.cell(each).isEmpty());
    }

    /**
     * Whether names are told from values by what stands below: where all columns hold plain texts only, by none of the first row's
     * texts coming again below it.
     */
    private static boolean saysMore(List<SheetRow> rows, int at) {
        var row = rows.get(at);
        for (int column = 0; column < row.cells().size(); column++) {
            var name = row.cell(column).text().strip();
            if (!name.isEmpty()) {
                for (int below = at + 1; below < rows.size(); below++) {
                    if (name.equalsIgnoreCase(
                            rows.get(below).cell(column).text().strip())) {
                        return false;
                    }
                }
            }
        }
        return true;
    }

    private static boolean isData(SheetRow row, int width) {
        return filled(row) * 2 >= width && filled(row) > 1 && !isNames(row);
    }

    /**
     * A name over several columns holds for those it stretches over; where the file does not say over which, for those to its right up to
     * the next one.
     */
    private static List<String> groups(SheetRow above, SheetRow names) {
        if (filled(above) == 0 || !gaps(above, names) && above.spans().isEmpty()) {
            return List.of();
        }
        boolean alone =
                filled(above) == 1 && (!above.cell(0).isEmpty() || above.spans().size() != 1);
        if (alone) {
            return List.of();
        }
        var groups = new ArrayList<String>();
        var current = "";
        int left = 0;
        for (int i = 0; i < names.cells().size(); i++) {
            var here = above.cell(i).text().strip();
            if (!here.isEmpty()) {
                current = here;
                left = above.spans().isEmpty()
                        ? Integer.MAX_VALUE
                        : above.spans().getOrDefault(i, 1);
            }
            boolean same = here.equals(names.cell(i).text().strip());
            current = left-- <= 0 || same ? "" : current;
            groups.add(current);
        }
        return groups;
    }
}

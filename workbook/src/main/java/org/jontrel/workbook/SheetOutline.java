package org.jontrel.workbook;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import org.jontrel.core.finding.Code;
import org.jontrel.core.sheet.SheetRow;
import org.jontrel.core.work.Deadline;

/**
 * What must be known of a sheet of an XLSX file before its rows are read: which cells are one, which stands behind the rows in the file,
 * and that no cell claims to stand where no sheet has a place.
 */
final class SheetOutline {
    private static final int MOST_ROWS = 1_048_576;
    private static final int MOST_COLUMNS = 16_384;
    private static final int MOST_MERGED = 200_000;

    /** Cells that are one, from 0. */
    record Merged(int top, int left, int bottom, int right) {}

    private final List<Merged> merged = new ArrayList<>();

    static SheetOutline of(PackedFile packed, String part, String file, String sheet) throws IOException {
        var outline = new SheetOutline();
        try (var in = packed.stream(part)) {
            var xml = packed.xml(in);
            while (xml.hasNext()) {
                if (xml.next() == XMLStreamConstants.START_ELEMENT) {
                    switch (xml.getLocalName()) {
                        case "c" -> outline.cell(xml.getAttributeValue(null, "r"), file, sheet);
                        case "row" -> outline.row(xml.getAttributeValue(null, "r"), file, sheet);
                        case "mergeCell" -> outline.merge(xml.getAttributeValue(null, "ref"));
                        default -> {
                            // values and formats are read later
                        }
                    }
                }
            }
            return outline;
        } catch (IOException | XMLStreamException e) {
            throw PackedFile.broken(file, e);
        }
    }

    private void row(String number, String file, String sheet) throws UnreadableWorkbookException {
        Deadline.check();
        if (number != null && (!number.matches("[0-9]{1,7}") || Integer.parseInt(number) > MOST_ROWS)) {
            throw Workbook.unreadable(
                    Code.WORKBOOK_OUTSIDE, file, sheet, number.substring(0, Math.min(20, number.length())));
        }
    }

    private void cell(String place, String file, String sheet) throws UnreadableWorkbookException {
        if (place != null && at(place) == null) {
            throw Workbook.unreadable(
                    Code.WORKBOOK_OUTSIDE, file, sheet, place.substring(0, Math.min(20, place.length())));
        }
    }

    private void merge(String range) {
        var ends = range == null ? new String[0] : range.split(":");
        var from = ends.length == 2 ? at(ends[0]) : null;
        var to = ends.length == 2 ? at(ends[1]) : null;
        if (from != null && to != null && merged.size() < MOST_MERGED && to[0] >= from[0] && to[1] >= from[1]) {
            merged.add(new Merged(from[0], from[1], to[0], to[1]));
        }
    }

    /** Row and column of a place such as {@code B12}, from 0; {@code null} for what is none. */
    static int[] at(String place) {
        int column = 0;
        int i = 0;
        while (i < place.length() && place.charAt(i) >= 'A' && place.charAt(i) <= 'Z' && i < 4) {
            column = column * 26 + place.charAt(i) - 'A' + 1;
            i++;
        }
        var row = place.substring(i);
        boolean valid = column > 0
                && column <= MOST_COLUMNS
                && row.length() <= 7
                && !row.isEmpty()
                && row.chars().allMatch(each -> each >= '0' && each <= '9');
        return valid && Integer.parseInt(row) <= MOST_ROWS && Integer.parseInt(row) > 0
                ? new int[] {Integer.parseInt(row) - 1, column - 1}
                : null;
    }

    /** Over how many columns cells of a row stretch, by their column. */
    Map<Integer, Map<Integer, Integer>> spans() {
        var spans = new HashMap<Integer, Map<Integer, Integer>>();
        for (var each : merged) {
            if (each.right() > each.left()) {
                spans.computeIfAbsent(each.top(), _ -> new HashMap<>())
                        .put(each.left(), each.right() - each.left() + 1);
            }
        }
        return spans;
    }

    /** Those that stretch over several rows, by the first of them. */
    Map<Integer, List<Merged>> downwards() {
        var downwards = new HashMap<Integer, List<Merged>>();
        merged.stream()
                .filter(each -> each.bottom() > each.top())
                .forEach(each -> downwards
                        .computeIfAbsent(each.top(), _ -> new ArrayList<>())
                        .add(each));
        return downwards;
    }

    /** A place as people write it. */
    static String place(int row, int column) {
        return SheetRow.letters(column) + (row + 1);
    }
}

package org.jontrel.workbook;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.sheet.Cell;
import org.jontrel.core.sheet.CellSort;
import org.jontrel.core.sheet.SheetRow;
import org.jontrel.core.work.Deadline;

/** The rows of a sheet of an OpenDocument file, as one reading gives them. */
final class OdsRows {
    private static final int MOST_COLUMNS = 16_384;
    /** As many rows as such programs have; a row that is repeated more often is one of them all. */
    private static final int MOST_ROWS = 1_048_576;

    private final String file;
    private final String sheet;
    private final Consumer<SheetRow> rows;
    private final Map<Integer, CellAbove> held = new HashMap<>();
    private int number = 1;
    private long merged;
    private long unknown;
    private String firstUnknown = "";

    /** A cell that stretches over rows below. */
    private record CellAbove(Cell cell, int last) {}

    OdsRows(String file, String sheet, Consumer<SheetRow> rows) {
        this.file = file;
        this.sheet = sheet;
        this.rows = rows;
    }

    /** What somebody should know of the rows that were read. */
    List<Finding> findings() {
        var findings = new ArrayList<Finding>();
        if (merged > 0) {
            findings.add(Finding.of(Code.WORKBOOK_MERGED, Place.file(file), file, sheet, merged));
        }
        if (unknown > 0) {
            findings.add(Finding.of(Code.WORKBOOK_FORMULA, Place.file(file), file, sheet, unknown, firstUnknown));
        }
        return findings;
    }

    void row(XMLStreamReader xml) throws XMLStreamException {
        Deadline.check();
        int times = OdsCells.number(OdsWorkbook.attribute(xml, "number-rows-repeated"), MOST_ROWS);
        var cells = new ArrayList<Cell>();
        var spans = new HashMap<Integer, Integer>();
        while (xml.next() != XMLStreamConstants.END_ELEMENT
                || !xml.getLocalName().equals("table-row")) {
            if (xml.getEventType() == XMLStreamConstants.START_ELEMENT
                    && (xml.getLocalName().equals("table-cell")
                            || xml.getLocalName().equals("covered-table-cell"))) {
                cell(xml, cells, spans);
            }
        }
        int width = cells.size();
        while (width > 0 && cells.get(width - 1).isEmpty()) {
            width--;
        }
        boolean empty = width == 0;
        for (int i = 0; i < times && number <= MOST_ROWS; i++, number++) {
            if (!empty) {
                rows.accept(new SheetRow(number, cells.subList(0, width), spans));
            } else if (i == 0 && times > 1) {
                number += times - 1;
                break;
            }
        }
        if (empty && times > 1) {
            number++;
        }
    }

    private void cell(XMLStreamReader xml, List<Cell> cells, Map<Integer, Integer> spans) throws XMLStreamException {
        int times = OdsCells.number(OdsWorkbook.attribute(xml, "number-columns-repeated"), MOST_COLUMNS);
        int columns = OdsCells.number(OdsWorkbook.attribute(xml, "number-columns-spanned"), MOST_COLUMNS);
        int down = OdsCells.number(OdsWorkbook.attribute(xml, "number-rows-spanned"), MOST_ROWS);
        boolean covered = xml.getLocalName().equals("covered-table-cell");
        int at = cells.size();
        var read = read(xml, at);
        var above = held.get(at);
        if (covered && read.isEmpty() && above != null && above.last() >= number) {
            read = above.cell();
            merged++;
        }
        if (columns > 1 && !covered) {
            spans.put(at, columns);
        }
        if (down > 1 && !read.isEmpty()) {
            held.put(at, new CellAbove(read, number + down - 1));
        }
        for (int i = 0; i < times && cells.size() < MOST_COLUMNS; i++) {
            cells.add(read);
        }
    }

    private Cell read(XMLStreamReader xml, int column) throws XMLStreamException {
        var type = String.valueOf(OdsWorkbook.attribute(xml, "value-type"));
        var value = OdsWorkbook.attribute(xml, "value");
        var date = OdsWorkbook.attribute(xml, "date-value");
        var time = OdsWorkbook.attribute(xml, "time-value");
        var flag = OdsWorkbook.attribute(xml, "boolean-value");
        var currency = OdsWorkbook.attribute(xml, "currency");
        boolean formula = OdsWorkbook.attribute(xml, "formula") != null;
        var string = OdsWorkbook.attribute(xml, "string-value");
        var text = OdsCells.text(xml);
        if (formula && text.matches("(#[A-Z/0!?]+|Err:[0-9]+)")) {
            return new Cell(CellSort.ERROR, text, "");
        }
        return switch (type) {
            case "float", "percentage", "currency" ->
                value == null ? Cell.text(text) : OdsCells.numeric(type, value, currency, text);
            case "date" -> date == null ? Cell.text(text) : OdsCells.day(date);
            case "time" -> time == null ? Cell.text(text) : OdsCells.span(time, text);
            case "boolean" -> new Cell(CellSort.YES_NO, "true".equals(flag) ? "Yes" : "No", "");
            default -> {
                if (formula && text.isEmpty() && string == null) {
                    unknown++;
                    firstUnknown = firstUnknown.isEmpty() ? SheetOutline.place(number - 1, column) : firstUnknown;
                    yield new Cell(CellSort.ERROR, "", "");
                }
                yield text.isEmpty() && string == null ? Cell.EMPTY : Cell.text(text.isEmpty() ? string : text);
            }
        };
    }
}

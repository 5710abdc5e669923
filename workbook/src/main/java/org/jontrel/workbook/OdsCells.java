package org.jontrel.workbook;

import java.math.BigDecimal;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.jontrel.core.sheet.Cell;
import org.jontrel.core.sheet.CellSort;

/** What cells of an OpenDocument file hold. */
final class OdsCells {
    private OdsCells() {}

    static Cell numeric(String type, String value, String currency, String text) {
        BigDecimal number;
        try {
            number = new BigDecimal(value);
        } catch (NumberFormatException _) {
            return Cell.text(text);
        }
        return type.equals("percentage")
                ? new Cell(CellSort.NUMBER, XlsxCells.plain(number.movePointRight(2)), NumberFormat.PERCENT)
                : new Cell(CellSort.NUMBER, XlsxCells.plain(number), currency == null ? "" : currency);
    }

    static Cell day(String date) {
        boolean moment = date.length() > 10 && date.charAt(10) == 'T';
        boolean midnight = moment && date.startsWith("T00:00:00", 10);
        if (!moment || midnight) {
            return new Cell(CellSort.DATE, date.substring(0, Math.min(10, date.length())), "");
        }
        var clock = date.substring(11, Math.min(19, date.length()));
        return new Cell(
                CellSort.DATE_TIME,
                date.substring(0, 10) + "T"
                        + (clock.endsWith(":00") && clock.length() == 8 ? clock.substring(0, 5) : clock),
                "");
    }

    /** {@code PT09H30M00S}: a time of day, or a longer span of hours. */
    static Cell span(String time, String text) {
        var parts = time.matches("PT[0-9]+H[0-9]+M[0-9]+([.,][0-9]+)?S")
                ? time.substring(2).split("[HMS]")
                : new String[0];
        if (parts.length != 3 || parts[0].length() > 6) {
            return Cell.text(text);
        }
        int hours = Integer.parseInt(parts[0]);
        var minutes = "%02d".formatted(Integer.parseInt(parts[1]));
        var seconds = parts[2].replaceAll("[.,].*", "");
        var clock = hours + ":" + minutes
                + (Integer.parseInt(seconds) == 0 ? "" : ":" + "%02d".formatted(Integer.parseInt(seconds)));
        return hours < 24 ? new Cell(CellSort.TIME, (hours < 10 ? "0" : "") + clock, "") : Cell.text(clock);
    }

    static int number(String text, int most) {
        return text == null || !text.matches("[0-9]{1,9}") ? 1 : Math.clamp(Integer.parseInt(text), 1, most);
    }

    /** The paragraphs of a cell, one on each line; remarks pinned to it are none of it. */
    static String text(XMLStreamReader xml) throws XMLStreamException {
        var text = new StringBuilder();
        int depth = 1;
        int remark = 0;
        boolean any = false;
        while (depth > 0) {
            switch (xml.next()) {
                case XMLStreamConstants.START_ELEMENT -> {
                    depth++;
                    var tag = xml.getLocalName();
                    if (tag.equals("annotation")) {
                        remark = depth;
                    } else if (remark == 0 && tag.equals("p")) {
                        text.append(any ? "\n" : "");
                        any = true;
                    } else if (remark == 0 && tag.equals("s")) {
                        text.repeat(' ', number(OdsWorkbook.attribute(xml, "c"), 1_000));
                    } else if (remark == 0 && tag.equals("line-break")) {
                        text.append('\n');
                    } else if (remark == 0 && tag.equals("tab")) {
                        text.append('\t');
                    }
                }
                case XMLStreamConstants.END_ELEMENT -> {
                    remark = remark == depth ? 0 : remark;
                    depth--;
                }
                case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA, XMLStreamConstants.SPACE -> {
                    if (remark == 0 && any) {
                        text.append(xml.getText());
                    }
                }
                default -> {
                    // comments and the like
                }
            }
        }
        return text.toString();
    }
}

package org.jontrel.workbook;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import org.dhatim.fastexcel.reader.CellType;
import org.jontrel.core.sheet.Cell;
import org.jontrel.core.sheet.CellSort;
import org.jontrel.core.sheet.SheetRow;

/** What cells of an XLSX file hold: numbers as they are shown, dates by the calendar of the file. */
final class XlsxCells {
    /** As many figures as such programs keep; what is behind them is noise of binary fractions. */
    private static final MathContext KEPT = new MathContext(15, RoundingMode.HALF_UP);

    private static final LocalDate FIRST_1904 = LocalDate.of(1904, 1, 1);
    /** Day 60 is 29 February 1900, which never was: before it days count from one later. */
    private static final LocalDate FIRST_1900 = LocalDate.of(1899, 12, 30);

    private static final int NEVER_WAS = 60;
    private static final BigDecimal SECONDS = BigDecimal.valueOf(86_400);
    private static final BigDecimal LAST_DAY = BigDecimal.valueOf(2_958_466);
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm[:ss]");
    private static final int LONGEST_NUMBER = 40;
    private final boolean from1904;
    private long unknown;
    private String firstUnknown = "";

    XlsxCells(boolean from1904) {
        this.from1904 = from1904;
    }

    Cell read(org.dhatim.fastexcel.reader.Cell cell, int row) {
        if (cell.getType() == CellType.ERROR) {
            return new Cell(CellSort.ERROR, String.valueOf(cell.getRawValue()), "");
        }
        var value = cell.getValue();
        return switch (value) {
            case null -> {
                if (cell.getType() == CellType.FORMULA) {
                    unknown++;
                    firstUnknown =
                            firstUnknown.isEmpty() ? SheetRow.letters(cell.getColumnIndex()) + row : firstUnknown;
                    yield new Cell(CellSort.ERROR, "", "");
                }
                yield Cell.EMPTY;
            }
            case Boolean flag -> new Cell(CellSort.YES_NO, flag ? "Yes" : "No", "");
            case BigDecimal number ->
                number(number, NumberFormat.of(cell.getDataFormatId(), cell.getDataFormatString()));
            default -> {
                var text = String.valueOf(value);
                yield text.startsWith("#") && cell.getType() == CellType.FORMULA && text.matches("#[A-Z/0!?]+[!?A]?")
                        ? new Cell(CellSort.ERROR, text, "")
                        : Cell.text(unescaped(text));
            }
        };
    }

    /** Line ends that the format writes as figures; what a sheet cannot hold is left out. */
    static String unescaped(String text) {
        return text.indexOf("_x") < 0 && text.indexOf('\r') < 0
                ? text
                : text.replace("_x000D_", "").replace("\r\n", "\n").replace('\r', '\n');
    }

    private Cell number(BigDecimal number, NumberFormat format) {
        if (format.sort() == CellSort.NUMBER) {
            boolean percent = format.unit().equals(NumberFormat.PERCENT);
            return new Cell(CellSort.NUMBER, plain(percent ? number.movePointRight(2) : number), format.unit());
        }
        boolean day = number.signum() >= 0 && number.compareTo(LAST_DAY) < 0;
        return day ? moment(number, format.sort()) : new Cell(CellSort.NUMBER, plain(number), "");
    }

    static String plain(BigDecimal number) {
        var rounded = number.round(KEPT).stripTrailingZeros();
        boolean huge = Math.abs(rounded.scale()) > LONGEST_NUMBER;
        return huge ? rounded.toString() : rounded.toPlainString();
    }

    private Cell moment(BigDecimal number, CellSort sort) {
        long seconds =
                number.multiply(SECONDS).setScale(0, RoundingMode.HALF_UP).longValueExact();
        long days = seconds / 86_400;
        var time = LocalTime.ofSecondOfDay(seconds % 86_400);
        if (sort == CellSort.TIME && days == 0) {
            return new Cell(CellSort.TIME, clock(time), "");
        }
        if (sort == CellSort.TIME) {
            // more than a day: a span of hours, which is no time of day
            long hours = seconds / 3_600;
            return Cell.text(hours + ":" + "%02d".formatted(seconds % 3_600 / 60));
        }
        var date = from1904 ? FIRST_1904.plusDays(days) : FIRST_1900.plusDays(days < NEVER_WAS ? days + 1 : days);
        boolean dayOnly = sort == CellSort.DATE && time.equals(LocalTime.MIDNIGHT);
        return dayOnly
                ? new Cell(CellSort.DATE, date.toString(), "")
                : new Cell(CellSort.DATE_TIME, LocalDateTime.of(date, time).toLocalDate() + "T" + clock(time), "");
    }

    private static String clock(LocalTime time) {
        return time.getSecond() == 0 ? CLOCK.format(time).substring(0, 5) : CLOCK.format(time);
    }

    /** Formulas that were saved without their results. */
    long unknown() {
        return unknown;
    }

    String firstUnknown() {
        return firstUnknown;
    }
}

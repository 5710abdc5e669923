package org.jontrel.workbook;

import static org.jontrel.workbook.RawXlsx.row;
import static org.jontrel.workbook.RawXlsx.styled;
import static org.jontrel.workbook.RawXlsx.text;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.util.List;
import org.jontrel.core.finding.Code;
import org.testng.annotations.Test;

/** Workbooks of the format that most programs write. */
public class XlsxWorkbookTest {
    private static final String DAY = "dd/mm/yyyy";

    @Test
    public void numbersAreAsTheyAreShown() throws IOException {
        var book = new RawXlsx()
                .formats("0%", "#,##0.00 [$€-407]", "\"£\"#,##0.00", "0.0\\ \"m\"")
                .sheet(
                        "Locks",
                        row(1, "Name", "Rise", "Share", "Cost", "Fee", "Length")
                                + row(
                                        2,
                                        "Mill",
                                        "=3.3000000000000003",
                                        styled("C2", 1, "0.25"),
                                        styled("D2", 2, "12.5"),
                                        styled("E2", 3, "3"),
                                        styled("F2", 4, "21.5"))
                                + row(
                                        3,
                                        "Weir",
                                        "=1E3",
                                        styled("C3", 1, "1"),
                                        styled("D3", 2, "7"),
                                        styled("E3", 3, "4"),
                                        styled("F3", 4, "8")));
        var opened = Opened.of("locks.xlsx", book.bytes());
        assertEquals(
                opened.lines(),
                List.of("1: Name|Rise|Share|Cost|Fee|Length", "2: Mill|3.3|25|12.5|3|21.5", "3: Weir|1000|100|7|4|8"));
        var units = opened.rows.getFirst().get(1).cells().stream()
                .map(each -> each.unit())
                .toList();
        assertEquals(units, List.of("", "", "%", "EUR", "GBP", "m"));
        assertEquals(
                opened.columns(),
                List.of("Name title", "Rise number", "Share number", "Cost number", "Fee number", "Length number"));
    }

    @Test
    public void datesAreNumbersOfTheCalendarOfTheFile() throws IOException {
        var rows = row(1, "Day", "When", "Opens") + "<row r=\"2\">" + styled("A2", 1, "43891")
                + styled("B2", 2, "43891.5") + styled("C2", 3, "0.375") + "</row>" + "<row r=\"3\">"
                + styled("A3", 1, "59") + styled("B3", 2, "61.25") + styled("C3", 3, "0.5") + "</row>";
        var from1900 = new RawXlsx().formats(DAY, "yyyy-mm-dd hh:mm", "hh:mm").sheet("Days", rows);
        var from1904 = new RawXlsx()
                .formats(DAY, "yyyy-mm-dd hh:mm", "hh:mm")
                .sheet("Days", rows)
                .from1904();
        assertEquals(
                Opened.of("a.xlsx", from1900.bytes()).lines().subList(1, 3),
                List.of("2: 2020-03-01|2020-03-01T12:00|09:00", "3: 1900-02-28|1900-03-01T06:00|12:00"));
        assertEquals(Opened.of("a.xlsx", from1904.bytes()).lines().get(1), "2: 2024-03-02|2024-03-02T12:00|09:00");
        assertEquals(
                Opened.of("a.xlsx", from1900.bytes()).columns(), List.of("Day date", "When date_time", "Opens time"));
    }

    @Test
    public void formulasAreReadAsTheirResultsWereSaved() throws IOException {
        var rows = row(1, "Name", "Sum", "Both")
                + "<row r=\"2\">" + text("A2", "Mill")
                + "<c r=\"B2\"><f>1+2</f><v>3</v></c><c r=\"C2\" t=\"str\"><f>A2&amp;\"!\"</f><v>Mill!</v></c></row>"
                + "<row r=\"3\">" + text("A3", "Weir")
                + "<c r=\"B3\"><f>1/0</f><v></v></c><c r=\"C3\" t=\"e\"><f>1/0</f><v>#DIV/0!</v></c></row>";
        var opened = Opened.of("a.xlsx", new RawXlsx().sheet("Sums", rows).bytes());
        assertEquals(opened.lines().get(1), "2: Mill|3|Mill!");
        assertEquals(opened.told(), List.of(Code.WORKBOOK_FORMULA));
        assertTrue(
                opened.findings.getFirst().sentence().contains("B3"),
                opened.findings.getFirst().sentence());
        assertTrue(
                opened.model.sheets().getFirst().notes().stream()
                        .anyMatch(note -> note.contains("“Both” has 1 cell with an error") && note.contains("row 3")),
                opened.model.sheets().getFirst().notes().toString());
    }

    @Test
    public void aCellOverSeveralColumnsIsAGroup() throws IOException {
        var rows = row(1, "", "Berth", "", "Keeper", "", "")
                + row(2, "Name", "Length", "Surface", "Name", "Phone", "Notes")
                + row(3, "Mill", "=21", "grass", "Ada", "+44 20 7946 0001", "near")
                + row(4, "Weir", "=8", "mud", "Bo", "+44 20 7946 0002", "far");
        var book = new RawXlsx()
                .sheet(
                        "Moorings",
                        rows,
                        "<mergeCells count=\"2\"><mergeCell ref=\"B1:C1\"/><mergeCell ref=\"D1:E1\"/></mergeCells>",
                        "visible");
        var opened = Opened.of("a.xlsx", book.bytes());
        assertEquals(
                opened.columns(),
                List.of("Name title", "Length number", "Surface text", "Name text", "Phone phone", "Notes text"));
        var groups = ((org.jontrel.core.model.ContentType)
                        opened.model.definitions().getFirst())
                .groups().stream()
                        .map(group -> group.title() + ": "
                                + String.join(
                                        ", ",
                                        group.fields().stream()
                                                .map(each -> each.label())
                                                .toList()))
                        .toList();
        assertEquals(groups, List.of("Berth: Length, Surface", "Keeper: Name, Phone", "Details: Notes"));
    }

    @Test
    public void aCellOverSeveralRowsCountsForEach() throws IOException {
        var rows = row(1, "Region", "Lock", "Rise")
                + row(2, "North", "Mill", "=2")
                + row(3, "", "Weir", "=3")
                + row(4, "South", "Old", "=1");
        var book = new RawXlsx().sheet("Locks", rows, "<mergeCells><mergeCell ref=\"A2:A3\"/></mergeCells>", "visible");
        var opened = Opened.of("a.xlsx", book.bytes());
        assertEquals(
                opened.lines(), List.of("1: Region|Lock|Rise", "2: North|Mill|2", "3: North|Weir|3", "4: South|Old|1"));
        assertEquals(opened.told(), List.of(Code.WORKBOOK_MERGED));
    }

    @Test
    public void aHeaderOverTwoRows() throws IOException {
        var rows = row(1, "Lock", "Berth", "", "Rise")
                + row(2, "", "Length", "Width", "")
                + row(3, "Mill", "=21", "=4", "=2")
                + row(4, "Weir", "=8", "=3", "=3");
        var merges =
                "<mergeCells><mergeCell ref=\"A1:A2\"/><mergeCell ref=\"B1:C1\"/><mergeCell ref=\"D1:D2\"/></mergeCells>";
        var opened = Opened.of(
                "a.xlsx", new RawXlsx().sheet("Locks", rows, merges, "visible").bytes());
        assertEquals(opened.columns(), List.of("Lock title", "Length number", "Width number", "Rise number"));
    }

    @Test
    public void hiddenSheetsAreLeftOut() throws IOException {
        var book = new RawXlsx()
                .sheet("Locks", row(1, "Name", "Rise") + row(2, "Mill", "=1") + row(3, "Weir", "=2"))
                .sheet("Old", row(1, "Name") + row(2, "x"), "", "hidden");
        var opened = Opened.of("a.xlsx", book.bytes());
        assertEquals(opened.sheets, List.of("Locks", "(Old)"));
        assertEquals(opened.model.sheets().get(1).role().code(), "skip");
    }

    @Test
    public void macrosAndLinksAreLeftAloneAndTold() throws IOException {
        var book = new RawXlsx()
                .sheet("Locks", row(1, "Name", "Rise") + row(2, "Mill", "=1"))
                .part("xl/vbaProject.bin", "not run")
                .part("xl/externalLinks/externalLink1.xml", "<externalLink/>");
        assertEquals(Opened.of("a.xlsm", book.bytes()).told(), List.of(Code.WORKBOOK_MACROS, Code.WORKBOOK_LINKS));
    }

    @Test
    public void flagsAndLineEndsAreRead() throws IOException {
        var rows = row(1, "Name", "Open", "Note") + "<row r=\"2\">" + text("A2", "Mill")
                + "<c r=\"B2\" t=\"b\"><v>1</v></c>" + text("C2", "one_x000D_\ntwo") + "</row>" + "<row r=\"3\">"
                + text("A3", "Weir") + "<c r=\"B3\" t=\"b\"><v>0</v></c></row>";
        var opened = Opened.of("a.xlsx", new RawXlsx().sheet("Locks", rows).bytes());
        assertEquals(opened.lines().subList(1, 3), List.of("2: Mill|Yes|one\ntwo", "3: Weir|No"));
        assertEquals(opened.columns(), List.of("Name title", "Open yes_no", "Note long_text"));
    }

    @Test
    public void textsOfSeveralStylesAreOne() throws IOException {
        var shared =
                "<sst xmlns=\"http://schemas.openxmlformats.org/spreadsheetml/2006/main\"><si><r><t>Mill </t></r><r><t>lock</t></r></si><si><t>Name</t></si></sst>";
        var book = new RawXlsx()
                .sheet(
                        "Locks",
                        "<row r=\"1\"><c r=\"A1\" t=\"s\"><v>1</v></c></row><row r=\"2\"><c r=\"A2\" t=\"s\"><v>0</v></c></row>")
                .part("xl/sharedStrings.xml", shared);
        assertEquals(Opened.of("a.xlsx", book.bytes()).lines(), List.of("1: Name", "2: Mill lock"));
    }

    @Test
    public void figuresWrittenAsTextKeepTheirZeros() throws IOException {
        var book = new RawXlsx()
                .sheet("Posts", row(1, "Name", "Postcode") + row(2, "Mill", "01234") + row(3, "Weir", "00420"));
        var opened = Opened.of("a.xlsx", book.bytes());
        assertEquals(opened.columns(), List.of("Name title", "Postcode text"));
    }
}

package org.jontrel.workbook;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.zip.ZipOutputStream;
import org.jontrel.core.finding.Code;
import org.testng.annotations.Test;

/** OpenDocument spreadsheets. */
public class OdsWorkbookTest {
    static byte[] book(String tables, String... more) throws IOException {
        var bytes = new ByteArrayOutputStream();
        try (var zip = new ZipOutputStream(bytes)) {
            RawXlsx.put(zip, "mimetype", "application/vnd.oasis.opendocument.spreadsheet");
            RawXlsx.put(
                    zip,
                    "content.xml",
                    "<office:document-content xmlns:office=\"urn:oasis:names:tc:opendocument:xmlns:office:1.0\" xmlns:table=\"urn:oasis:names:tc:opendocument:xmlns:table:1.0\""
                            + " xmlns:text=\"urn:oasis:names:tc:opendocument:xmlns:text:1.0\" xmlns:style=\"urn:oasis:names:tc:opendocument:xmlns:style:1.0\">"
                            + "<office:automatic-styles><style:style style:name=\"shown\" style:family=\"table\"><style:table-properties table:display=\"true\"/></style:style>"
                            + "<style:style style:name=\"gone\" style:family=\"table\"><style:table-properties table:display=\"false\"/></style:style></office:automatic-styles>"
                            + "<office:body><office:spreadsheet>" + tables
                            + "</office:spreadsheet></office:body></office:document-content>");
            for (int i = 0; i < more.length; i += 2) {
                RawXlsx.put(zip, more[i], more[i + 1]);
            }
        }
        return bytes.toByteArray();
    }

    private static String table(String name, String rows) {
        return "<table:table table:name=\"" + name + "\" table:style-name=\"shown\">" + rows + "</table:table>";
    }

    private static String row(String... cells) {
        return "<table:table-row>" + String.join("", cells) + "</table:table-row>";
    }

    private static String text(String text) {
        return "<table:table-cell office:value-type=\"string\"><text:p>" + text + "</text:p></table:table-cell>";
    }

    private static String cell(String attributes, String shown) {
        return "<table:table-cell " + attributes + "><text:p>" + shown + "</text:p></table:table-cell>";
    }

    @Test
    public void cellsAreReadByTheirKinds() throws IOException {
        var rows = row(
                        text("Name"),
                        text("Rise"),
                        text("Share"),
                        text("Fee"),
                        text("Day"),
                        text("When"),
                        text("Opens"),
                        text("Wet"))
                + row(
                        text("Mill"),
                        cell("office:value-type=\"float\" office:value=\"3.25\"", "3,25"),
                        cell("office:value-type=\"percentage\" office:value=\"0.5\"", "50 %"),
                        cell("office:value-type=\"currency\" office:currency=\"EUR\" office:value=\"12.5\"", "12,50 €"),
                        cell("office:value-type=\"date\" office:date-value=\"2024-03-05\"", "5. 3. 24"),
                        cell("office:value-type=\"date\" office:date-value=\"2024-03-05T09:30:00\"", "x"),
                        cell("office:value-type=\"time\" office:time-value=\"PT09H05M00S\"", "9:05"),
                        cell("office:value-type=\"boolean\" office:boolean-value=\"true\"", "WAHR"));
        var opened = Opened.of("a.ods", book(table("Locks", rows)));
        assertEquals(opened.lines().get(1), "2: Mill|3.25|50|12.5|2024-03-05|2024-03-05T09:30|09:05|Yes");
        assertEquals(
                opened.columns(),
                List.of(
                        "Name title",
                        "Rise number",
                        "Share number",
                        "Fee number",
                        "Day date",
                        "When date_time",
                        "Opens time",
                        "Wet yes_no"));
    }

    @Test
    public void repeatedCellsAndRowsAreCounted() throws IOException {
        var rows = row(
                        text("Name"),
                        "<table:table-cell table:number-columns-repeated=\"2\"/>",
                        text("Rise"),
                        "<table:table-cell table:number-columns-repeated=\"16380\"/>")
                + "<table:table-row table:number-rows-repeated=\"3\"><table:table-cell table:number-columns-repeated=\"16384\"/></table:table-row>"
                + "<table:table-row table:number-rows-repeated=\"2\">" + text("Mill") + "</table:table-row>"
                + "<table:table-row table:number-rows-repeated=\"1048570\"><table:table-cell table:number-columns-repeated=\"16384\"/></table:table-row>";
        var opened = Opened.of("a.ods", book(table("Locks", rows)));
        assertEquals(opened.lines(), List.of("1: Name|||Rise", "5: Mill", "6: Mill"));
    }

    @Test
    public void linesSpacesAndRemarks() throws IOException {
        var cell =
                "<table:table-cell office:value-type=\"string\"><office:annotation><text:p>a remark</text:p></office:annotation>"
                        + "<text:p>one<text:s text:c=\"2\"/>more</text:p><text:p>two<text:line-break/>three</text:p></table:table-cell>";
        var opened =
                Opened.of("a.ods", book(table("Locks", row(text("Name"), text("Note")) + row(text("Mill"), cell))));
        assertEquals(opened.lines().get(1), "2: Mill|one  more\ntwo\nthree");
    }

    @Test
    public void mergedCellsAndHiddenSheets() throws IOException {
        var rows = row(text("Region"), text("Lock"))
                + row(
                        "<table:table-cell office:value-type=\"string\" table:number-rows-spanned=\"2\"><text:p>North</text:p></table:table-cell>",
                        text("Mill"))
                + row("<table:covered-table-cell/>", text("Weir"))
                + row(text("South"), text("Old"));
        var hidden = "<table:table table:name=\"Old\" table:style-name=\"gone\">" + row(text("x")) + "</table:table>";
        var opened = Opened.of("a.ods", book(table("Locks", rows) + hidden));
        assertEquals(opened.lines(), List.of("1: Region|Lock", "2: North|Mill", "3: North|Weir", "4: South|Old"));
        assertEquals(opened.sheets, List.of("Locks", "(Old)"));
        assertEquals(opened.told(), List.of(Code.WORKBOOK_MERGED));
    }

    @Test
    public void formulasWithErrorsOrWithoutResults() throws IOException {
        var rows = row(text("Name"), text("Sum"))
                + row(
                        text("Mill"),
                        cell(
                                "table:formula=\"of:=1/0\" office:value-type=\"string\" office:string-value=\"\"",
                                "#DIV/0!"))
                + row(text("Weir"), "<table:table-cell table:formula=\"of:=[.A1]\"/>");
        var opened = Opened.of("a.ods", book(table("Locks", rows)));
        assertEquals(opened.told(), List.of(Code.WORKBOOK_FORMULA));
        assertTrue(
                opened.findings.getFirst().sentence().contains("B3"),
                opened.findings.getFirst().sentence());
        assertTrue(
                opened.model.sheets().getFirst().notes().getFirst().contains("with an error"),
                opened.model.sheets().getFirst().notes().toString());
    }

    @Test
    public void aProtectedFileIsTold() throws IOException {
        var manifest =
                "<manifest:manifest xmlns:manifest=\"urn:oasis:names:tc:opendocument:xmlns:manifest:1.0\"><manifest:file-entry><manifest:encryption-data/></manifest:file-entry></manifest:manifest>";
        assertEquals(
                Opened.refusal("a.ods", book("", "META-INF/manifest.xml", manifest))
                        .code(),
                Code.WORKBOOK_OLD);
    }

    @Test
    public void macrosAreTold() throws IOException {
        var opened = Opened.of("a.ods", book(table("Locks", row(text("Name"))), "Basic/Standard/Module1.xml", "<x/>"));
        assertEquals(opened.told(), List.of(Code.WORKBOOK_MACROS));
    }

    @Test
    public void brokenContentIsTold() throws IOException {
        assertEquals(Opened.refusal("a.ods", book("<table:table>")).code(), Code.WORKBOOK_BROKEN);
    }
}

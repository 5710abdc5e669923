package org.jontrel.workbook;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** An XLSX file as a test wants it, down to the tags. */
final class RawXlsx {
    private static final String MAIN = "http://schemas.openxmlformats.org/spreadsheetml/2006/main";
    private static final String OFFICE = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
    private final Map<String, String> parts = new LinkedHashMap<>();
    private final StringBuilder sheets = new StringBuilder();
    private final StringBuilder relations = new StringBuilder();
    private String properties = "";
    private String formats = "";
    private String styles = "";
    private int count;

    /** @param rows such as {@code <row r="1"><c r="A1"><v>1</v></c></row>} */
    RawXlsx sheet(String name, String rows) {
        return sheet(name, rows, "", "visible");
    }

    RawXlsx sheet(String name, String rows, String behind, String state) {
        count++;
        parts.put(
                "xl/worksheets/sheet" + count + ".xml",
                "<worksheet xmlns=\"" + MAIN + "\"><sheetData>" + rows + "</sheetData>" + behind + "</worksheet>");
        sheets.append(
                "<sheet name=\"%s\" sheetId=\"%d\" state=\"%s\" r:id=\"rId%d\"/>".formatted(name, count, state, count));
        relations.append("<Relationship Id=\"rId%d\" Type=\"%s/worksheet\" Target=\"worksheets/sheet%d.xml\"/>"
                .formatted(count, OFFICE, count));
        return this;
    }

    RawXlsx from1904() {
        properties = "<workbookPr date1904=\"1\"/>";
        return this;
    }

    /** The styles after the plain one, by the formats they have: {@code s="1"} is the first. */
    RawXlsx formats(String... written) {
        for (int i = 0; i < written.length; i++) {
            var code = written[i].replace("\"", "&quot;");
            formats += "<numFmt numFmtId=\"%d\" formatCode=\"%s\"/>".formatted(170 + i, code);
            styles += "<xf numFmtId=\"%d\" applyNumberFormat=\"1\"/>".formatted(170 + i);
        }
        return this;
    }

    RawXlsx part(String name, String content) {
        parts.put(name, content);
        return this;
    }

    /** A text that stands in its cell. */
    static String text(String place, String text) {
        var escaped = text.replace("&", "&amp;").replace("<", "&lt;");
        return "<c r=\"%s\" t=\"inlineStr\"><is><t xml:space=\"preserve\">%s</t></is></c>".formatted(place, escaped);
    }

    static String number(String place, String value) {
        return "<c r=\"%s\"><v>%s</v></c>".formatted(place, value);
    }

    static String styled(String place, int style, String value) {
        return "<c r=\"%s\" s=\"%d\"><v>%s</v></c>".formatted(place, style, value);
    }

    /** A row of texts from the first column on; those that begin with {@code =} are numbers. */
    static String row(int number, String... cells) {
        var row = new StringBuilder("<row r=\"" + number + "\">");
        for (int i = 0; i < cells.length; i++) {
            var place = (char) ('A' + i) + "" + number;
            row.append(
                    cells[i].isEmpty()
                            ? ""
                            : cells[i].startsWith("=")
                                    ? number(place, cells[i].substring(1))
                                    : cells[i].startsWith("<") ? cells[i] : text(place, cells[i]));
        }
        return row.append("</row>").toString();
    }

    byte[] bytes() {
        var bytes = new ByteArrayOutputStream();
        try (var zip = new ZipOutputStream(bytes)) {
            put(
                    zip,
                    "[Content_Types].xml",
                    "<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\">"
                            + "<Override PartName=\"/xl/workbook.xml\" ContentType=\"application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml\"/>"
                            + "<Override PartName=\"/xl/styles.xml\" ContentType=\"application/vnd.openxmlformats-officedocument.spreadsheetml.styles+xml\"/>"
                            + "<Override PartName=\"/xl/sharedStrings.xml\" ContentType=\"application/vnd.openxmlformats-officedocument.spreadsheetml.sharedStrings+xml\"/></Types>");
            put(
                    zip,
                    "xl/workbook.xml",
                    "<workbook xmlns=\"" + MAIN + "\" xmlns:r=\"" + OFFICE + "\">" + properties + "<sheets>" + sheets
                            + "</sheets></workbook>");
            put(
                    zip,
                    "xl/_rels/workbook.xml.rels",
                    "<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\">" + relations
                            + "</Relationships>");
            put(
                    zip,
                    "xl/styles.xml",
                    "<styleSheet xmlns=\"" + MAIN + "\"><numFmts>" + formats + "</numFmts><cellXfs><xf numFmtId=\"0\"/>"
                            + styles + "</cellXfs></styleSheet>");
            for (var part : parts.entrySet()) {
                put(zip, part.getKey(), part.getValue());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    static void put(ZipOutputStream zip, String name, String content) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(content.getBytes(StandardCharsets.UTF_8));
        zip.closeEntry();
    }
}

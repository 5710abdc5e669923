package org.jontrel.workbook;

import static org.jontrel.workbook.RawXlsx.row;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.jontrel.core.finding.Code;
import org.jontrel.core.sheet.TooLargeWorkbookException;
import org.jontrel.core.work.Deadline;
import org.testng.annotations.Test;

/** Files that are broken, protected, or made to do harm. */
public class HostileWorkbookTest {
    private static byte[] plain() {
        return new RawXlsx()
                .sheet("Locks", row(1, "Name", "Rise") + row(2, "Mill", "=1") + row(3, "Weir", "=2"))
                .bytes();
    }

    @Test
    public void aProtectedOrOldFileIsTold() {
        var compound = new byte[2_048];
        System.arraycopy(new byte[] {(byte) 0xD0, (byte) 0xCF, 0x11, (byte) 0xE0}, 0, compound, 0, 4);
        var refused = Opened.refusal("a.xls", compound);
        assertEquals(refused.code(), Code.WORKBOOK_OLD);
        assertTrue(refused.sentence().contains(".xlsx"));
    }

    @Test
    public void aFileThatIsCutOffIsTold() {
        var whole = plain();
        for (int length = 60; length < whole.length; length += 97) {
            var code = Opened.refusal("a.xlsx", Arrays.copyOf(whole, length)).code();
            assertEquals(code, Code.WORKBOOK_BROKEN, "at " + length);
        }
    }

    @Test
    public void aFileWithChangedBytesIsReadOrTold() throws IOException {
        var chance = new Random(11);
        for (int i = 0; i < 300; i++) {
            var bytes = plain();
            for (int times = 1 + chance.nextInt(4); times > 0; times--) {
                bytes[chance.nextInt(bytes.length)] = (byte) chance.nextInt(256);
            }
            try {
                Opened.of("a.xlsx", bytes);
            } catch (UnreadableWorkbookException e) {
                assertFalse(e.finding().sentence().isBlank());
            }
        }
    }

    @Test
    public void aBombIsNotUnpacked() throws IOException {
        var bytes = new ByteArrayOutputStream();
        var zeros = new byte[1 << 20];
        try (var zip = new ZipOutputStream(bytes)) {
            RawXlsx.put(zip, "xl/workbook.xml", "<workbook/>");
            zip.putNextEntry(new ZipEntry("xl/sharedStrings.xml"));
            for (int i = 0; i < 600; i++) {
                zip.write(zeros);
            }
            zip.closeEntry();
        }
        assertEquals(Opened.refusal("a.xlsx", bytes.toByteArray()).code(), Code.WORKBOOK_TOO_LARGE);
    }

    @Test
    public void aSheetThatBlowsUpIsTold() throws IOException {
        var spaces = " ".repeat(1 << 20);
        var rows = new StringBuilder(row(1, "Name"));
        for (int i = 0; i < 100; i++) {
            rows.append(spaces);
        }
        assertEquals(
                Opened.refusal(
                                "a.xlsx",
                                new RawXlsx().sheet("Locks", rows.toString()).bytes())
                        .code(),
                Code.WORKBOOK_TOO_LARGE);
    }

    @Test
    public void aCellFarOutsideIsTold() {
        for (var place : new String[] {"ZZZZZZ1", "A99999999999", "XFE1", "AAAA1", "1A", "A0", ""}) {
            var book = new RawXlsx().sheet("Locks", "<row r=\"1\"><c r=\"" + place + "\"><v>1</v></c></row>");
            var refused = Opened.refusal("a.xlsx", book.bytes());
            assertEquals(refused.code(), Code.WORKBOOK_OUTSIDE, place);
            assertTrue(refused.sentence().contains("Locks"), refused.sentence());
        }
    }

    @Test
    public void entitiesReadNoOtherFileAndDoNotGrow() {
        var entities =
                "<?xml version=\"1.0\"?><!DOCTYPE w [<!ENTITY a \"xxxxxxxxxx\"><!ENTITY b \"&a;&a;&a;&a;\"><!ENTITY c SYSTEM \"file:///etc/passwd\">]>";
        for (var entity : new String[] {"&b;", "&c;"}) {
            var sheet = entities
                    + "<worksheet xmlns=\"http://schemas.openxmlformats.org/spreadsheetml/2006/main\"><sheetData><row r=\"1\"><c r=\"A1\" t=\"inlineStr\"><is><t>"
                    + entity + "</t></is></c></row></sheetData></worksheet>";
            var book = new RawXlsx().sheet("Locks", "").part("xl/worksheets/sheet1.xml", sheet);
            try {
                assertFalse(Opened.of("a.xlsx", book.bytes()).lines().toString().contains("root"));
            } catch (IOException e) {
                assertTrue(e instanceof UnreadableWorkbookException, e.toString());
            }
        }
    }

    @Test
    public void anArchiveOfSomethingElseIsTold() throws IOException {
        var bytes = new ByteArrayOutputStream();
        try (var zip = new ZipOutputStream(bytes)) {
            RawXlsx.put(zip, "readme.txt", "hello");
        }
        assertEquals(Opened.refusal("a.zip", bytes.toByteArray()).code(), Code.WORKBOOK_NONE);
    }

    @Test
    public void theBinaryFormatIsTold() throws IOException {
        var bytes = new ByteArrayOutputStream();
        try (var zip = new ZipOutputStream(bytes)) {
            RawXlsx.put(zip, "xl/workbook.bin", "x");
        }
        assertEquals(Opened.refusal("a.xlsb", bytes.toByteArray()).code(), Code.WORKBOOK_BINARY);
    }

    @Test
    public void aWorkbookWithoutASheetHasNone() throws IOException {
        var opened = Opened.of("a.xlsx", new RawXlsx().bytes());
        assertEquals(opened.sheets.size(), 0);
    }

    @Test
    public void aSheetThatIsMissingIsTold() {
        var book = new String(plain(), StandardCharsets.ISO_8859_1)
                .replace("xl/worksheets/sheet1.xml", "xl/worksheets/sheet9.xml");
        assertEquals(
                Opened.refusal("a.xlsx", book.getBytes(StandardCharsets.ISO_8859_1))
                        .code(),
                Code.WORKBOOK_BROKEN);
    }

    @Test
    public void whatTakesTooLongIsGivenUp() throws IOException {
        var ods = OdsWorkbookTest.book("<table:table table:name=\"Locks\"><table:table-row/></table:table>");
        for (var bytes : List.of("Name;Rise\nMill;1\n".getBytes(StandardCharsets.UTF_8), plain(), ods)) {
            Deadline.set(Duration.ZERO);
            try {
                expectThrows(Deadline.Passed.class, () -> Opened.of("a", bytes));
            } finally {
                Deadline.clear();
            }
            assertEquals(Opened.of("a", bytes).sheets.size(), 1);
        }
    }

    @Test
    public void moreSheetsThanAnybodyLooksAtAreTold() {
        var book = new RawXlsx();
        for (int i = 0; i < 101; i++) {
            book.sheet("S" + i, row(1, "Name") + row(2, "x"));
        }
        var refused = expectThrows(TooLargeWorkbookException.class, () -> Opened.of("a.xlsx", book.bytes()));
        assertEquals(refused.most() + " " + refused.of(), "100 sheets");
    }
}

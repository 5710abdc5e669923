package org.jontrel.workbook;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import org.dhatim.fastexcel.reader.ExcelReaderException;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.ReadingOptions;
import org.dhatim.fastexcel.reader.Row;
import org.dhatim.fastexcel.reader.SheetVisibility;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.sheet.Cell;
import org.jontrel.core.sheet.Sheet;
import org.jontrel.core.sheet.SheetRow;

/** Office Open XML (ECMA-376). Of formulas the results are read as they were saved; macros and links to other files are left alone. */
final class XlsxWorkbook extends Workbook {
    private static final long MOST_TEXTS = 400L << 20;
    private final PackedFile packed;
    private final ReadableWorkbook workbook;
    private final String name;

    private XlsxWorkbook(PackedFile packed, ReadableWorkbook workbook, String name) {
        this.packed = packed;
        this.workbook = workbook;
        this.name = name;
    }

    static XlsxWorkbook of(PackedFile packed, Path file, String name) throws IOException {
        for (var part : packed.names()) {
            // the library reads these whole
            if (part.startsWith("xl/") && part.endsWith(".xml") && !part.startsWith("xl/worksheets/")) {
                try (var in = packed.stream(part, MOST_TEXTS)) {
                    in.transferTo(java.io.OutputStream.nullOutputStream());
                }
            }
        }
        ReadableWorkbook workbook;
        try {
            workbook = new ReadableWorkbook(file.toFile(), new ReadingOptions(hasFormats(packed), true));
        } catch (IOException | RuntimeException e) {
            throw PackedFile.broken(name, e);
        }
        var made = new XlsxWorkbook(packed, workbook, name);
        try {
            made.begin();
        } catch (IOException | RuntimeException e) {
            workbook.close();
            throw PackedFile.broken(name, e);
        }
        return made;
    }

    /** The library looks for the formats of cells where the list of parts names them, and nowhere else. */
    private static boolean hasFormats(PackedFile packed) throws IOException {
        try (var in = packed.stream("[Content_Types].xml", MOST_TEXTS)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).contains("spreadsheetml.styles+xml");
        }
    }

    private void begin() throws IOException {
        var parts = parts();
        workbook.getSheets().forEach(sheet -> {
            // charts have sheets of their own, without rows
            var part = parts.get(sheet.getId());
            if (part != null && part.contains("worksheets/")) {
                sheets.add(new XlsxSheet(sheet, part));
            }
        });
        if (packed.has("xl/vbaProject.bin")) {
            findings.add(Finding.of(Code.WORKBOOK_MACROS, Place.file(name), name));
        }
        if (packed.hasUnder("xl/externalLinks/")) {
            findings.add(Finding.of(Code.WORKBOOK_LINKS, Place.file(name), name));
        }
    }

    /** Where in the archive each sheet is, by the id of its relationship. */
    private Map<String, String> parts() throws IOException {
        var parts = new HashMap<String, String>();
        try (var in = packed.stream("xl/_rels/workbook.xml.rels")) {
            var xml = packed.xml(in);
            while (xml.hasNext()) {
                if (xml.next() == XMLStreamConstants.START_ELEMENT
                        && xml.getLocalName().equals("Relationship")) {
                    var target = String.valueOf(xml.getAttributeValue(null, "Target"));
                    parts.put(
                            xml.getAttributeValue(null, "Id"),
                            target.startsWith("/") ? target.substring(1) : "xl/" + target);
                }
            }
            return parts;
        } catch (IOException | XMLStreamException e) {
            throw PackedFile.broken(name, e);
        }
    }

    @Override
    public void close() throws IOException {
        workbook.close();
        packed.close();
    }

    private final class XlsxSheet implements Sheet {
        private final org.dhatim.fastexcel.reader.Sheet sheet;
        private final String part;
        private SheetOutline outline;

        XlsxSheet(org.dhatim.fastexcel.reader.Sheet sheet, String part) {
            this.sheet = sheet;
            this.part = part;
        }

        @Override
        public String file() {
            return name;
        }

        @Override
        public String name() {
            return sheet.getName();
        }

        @Override
        public boolean hidden() {
            return sheet.getVisibility() != SheetVisibility.VISIBLE;
        }

        @Override
        public void read(Consumer<SheetRow> rows) throws IOException {
            boolean first = outline == null;
            if (first) {
                outline = SheetOutline.of(packed, part, name, name());
            }
            var merging = new Merging(outline);
            var cells = new XlsxCells(workbook.isDate1904());
            try (var stream = sheet.openStream()) {
                stream.forEach(row -> {
                    var read = merging.row(row.getRowNum(), cells(cells, row));
                    if (!read.isEmpty()) {
                        rows.accept(read);
                    }
                });
            } catch (IOException | ExcelReaderException | IllegalArgumentException | IndexOutOfBoundsException e) {
                throw PackedFile.broken(name, e);
            }
            if (first) {
                tell(cells, merging);
            }
        }

        private void tell(XlsxCells cells, Merging merging) {
            if (cells.unknown() > 0) {
                findings.add(Finding.of(
                        Code.WORKBOOK_FORMULA, Place.file(name), name, name(), cells.unknown(), cells.firstUnknown()));
            }
            if (merging.filled() > 0) {
                findings.add(Finding.of(Code.WORKBOOK_MERGED, Place.file(name), name, name(), merging.filled()));
            }
        }

        private static List<Cell> cells(XlsxCells cells, Row row) {
            var read = new ArrayList<Cell>(row.getCellCount());
            int width = 0;
            for (var cell : row) {
                var each = cell == null ? Cell.EMPTY : cells.read(cell, row.getRowNum());
                read.add(each);
                width = each.isEmpty() ? width : read.size();
            }
            return read.subList(0, width);
        }
    }
}

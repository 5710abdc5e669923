package org.jontrel.server.importer;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Consumer;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.dhatim.fastexcel.Workbook;
import org.jontrel.core.importer.CellReader;
import org.jontrel.core.importer.ColumnNames;
import org.jontrel.core.sheet.SheetFacts;
import org.jontrel.site.importer.Imports;
import org.jontrel.site.importer.OpenedImport;
import org.jontrel.site.importer.row.ImportRows;
import org.jontrel.site.importer.row.RowOutcome;

/**
 * The rows of an import that could not be brought, with their reasons in a last column, as a workbook that can be corrected and brought
 * again by the same mapping.
 */
record FailedRows(Imports imports, OpenedImport opened) {
    private static final String WHY = "Why it was not brought";
    private static final int FLUSHED = 1_000;

    void csv(int sheet, OutputStream out) throws IOException {
        var printer = new CSVPrinter(new OutputStreamWriter(out, StandardCharsets.UTF_8), CSVFormat.RFC4180);
        var facts = opened.facts().sheets().get(sheet);
        printer.printRecord(heads(facts));
        each(sheet, row -> {
            try {
                printer.printRecord(cells(facts, row));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
        printer.flush();
    }

    /** Each sheet with such rows, under its name. */
    void xlsx(OutputStream out) throws IOException {
        try (var book = new Workbook(out, "Jontrel", "1.0")) {
            for (int i = 0; i < opened.facts().sheets().size(); i++) {
                boolean any = opened.outcomes().getOrDefault(i, Map.of()).getOrDefault(RowOutcome.FAILED, 0L) > 0;
                if (any) {
                    sheet(book, i);
                }
            }
        }
    }

    private void sheet(Workbook book, int index) {
        var facts = opened.facts().sheets().get(index);
        var sheet = book.newWorksheet(facts.name());
        var heads = heads(facts);
        for (int i = 0; i < heads.size(); i++) {
            sheet.inlineString(0, i, heads.get(i));
        }
        int[] at = {1};
        each(index, row -> {
            var cells = cells(facts, row);
            for (int i = 0; i < cells.size(); i++) {
                if (!cells.get(i).isEmpty()) {
                    sheet.inlineString(at[0], i, cells.get(i));
                }
            }
            if (++at[0] % FLUSHED == 0) {
                try {
                    sheet.flush();
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                }
            }
        });
    }

    private static List<String> heads(SheetFacts facts) {
        var heads = new ArrayList<>(new TreeMap<>(ColumnNames.of(facts)).values());
        heads.add(WHY);
        return heads;
    }

    private static List<String> cells(SheetFacts facts, ImportRows.ShownRow row) {
        var cells = new ArrayList<String>();
        for (int column : new TreeMap<>(ColumnNames.of(facts)).keySet()) {
            var text = column < row.cells().size() ? row.cells().get(column) : "";
            cells.add(text.startsWith(CellReader.ERROR) ? text.substring(1) : text);
        }
        cells.add(String.join(
                " ",
                row.problems().stream()
                        .map(each -> each.finding().sentence())
                        .distinct()
                        .toList()));
        return cells;
    }

    private void each(int sheet, Consumer<ImportRows.ShownRow> taking) {
        int after = 0;
        var some = imports.rows(opened.view().id(), sheet, RowOutcome.FAILED, after, ImportRows.MOST);
        while (!some.isEmpty()) {
            some.forEach(taking);
            after = some.getLast().number();
            some = imports.rows(opened.view().id(), sheet, RowOutcome.FAILED, after, ImportRows.MOST);
        }
    }
}

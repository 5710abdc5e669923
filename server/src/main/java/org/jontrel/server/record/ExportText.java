package org.jontrel.server.record;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.dhatim.fastexcel.Workbook;
import org.jontrel.core.record.CellForms;
import org.jontrel.core.record.Values;
import tools.jackson.databind.json.JsonMapper;

/** Records as lines of a file. */
final class ExportText {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int MOST_SHEET_ROWS = 1_048_575;

    private ExportText() {}

    static void csv(ExportFile.ExportSource source, OutputStream out) throws IOException {
        var fields = source.fields();
        var writer = new OutputStreamWriter(out, StandardCharsets.UTF_8);
        var printer = new CSVPrinter(writer, CSVFormat.RFC4180);
        printer.printRecord(ExportFile.heads(fields));
        ExportFile.each(
                source,
                (record, known) -> printer.printRecord(ExportFile.cells(record, fields, known).stream()
                        .map(CellForms::harmless)
                        .toList()));
        printer.flush();
    }

    static void xlsx(ExportFile.ExportSource source, OutputStream out) throws IOException {
        var fields = source.fields();
        try (var book = new Workbook(out, "Jontrel", "1.0")) {
            var sheet = book.newWorksheet(source.recordType().key());
            var heads = ExportFile.heads(fields);
            for (int i = 0; i < heads.size(); i++) {
                sheet.inlineString(0, i, heads.get(i));
            }
            int[] row = {1};
            ExportFile.each(source, (record, known) -> {
                if (row[0] > MOST_SHEET_ROWS) {
                    return;
                }
                var cells = ExportFile.cells(record, fields, known);
                for (int i = 0; i < cells.size(); i++) {
                    var value =
                            i < 3 ? null : record.values().get(fields.get(i - 3).id());
                    if (value instanceof java.math.BigDecimal number) {
                        sheet.value(row[0], i, number);
                    } else if (!cells.get(i).isEmpty()) {
                        // within the sheet: a table of all texts would have to be kept until the end
                        sheet.inlineString(row[0], i, CellForms.shortened(cells.get(i)));
                    }
                }
                if (++row[0] % 1_000 == 0) {
                    sheet.flush();
                }
            });
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
    }

    static void lines(ExportFile.ExportSource source, OutputStream out) throws IOException {
        var fields = source.fields();
        var writer = new OutputStreamWriter(out, StandardCharsets.UTF_8);
        ExportFile.each(source, (record, _) -> {
            var line = new LinkedHashMap<String, Object>();
            line.put("id", record.id());
            line.put("slug", record.slug());
            line.put("state", record.state().code());
            line.put("values", Values.wire(fields, record.values()));
            writer.write(JSON.writeValueAsString(line));
            writer.write('\n');
        });
        writer.flush();
    }
}

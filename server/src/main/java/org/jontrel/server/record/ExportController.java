package org.jontrel.server.record;

import static org.jontrel.server.record.Holders.SORTS;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.dhatim.fastexcel.Workbook;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.Values;
import org.jontrel.server.web.Refusal;
import org.jontrel.site.record.ListQuery;
import org.jontrel.site.record.StoredRecord;
import org.springframework.http.ContentDisposition;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import tools.jackson.databind.json.JsonMapper;

/** What a list shows, as a file: read page by page, so that it may be of any length. */
@RestController
@RequestMapping("/api/sites/{site}/" + SORTS + "/{key}")
class ExportController {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int MOST_SHEET_ROWS = 1_048_575;
    private final Holders holders;

    ExportController(Holders holders) {
        this.holders = holders;
    }

    @GetMapping("/export.{format:csv|xlsx|jsonl}")
    ResponseEntity<StreamingResponseBody> export(
            @PathVariable String site,
            @PathVariable String sort,
            @PathVariable String key,
            @PathVariable String format,
            @RequestParam(defaultValue = "") String where,
            @RequestParam(defaultValue = "") String search,
            @RequestParam(defaultValue = "") String order,
            @RequestParam(defaultValue = "") String fields) {
        var at = holders.at(site, sort, key);
        var query = ListController.query(where, search, order, fields).most(ListQuery.MOST);
        ListController.asked(() -> at.engine().records().page(at.id(), query.most(1)));
        var wanted = at.table()
                .holder()
                .fields()
                .filter(field -> query.fields() == null || query.fields().contains(field.id()))
                .filter(field -> field.kind().holdsValue())
                .toList();
        StreamingResponseBody body =
                switch (format) {
                    case "csv" -> out -> csv(at, query, wanted, out);
                    case "xlsx" -> out -> xlsx(at, query, wanted, out);
                    case "jsonl" -> out -> lines(at, query, wanted, out);
                    default -> throw Refusal.missing("There is no export as " + format + ".");
                };
        var type =
                switch (format) {
                    case "csv" -> "text/csv; charset=utf-8";
                    case "xlsx" -> "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";
                    default -> "application/jsonl; charset=utf-8";
                };
        return ResponseEntity.ok()
                .header("Content-Type", type)
                .header(
                        "Content-Disposition",
                        ContentDisposition.attachment()
                                .filename(site + "-" + key + "." + format)
                                .build()
                                .toString())
                .body(body);
    }

    private interface Taking {
        void take(StoredRecord record, Known known) throws IOException;
    }

    private static void each(Holders.At at, ListQuery query, Taking taking) throws IOException {
        var next = query;
        while (true) {
            var page = at.engine().records().page(at.id(), next).orElseThrow();
            var values = page.records().stream().map(StoredRecord::values).toList();
            var known = Known.of(at.site(), at.engine(), at.table().holder(), values);
            for (var record : page.records()) {
                taking.take(record, known);
            }
            if (page.next().isEmpty()) {
                return;
            }
            next = next.after(page.next());
        }
    }

    private static List<String> heads(List<Field> fields) {
        var heads = new ArrayList<>(List.of("Number", "State", "Address"));
        fields.forEach(field -> heads.add(field.label()));
        return heads;
    }

    private static List<String> cells(StoredRecord record, List<Field> fields, Known known) {
        var cells = new ArrayList<>(
                List.of(String.valueOf(record.id()), record.state().code(), record.slug()));
        for (var field : fields) {
            var value = record.values().get(field.id());
            cells.add(value == null ? "" : plain(field, value, known));
        }
        return cells;
    }

    /** Numbers without their unit, so that they stay numbers. */
    private static String plain(Field field, Object value, Known known) {
        return field.kind() instanceof Kind.Numeric
                ? String.valueOf(Values.wire(field.kind(), value))
                : known.show(field, value);
    }

    /** A cell that a spreadsheet would take for a formula gets an apostrophe before it, and stays text. */
    static String harmless(String text) {
        boolean number = text.matches("[-+]?[0-9]+([.][0-9]+)?");
        return !number && !text.isEmpty() && "=+-@\t\r".indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
    }

    private static void csv(Holders.At at, ListQuery query, List<Field> fields, OutputStream out) throws IOException {
        var writer = new OutputStreamWriter(out, StandardCharsets.UTF_8);
        var printer = new CSVPrinter(writer, CSVFormat.RFC4180);
        printer.printRecord(heads(fields));
        each(
                at,
                query,
                (record, known) -> printer.printRecord(cells(record, fields, known).stream()
                        .map(ExportController::harmless)
                        .toList()));
        printer.flush();
    }

    private static void xlsx(Holders.At at, ListQuery query, List<Field> fields, OutputStream out) throws IOException {
        try (var book = new Workbook(out, "Jontrel", "1.0")) {
            var sheet = book.newWorksheet(at.table().holder().key());
            var heads = heads(fields);
            for (int i = 0; i < heads.size(); i++) {
                sheet.value(0, i, heads.get(i));
            }
            int[] row = {1};
            each(at, query, (record, known) -> {
                if (row[0] > MOST_SHEET_ROWS) {
                    return;
                }
                var cells = cells(record, fields, known);
                for (int i = 0; i < cells.size(); i++) {
                    var value =
                            i < 3 ? null : record.values().get(fields.get(i - 3).id());
                    if (value instanceof java.math.BigDecimal number) {
                        sheet.value(row[0], i, number);
                    } else if (!cells.get(i).isEmpty()) {
                        sheet.value(row[0], i, shortened(cells.get(i)));
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

    /** A cell of a spreadsheet holds so many characters. */
    private static String shortened(String text) {
        return text.length() > 32_767 ? text.substring(0, 32_766) + "…" : text;
    }

    private static void lines(Holders.At at, ListQuery query, List<Field> fields, OutputStream out) throws IOException {
        var writer = new OutputStreamWriter(out, StandardCharsets.UTF_8);
        each(at, query, (record, _) -> {
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

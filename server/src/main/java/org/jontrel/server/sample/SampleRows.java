package org.jontrel.server.sample;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.importer.ImportMapping;
import org.jontrel.core.importer.SheetMapping;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.sheet.Sheet;
import org.jontrel.serve.web.Refusal;
import org.jontrel.site.importer.Imports;
import org.jontrel.site.media.Bytes;
import org.jontrel.workbook.Workbook;
import org.springframework.stereotype.Component;

/** Sends the rows and pictures of a sample to a site. */
@Component
class SampleRows {
    /** The number of the import that they wait in. */
    long send(Imports imports, SampleModel sample, String author) throws IOException {
        var folder = Files.createTempDirectory("jontrel-sample");
        var paths = new ArrayList<Path>();
        var opened = new ArrayList<Workbook>();
        try {
            var sheets = new ArrayList<Sheet>();
            for (var each : sample.rows().entrySet()) {
                var path = Files.write(folder.resolve(each.getKey() + ".csv"), each.getValue());
                paths.add(path);
                var workbook = Workbook.open(path, each.getKey() + ".csv");
                opened.add(workbook);
                sheets.addAll(workbook.sheets());
            }
            long id = imports.create(sample.title(), sheets, null, List::of, author);
            map(imports, id, sheets);
            for (var picture : sample.pictures().entrySet()) {
                imports.files(id).add(picture.getKey(), Bytes.of(picture.getValue()), author);
            }
            return id;
        } finally {
            for (var each : opened) {
                each.close();
            }
            for (var each : paths) {
                Files.deleteIfExists(each);
            }
            Files.deleteIfExists(folder);
        }
    }

    /** Each sheet says by its name whose records, or whose rows, it has. */
    private static void map(Imports imports, long id, List<Sheet> sheets) {
        var mapped = new ArrayList<SheetMapping>();
        for (int i = 0; i < sheets.size(); i++) {
            mapped.add(mapping(imports, id, i, sheets.get(i).name())
                    .orElse(SheetMapping.skipped(sheets.get(i).name())));
        }
        if (mapped.stream().allMatch(each -> each.use() == SheetMapping.SheetUse.SKIP)) {
            imports.delete(id);
            throw Refusal.conflict(
                    "This site has none of the types of this sample. Take them into the draft, release and install them first.",
                    null);
        }
        imports.map(id, imports.open(id).orElseThrow().view().revision(), new ImportMapping(mapped));
    }

    private static Optional<SheetMapping> mapping(Imports imports, long id, int sheet, String name) {
        int dot = name.indexOf('.');
        var type = dot < 0 ? name : name.substring(0, dot);
        var use = dot < 0 ? SheetMapping.SheetUse.RECORDS : SheetMapping.SheetUse.ROWS;
        return imports.propose(id, sheet, use, type).map(each -> dot < 0 ? each.state(RecordState.PUBLISHED) : each);
    }
}

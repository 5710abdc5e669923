package org.jontrel.site.importer;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.importer.ImportMapping;
import org.jontrel.core.sheet.Sheet;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;

/** A site with an orchard, and what tests of imports do with it. */
abstract class ImportingTest {
    TestSite site;
    Imports imports;

    @BeforeMethod
    void open() {
        site = TestSite.open();
        site.install("1.0.0", Orchard.model());
        imports = site.site().imports();
    }

    @AfterMethod
    void close() {
        site.close();
    }

    long create(Sheet... sheets) {
        return create(null, sheets);
    }

    long create(ImportMapping mapping, Sheet... sheets) {
        try {
            return imports.create("test", List.of(sheets), mapping, List::of, "anna");
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    static void work(ImportOutcome outcome) {
        assertTrue(outcome instanceof ImportOutcome.ImportStarted, outcome.toString());
        ((ImportOutcome.ImportStarted) outcome).work().run();
    }

    void tryOut(long id) {
        work(imports.tryOut(id));
        assertEquals(view(id).state(), ImportState.TRIED, view(id).message());
    }

    void run(long id) {
        work(imports.run(id));
        assertEquals(view(id).state(), ImportState.DONE, view(id).message());
    }

    void undo(long id) {
        work(imports.undo(id));
        assertEquals(view(id).state(), ImportState.UNDONE, view(id).message());
    }

    ImportView view(long id) {
        return imports.find(id).orElseThrow();
    }

    /** As {@code new 2, failed 1}. */
    String outcomes(long id, int sheet) {
        var told = new ArrayList<String>();
        imports.open(id)
                .orElseThrow()
                .outcomes()
                .getOrDefault(sheet, Map.of())
                .forEach((outcome, rows) -> told.add(outcome.code() + " " + rows));
        return String.join(", ", told);
    }

    /** Each problem with its row and column. */
    List<String> problems(long id, int sheet) {
        return imports.rows(id, sheet, null, 0, 500).stream()
                .flatMap(row -> row.problems().stream()
                        .map(each -> row.number() + " " + each.column() + " "
                                + each.finding().code() + " " + each.finding().sentence()))
                .toList();
    }

    Map<String, StoredRecord> byTitle(String type) {
        var all = new LinkedHashMap<String, StoredRecord>();
        site.site()
                .records()
                .page(type, ListQuery.ALL.most(500))
                .orElseThrow()
                .records()
                .forEach(record -> all.put(record.title(), record));
        return all;
    }
}

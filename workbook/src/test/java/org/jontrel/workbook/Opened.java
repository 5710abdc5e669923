package org.jontrel.workbook;

import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.propose.Choices;
import org.jontrel.core.propose.ProposedColumn;
import org.jontrel.core.propose.ProposedModel;
import org.jontrel.core.propose.Proposing;
import org.jontrel.core.sheet.Cell;
import org.jontrel.core.sheet.SheetRow;
import org.jontrel.core.sheet.WorkbookProfile;

/** What came of opening a workbook: its rows, what was told of it, and what model it gives. */
final class Opened {
    final List<String> sheets = new ArrayList<>();
    final List<List<SheetRow>> rows = new ArrayList<>();
    final List<Finding> findings = new ArrayList<>();
    ProposedModel model;

    static Opened of(String name, byte[] bytes) throws IOException {
        var file = Files.createTempFile("jontrel-workbook", ".file");
        try {
            Files.write(file, bytes);
            return of(name, file);
        } finally {
            Files.delete(file);
        }
    }

    static Opened of(String name, String text, Charset charset) throws IOException {
        return of(name, text.getBytes(charset));
    }

    private static Opened of(String name, Path file) throws IOException {
        var opened = new Opened();
        try (var workbook = Workbook.open(file, name)) {
            for (var sheet : workbook.sheets()) {
                opened.sheets.add(sheet.hidden() ? "(" + sheet.name() + ")" : sheet.name());
                var read = new ArrayList<SheetRow>();
                sheet.read(read::add);
                opened.rows.add(read);
            }
            var facts = WorkbookProfile.of(workbook.sheets());
            opened.model = Proposing.of(facts, Choices.NONE, Model.EMPTY, new Ids(new Random(5)));
            opened.findings.addAll(workbook.findings());
        }
        return opened;
    }

    /** Why the file cannot be read. */
    static Finding refusal(String name, byte[] bytes) {
        var refused = expectThrows(UnreadableWorkbookException.class, () -> of(name, bytes));
        assertTrue(
                refused.finding().sentence().contains(name), refused.finding().sentence());
        return refused.finding();
    }

    /** The texts of the first sheet, cells with bars between. */
    List<String> lines() {
        return lines(0);
    }

    List<String> lines(int sheet) {
        return rows.get(sheet).stream()
                .map(row -> row.number() + ": "
                        + String.join("|", row.cells().stream().map(Cell::text).toList()))
                .toList();
    }

    List<Code> told() {
        return findings.stream().map(Finding::code).toList();
    }

    /** What the columns of the first sheet become. */
    List<String> columns() {
        return columns(0);
    }

    List<String> columns(int sheet) {
        return model.sheets().get(sheet).columns().stream().map(Opened::said).toList();
    }

    private static String said(ProposedColumn column) {
        var what = column.use().code().equals("field") && column.field() != null
                ? column.field().kind().code()
                : column.use().code();
        return column.label() + " " + what;
    }
}

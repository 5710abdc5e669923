package org.jontrel.site.importer.row;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.jontrel.core.importer.CellReader;
import org.jontrel.core.sheet.Cell;
import org.jontrel.core.sheet.CellSort;
import org.jontrel.core.sheet.Sheet;
import org.jontrel.core.sheet.SheetRow;
import org.jontrel.core.sheet.WorkbookFacts;
import org.jontrel.core.sheet.WorkbookProfile;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Jdbc;

/** Puts the rows of sheets into the site's own tables while they are looked at, so that each file is read once. */
public final class Staging {
    private static final int TOGETHER = 1_000;
    private static final int MOST_COLUMNS = 400;
    /** Characters of the rows that go in one transaction, and of one row. */
    private static final int MOST_LETTERS = 1_000_000;

    private final Database database;
    private final long id;
    private final List<List<Object>> waiting = new ArrayList<>();
    private long letters;

    public Staging(Database database, long id) {
        this.database = database;
        this.id = id;
    }

    /** What was seen in sheets whose rows are staged. */
    public record StagedSheets(WorkbookFacts facts, long rows) {}

    public StagedSheets stage(List<Sheet> sheets) throws IOException {
        var told = new ArrayList<Sheet>();
        for (int i = 0; i < sheets.size(); i++) {
            told.add(new StagedSheet(i, sheets.get(i)));
        }
        var facts = WorkbookProfile.of(told);
        store();
        database.transaction(session -> {
            for (int i = 0; i < facts.sheets().size(); i++) {
                // what stands above the first row is no record
                Jdbc.update(
                        session.getConnection(),
                        "DELETE FROM jontrel_import_row WHERE import_id = ? AND sheet = ? AND number <= ?",
                        id,
                        i,
                        facts.sheets().get(i).header());
            }
            return null;
        });
        long rows = database.transaction(session -> Jdbc.number(
                session.getConnection(), "SELECT COUNT(*) FROM jontrel_import_row WHERE import_id = ?", id));
        return new StagedSheets(facts, rows);
    }

    /** A sheet of which each row is staged when it is read first. */
    private final class StagedSheet implements Sheet {
        private final int index;
        private final Sheet sheet;
        private boolean again;

        StagedSheet(int index, Sheet sheet) {
            this.index = index;
            this.sheet = sheet;
        }

        @Override
        public String file() {
            return sheet.file();
        }

        @Override
        public String name() {
            return sheet.name();
        }

        @Override
        public boolean hidden() {
            return sheet.hidden();
        }

        @Override
        public void read(Consumer<SheetRow> rows) throws IOException {
            boolean first = !again;
            again = true;
            sheet.read(row -> {
                if (first && !row.isEmpty()) {
                    take(index, row);
                }
                rows.accept(row);
            });
        }
    }

    private void take(int sheet, SheetRow row) {
        var cells = row.cells().stream().limit(MOST_COLUMNS).map(Staging::text).toList();
        long length = cells.stream().mapToLong(String::length).sum();
        if (length > MOST_LETTERS) {
            cells = cells.stream()
                    .map(each -> each.length() > MOST_LETTERS / MOST_COLUMNS
                            ? CellReader.ERROR + "more than a million letters in the row"
                            : each)
                    .toList();
        }
        waiting.add(List.of(id, sheet, row.number(), MappingText.cells(cells)));
        letters += length;
        if (waiting.size() >= TOGETHER || letters > MOST_LETTERS) {
            store();
        }
    }

    private static String text(Cell cell) {
        return cell.sort() == CellSort.ERROR ? CellReader.ERROR + cell.text() : cell.text();
    }

    private void store() {
        var rows = List.copyOf(waiting);
        waiting.clear();
        letters = 0;
        database.transaction(session -> {
            new StagedRows(session.getConnection(), id).insert(rows);
            return null;
        });
    }
}

package org.jontrel.core.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;

/** A sheet that a test writes: rows of texts. */
public record WrittenSheet(String file, String name, boolean hidden, List<List<String>> rows) implements Sheet {
    public static WrittenSheet of(String name, List<List<String>> rows) {
        return new WrittenSheet("planned.xlsx", name, false, rows);
    }

    /** Lines with bars between cells. */
    public static WrittenSheet of(String name, String text) {
        return of(
                name,
                text.lines().map(line -> List.of(line.split("\\s*\\|\\s*", -1))).toList());
    }

    /** @param lines each a row, with bars between its cells */
    public static WrittenSheet rows(String name, String... lines) {
        return of(name, String.join("\n", lines));
    }

    @Override
    public void read(Consumer<SheetRow> to) {
        for (int i = 0; i < rows.size(); i++) {
            var cells = new ArrayList<Cell>();
            rows.get(i).forEach(each -> cells.add(Cell.text(each)));
            var row = new SheetRow(i + 1, cells);
            if (!row.isEmpty()) {
                to.accept(row);
            }
        }
    }
}

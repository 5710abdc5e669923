package org.jontrel.site.testing;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.jontrel.core.sheet.Cell;
import org.jontrel.core.sheet.Sheet;
import org.jontrel.core.sheet.SheetRow;

/** A sheet with the texts that a test writes. */
public record TestSheet(String name, List<List<String>> lines) implements Sheet {
    /** @param lines each a row, with bars between its cells */
    public static TestSheet of(String name, String... lines) {
        var rows = new ArrayList<List<String>>();
        for (var line : lines) {
            rows.add(List.of(line.split("\\|", -1)).stream().map(String::strip).toList());
        }
        return new TestSheet(name, rows);
    }

    @Override
    public String file() {
        return "test.csv";
    }

    @Override
    public boolean hidden() {
        return false;
    }

    @Override
    public void read(Consumer<SheetRow> rows) {
        for (int i = 0; i < lines.size(); i++) {
            rows.accept(
                    new SheetRow(i + 1, lines.get(i).stream().map(Cell::text).toList()));
        }
    }
}

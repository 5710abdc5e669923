package org.jontrel.core.sheet;

import java.util.ArrayList;
import java.util.List;
import org.jontrel.core.work.Deadline;

/** Looks at the rows of one sheet, one after the other: first for those that name its columns, then at each column. */
final class SheetProfile {
    /** More columns than this are no model, and no database has tables for them. */
    static final int MOST_COLUMNS = 400;

    static final int MOST_KEPT = 1_000;
    private static final int MOST_KEPT_COLUMNS = 5;
    private static final int MOST_LETTERS = 100_000;

    private final Fingerprints.Budget budget;
    private final List<ColumnProfile> columns = new ArrayList<>();
    private final List<SheetRow> waiting = new ArrayList<>();
    private HeaderRows header;
    private SheetRow names = new SheetRow(0, List.of());
    private int above;
    private int widest;
    private long rows;
    private final List<List<String>> kept = new ArrayList<>();
    private boolean keeps = true;
    private int letters;

    SheetProfile(Fingerprints.Budget budget) {
        this.budget = budget;
    }

    void see(SheetRow row) {
        Deadline.check();
        widest = Math.max(widest, row.cells().size());
        if (header != null) {
            count(row);
            return;
        }
        waiting.add(row);
        if (waiting.size() >= HeaderRows.LOOKED_AT) {
            begin();
        }
    }

    private void begin() {
        header = HeaderRows.of(waiting);
        int at = header.header();
        if (at >= 0) {
            names = waiting.get(at);
            above = header.groups().stream().allMatch(String::isEmpty) ? at : at - 1;
        }
        waiting.subList(at + 1, waiting.size()).forEach(this::count);
        waiting.clear();
    }

    private void count(SheetRow row) {
        if (row.isEmpty()) {
            return;
        }
        rows++;
        keep(row);
        int width = Math.min(row.cells().size(), MOST_COLUMNS);
        while (columns.size() < width) {
            columns.add(new ColumnProfile(budget));
        }
        for (int i = 0; i < width; i++) {
            columns.get(i).see(row.number(), row.cells().get(i));
        }
    }

    /** A small sheet may be a list of terms, or of values: these become part of the model. */
    private void keep(SheetRow row) {
        if (!keeps) {
            return;
        }
        letters += row.cells().stream().mapToInt(each -> each.text().length()).sum();
        keeps = letters <= MOST_LETTERS && row.cells().size() <= MOST_KEPT_COLUMNS && kept.size() < MOST_KEPT;
        if (keeps) {
            kept.add(row.cells().stream().map(each -> each.text().strip()).toList());
        } else {
            kept.clear();
        }
    }

    ColumnProfile column(int index) {
        return columns.get(index);
    }

    SheetFacts facts(Sheet sheet) {
        if (header == null) {
            begin();
        }
        var facts = new ArrayList<ColumnFacts>();
        int width = Math.min(Math.max(columns.size(), names.cells().size()), MOST_COLUMNS);
        while (columns.size() < width) {
            columns.add(new ColumnProfile(budget));
        }
        for (int i = 0; i < width; i++) {
            var name = names.cell(i).text().strip().replaceAll("\\s+", " ");
            var group = i < header.groups().size() ? header.groups().get(i) : "";
            if (name.isEmpty()) {
                // a name that stands one row higher than the others
                name = group;
                group = "";
            }
            var found = columns.get(i).facts(i, group, name, rows);
            if (!name.isEmpty() || found.filled() > 0 || found.errors() > 0) {
                facts.add(found);
            }
        }
        return new SheetFacts(
                sheet.file(),
                sheet.name(),
                sheet.hidden(),
                names.number(),
                above,
                rows,
                facts,
                kept,
                Math.max(0, widest - MOST_COLUMNS));
    }
}

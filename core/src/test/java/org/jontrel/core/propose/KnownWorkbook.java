package org.jontrel.core.propose;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.Function;
import org.jontrel.core.sheet.WrittenSheet;

/** A workbook of which is known what model it was written from. */
public final class KnownWorkbook {
    /** A row that is being written: its number from 0, and chance. */
    public record At(int row, Random chance) {
        String one(String... of) {
            return of[chance.nextInt(of.length)];
        }

        int from(int least, int most) {
            return least + chance.nextInt(most - least + 1);
        }

        boolean sometimes(int inHundred) {
            return chance.nextInt(100) < inHundred;
        }
    }

    /**
     * @param kind what the column should become: a kind of field, or a {@link ColumnUse}
     * @param to name of the sheet or taxonomy that its values are of, or of the rows it is a value of; else empty
     */
    record KnownColumn(String header, String kind, String to, Function<At, String> cell) {}

    static final class KnownSheet {
        final String name;
        final SheetRole role;
        final int rows;
        final List<KnownColumn> columns = new ArrayList<>();
        private List<String> groups = List.of();

        private KnownSheet(String name, SheetRole role, int rows) {
            this.name = name;
            this.role = role;
            this.rows = rows;
        }

        KnownSheet column(String header, String kind, Function<At, String> cell) {
            return column(header, kind, "", cell);
        }

        KnownSheet column(String header, String kind, String to, Function<At, String> cell) {
            columns.add(new KnownColumn(header, kind, to, cell));
            return this;
        }

        KnownSheet groups(String... above) {
            groups = List.of(above);
            return this;
        }
    }

    final String name;
    final List<KnownSheet> sheets = new ArrayList<>();

    KnownWorkbook(String name) {
        this.name = name;
    }

    KnownSheet sheet(String sheet, SheetRole role, int rows) {
        var made = new KnownSheet(sheet, role, rows);
        sheets.add(made);
        return made;
    }

    public String name() {
        return name;
    }

    /** The workbook, the same each time. */
    public List<WrittenSheet> written() {
        var chance = new Random(name.hashCode());
        return sheets.stream().map(sheet -> written(sheet, chance)).toList();
    }

    private WrittenSheet written(KnownSheet sheet, Random chance) {
        var rows = new ArrayList<List<String>>();
        if (!sheet.groups.isEmpty()) {
            rows.add(sheet.groups);
        }
        rows.add(sheet.columns.stream().map(KnownColumn::header).toList());
        for (int i = 0; i < sheet.rows; i++) {
            var at = new At(i, chance);
            rows.add(sheet.columns.stream().map(each -> each.cell().apply(at)).toList());
        }
        return new WrittenSheet(name + ".xlsx", sheet.name, false, rows);
    }
}

package org.jontrel.site.importer;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.jontrel.core.importer.ColumnMapping;
import org.jontrel.core.importer.ImportMapping;
import org.jontrel.core.importer.SheetMapping;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.sheet.WrittenSheet;

/** Sheets of trees, plots and people with what people write into them, and where they go; drawn at random. */
record DrawnRows(Random random) {
    private String one(String... of) {
        return of[random.nextInt(of.length)];
    }

    private String name(String stem, int most) {
        return stem + " " + random.nextInt(most);
    }

    private String maybe(int inHundred, String text) {
        return random.nextInt(100) < inHundred ? text : "";
    }

    private String names(String stem, int most) {
        var names = new ArrayList<String>();
        for (int i = random.nextInt(3); i > 0; i--) {
            names.add(name(stem, most));
        }
        return String.join("; ", names);
    }

    WrittenSheet trees() {
        var rows = new ArrayList<>(
                List.of(
                        "Title | Tag | Height | Planted | Keeper | Grafted | Near | Sort | Plot | Uses | Tone | Pruned 1 | By 1 | Pruned 2 | State"));
        int most = 4 + random.nextInt(12);
        for (int i = 0; i < most; i++) {
            rows.add(String.join(
                    " | ",
                    maybe(97, "Tree " + (random.nextInt(10) == 0 ? random.nextInt(most) : i)),
                    maybe(70, "T-" + random.nextInt(most * 2)),
                    maybe(80, one("1", "2,5", "3 m", "-1", "tall", "n/a", "17.25")),
                    maybe(50, one("2020-01-31", "12 May 2021", "3/4/2020", "soon")),
                    maybe(30, name("Person", 5)),
                    maybe(40, names("Tree", most + 1)),
                    maybe(30, names("Tree", most)),
                    maybe(60, one("Apple", "Apple > Cider apple", "Pear > Perry", "Plum", "apple > Russet")),
                    maybe(40, name("Plot", 5)),
                    maybe(40, one("Table", "juice; Table", "cider", "Table; firewood")),
                    maybe(30, one("#aabbcc", "mauve")),
                    maybe(40, one("2020-02-01", "2021-02-01")),
                    maybe(30, name("Person", 4)),
                    maybe(20, "2022-02-01"),
                    maybe(30, one("published", "draft", "sold"))));
        }
        return WrittenSheet.rows("Trees", rows.toArray(String[]::new));
    }

    WrittenSheet plots() {
        var rows = new ArrayList<>(List.of("Title | Under"));
        for (int i = 0; i < 5; i++) {
            rows.add("Plot " + i + " | " + maybe(50, name("Plot", 6)));
        }
        return WrittenSheet.rows("Plots", rows.toArray(String[]::new));
    }

    WrittenSheet people() {
        var rows = new ArrayList<>(List.of("Title"));
        for (int i = 0; i < 4; i++) {
            rows.add("Person " + i);
        }
        return WrittenSheet.rows("People", rows.toArray(String[]::new));
    }

    private static SheetMapping sheet(
            String name, String to, String key, SheetMapping.Mode mode, boolean clears, ColumnMapping... columns) {
        return new SheetMapping(
                name, SheetMapping.SheetUse.RECORDS, to, key, mode, RecordState.DRAFT, clears, List.of(columns));
    }

    ImportMapping mapping() {
        var missing = ColumnMapping.WhenMissing.values()[random.nextInt(3)];
        var title = ColumnMapping.field("Title", "part_title");
        var key = one("Title", "Title", "Tag");
        var mode = SheetMapping.Mode.values()[random.nextInt(3) == 0 ? random.nextInt(3) : 0];
        return new ImportMapping(List.of(
                sheet(
                        "Trees",
                        "ttree",
                        key,
                        mode,
                        random.nextInt(4) == 0,
                        title,
                        ColumnMapping.field("Tag", "ftag"),
                        ColumnMapping.field("Height", "fheight").replacing("n/a", ""),
                        ColumnMapping.field("Planted", "fplanted"),
                        ColumnMapping.field("Keeper", "fkeeper").missing(missing),
                        ColumnMapping.field("Grafted", "fparents")
                                .separated(";")
                                .missing(missing),
                        ColumnMapping.field("Sort", "xsort")
                                .separated(";")
                                .by(ColumnMapping.BY_PATH)
                                .missing(ColumnMapping.WhenMissing.values()[random.nextInt(3)]),
                        ColumnMapping.of("Plot", ColumnMapping.Goal.PARENT).missing(missing),
                        ColumnMapping.field("Uses", "fuses").separated(";"),
                        ColumnMapping.field("Tone", "ftone"),
                        ColumnMapping.field("Pruned 1", "fday").row(1),
                        ColumnMapping.field("By 1", "fby").row(1).missing(missing),
                        ColumnMapping.field("Pruned 2", "fday").row(2),
                        ColumnMapping.of("State", ColumnMapping.Goal.STATE)),
                sheet(
                        "Plots",
                        "tplot",
                        "Title",
                        SheetMapping.Mode.ALL,
                        false,
                        title,
                        ColumnMapping.of("Under", ColumnMapping.Goal.PARENT).missing(missing)),
                sheet("People", "tperson", "Title", SheetMapping.Mode.ALL, false, title)));
    }
}

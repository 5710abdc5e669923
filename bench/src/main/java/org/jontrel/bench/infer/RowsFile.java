package org.jontrel.bench.infer;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import org.dhatim.fastexcel.Workbook;

/** A table of many rows with fifteen columns of most kinds, the same each time. */
final class RowsFile {
    private static final String[] HEADER = {
        "Mooring",
        "Reference",
        "Length (m)",
        "Fee (EUR)",
        "Opened on",
        "Visitors",
        "Surface",
        "Waterway",
        "Facilities",
        "Keeper",
        "E-mail",
        "Telephone",
        "Web site",
        "Notes",
        "Last seen"
    };
    private static final String[] SURFACES = {"grass", "gravel", "hard standing", "mud"};
    private static final String[] WATERS = {
        "Main > Upper", "Main > Lower", "Main", "Branch > Mill", "Branch > Quarry", "Branch", "Old cut", "New cut"
    };
    private static final String[] FACILITIES = {"water; power", "water", "power", "power; toilets", "water; toilets"};
    private static final int KEEPERS = 400;

    private RowsFile() {}

    private static String[] row(int n, Random chance) {
        return new String[] {
            "Mooring " + n,
            "M-%07d".formatted(n),
            chance.nextInt(80) + "." + chance.nextInt(10),
            chance.nextInt(60) + ".50",
            "20%02d-%02d-%02d".formatted(chance.nextInt(26), 1 + chance.nextInt(12), 1 + chance.nextInt(28)),
            chance.nextBoolean() ? "yes" : "no",
            SURFACES[chance.nextInt(SURFACES.length)],
            WATERS[chance.nextInt(WATERS.length)],
            FACILITIES[chance.nextInt(FACILITIES.length)],
            "Keeper " + chance.nextInt(KEEPERS),
            "m" + n + "@moorings.example",
            "+44 20 7946 %04d".formatted(n % 10_000),
            "https://moorings.example/" + n,
            chance.nextInt(3) == 0
                    ? ""
                    : "The bank is steep here, and the water is low in summer; row " + n
                            + " of the survey, seen again since.",
            "20%02d-%02d-%02d %02d:%02d"
                    .formatted(
                            chance.nextInt(26),
                            1 + chance.nextInt(12),
                            1 + chance.nextInt(28),
                            chance.nextInt(24),
                            chance.nextInt(60))
        };
    }

    static Path text(Path folder, int rows) throws IOException {
        var file = folder.resolve("rows.csv");
        var chance = new Random(7);
        try (var out = Files.newBufferedWriter(file)) {
            out.write(String.join(";", HEADER) + "\n");
            for (int i = 0; i < rows; i++) {
                var line = new StringBuilder();
                for (var cell : row(i, chance)) {
                    line.append(line.isEmpty() ? "" : ";").append(cell.indexOf(';') >= 0 ? "\"" + cell + "\"" : cell);
                }
                out.write(line.append('\n').toString());
            }
        }
        return file;
    }

    static Path xlsx(Path folder, int rows) throws IOException {
        var file = folder.resolve("rows.xlsx");
        var chance = new Random(7);
        try (var out = new BufferedOutputStream(Files.newOutputStream(file));
                var workbook = new Workbook(out, "bench", "1.0")) {
            var sheet = workbook.newWorksheet("Moorings");
            for (int c = 0; c < HEADER.length; c++) {
                sheet.value(0, c, HEADER[c]);
            }
            for (int i = 0; i < rows; i++) {
                var cells = row(i, chance);
                for (int c = 0; c < cells.length; c++) {
                    if (c == 2 || c == 3) {
                        sheet.value(i + 1, c, Double.parseDouble(cells[c]));
                    } else if (!cells[c].isEmpty()) {
                        sheet.inlineString(i + 1, c, cells[c]);
                    }
                }
                if (i % 1_000 == 0) {
                    sheet.flush();
                }
            }
            sheet.finish();
        }
        return file;
    }
}

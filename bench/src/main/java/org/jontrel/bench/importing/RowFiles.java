package org.jontrel.bench.importing;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;

/** Files with moorings and their keepers, the same each time. */
record RowFiles(Path moorings, Path keepers) {
    private static final int KINDS = 20;

    static RowFiles of(Path folder, int rows) throws IOException {
        var random = new Random(5);
        int keepers = Math.max(1, rows / ImportBench.KEEPERS_EACH);
        var moorings = folder.resolve("moorings.csv");
        try (var out = Files.newBufferedWriter(moorings)) {
            out.write("Title,Code,Length,Since,Note,Keeper,Kind\n");
            for (int i = 0; i < rows; i++) {
                int kind = random.nextInt(KINDS);
                out.write("Mooring " + i + ",M-" + i + "," + random.nextInt(900) / 10.0
                        + ",20%02d-%02d-%02d,"
                                .formatted(random.nextInt(26), 1 + random.nextInt(12), 1 + random.nextInt(28))
                        + "Bank " + random.nextInt(1_000) + " by the old wharf,Keeper " + random.nextInt(keepers)
                        + ",kind " + kind + "; kind " + (kind + 1 + random.nextInt(KINDS - 1)) % KINDS + "\n");
            }
        }
        var people = folder.resolve("keepers.csv");
        try (var out = Files.newBufferedWriter(people)) {
            out.write("Title\n");
            for (int i = 0; i < keepers; i++) {
                out.write("Keeper " + i + "\n");
            }
        }
        return new RowFiles(moorings, people);
    }
}

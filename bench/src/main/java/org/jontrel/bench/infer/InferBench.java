package org.jontrel.bench.infer;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.propose.Choices;
import org.jontrel.core.propose.KnownWorkbooks;
import org.jontrel.core.propose.ProposalQuality;
import org.jontrel.core.propose.Proposing;
import org.jontrel.core.sheet.WorkbookProfile;
import org.jontrel.workbook.Workbook;

/**
 * How much of twelve models that are known is found again in workbooks written from them; then how long a proposal takes for 100,000 rows
 * and for a million, and how much memory.
 *
 * <p>Arguments: how many rows, each a run of its own.
 */
public final class InferBench {
    private static final long MEGABYTE = 1 << 20;
    private static final int SOME = 100_000;
    private static final int MANY = 1_000_000;

    private InferBench() {}

    public static void main(String[] arguments) throws IOException {
        var out = System.out;
        var quality = new ProposalQuality();
        for (var book : KnownWorkbooks.all()) {
            quality.with(book);
        }
        quality.tallies().forEach((name, tally) -> out.printf("%-16s %s%n", name, tally));
        out.printf("%-16s %s%n", "all structure", quality.structure());
        quality.misses().forEach(miss -> out.println("  " + miss));
        var folder = Files.createTempDirectory("jontrel-infer");
        try {
            if (arguments.length == 0) {
                time(out, RowsFile.text(folder, SOME), SOME);
                time(out, RowsFile.xlsx(folder, SOME), SOME);
                time(out, RowsFile.text(folder, MANY), MANY);
                time(out, RowsFile.xlsx(folder, MANY), MANY);
            }
            for (var rows : arguments) {
                int n = Integer.parseInt(rows);
                time(out, RowsFile.text(folder, n), n);
                time(out, RowsFile.xlsx(folder, n), n);
            }
        } finally {
            try (var files = Files.list(folder)) {
                for (var file : files.toList()) {
                    Files.delete(file);
                }
            }
            Files.delete(folder);
        }
    }

    private static void time(PrintStream out, Path file, int rows) throws IOException {
        long begun = System.nanoTime();
        int definitions;
        try (var workbook = Workbook.open(file, file.getFileName().toString())) {
            var facts = WorkbookProfile.of(workbook.sheets());
            definitions = Proposing.of(facts, Choices.NONE, Model.EMPTY, new Ids(new Random(1)))
                    .definitions()
                    .size();
        }
        double seconds = (System.nanoTime() - begun) / 1e9;
        System.gc();
        long kept = Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
        out.printf(
                "%,9d rows of %-10s %4d MB: %5.1f s (%,.0f rows a second), %d definitions; %d MB kept, heap at most %d MB%n",
                rows,
                file.getFileName(),
                Files.size(file) / MEGABYTE,
                seconds,
                rows / seconds,
                definitions,
                kept / MEGABYTE,
                Runtime.getRuntime().maxMemory() / MEGABYTE);
    }
}

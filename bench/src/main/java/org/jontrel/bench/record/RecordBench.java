package org.jontrel.bench.record;

import java.io.OutputStream;
import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jontrel.core.model.Definition;
import org.jontrel.server.record.ExportFile;
import org.jontrel.site.record.read.ListQuery;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.options.OptionsBuilder;

/**
 * {@code RecordBench RECORDS [NAMES]}: loads the records where they are not there, measures what the pattern names in the
 * three layouts, and exports all of them in a small heap.
 */
public final class RecordBench {
    private static final List<String> ASKED =
            List.of("page", "subtree", "whole", "nested", "insert", "update", "thousand");

    private RecordBench() {}

    public static void main(String[] arguments) throws Exception {
        long records = Long.parseLong(arguments.length > 0 ? arguments[0] : "1000000");
        var names = arguments.length > 1 ? arguments[1] : "";
        var folder = Path.of(System.getenv("JONTREL_BENCH_FOLDER"));
        if (names.equals("export")) {
            export(arguments[2]);
            return;
        }
        Files.createDirectories(folder);
        new Load(folder, records).run();
        measure(names);
        if (names.isEmpty()) {
            for (var format : List.of("csv", "jsonl", "xlsx")) {
                inSmallHeap(records, format);
            }
        }
    }

    private static void measure(String names) throws Exception {
        var results = new Runner(new OptionsBuilder()
                        .include("RecordBenchmark[.](" + (names.isEmpty() ? ".*" : names) + ")_")
                        .build())
                .run();
        Map<String, Double> scores = new HashMap<>();
        results.forEach(result -> {
            var name = result.getParams().getBenchmark();
            scores.put(
                    name.substring(name.lastIndexOf('.') + 1),
                    result.getPrimaryResult().getScore());
        });
        System.out.printf(
                Locale.ROOT,
                "%n%-10s %12s %12s %12s %14s %14s%n",
                "",
                "engine ms",
                "hand ms",
                "values ms",
                "engine/hand",
                "values/engine");
        for (var asked : ASKED) {
            var engine = scores.get(asked + "_engine");
            var hand = scores.get(asked + "_hand");
            var values = scores.get(asked + "_values");
            if (engine != null && hand != null && values != null) {
                System.out.printf(
                        Locale.ROOT,
                        "%-10s %12.3f %12.3f %12.3f %14.2f %14.1f%n",
                        asked,
                        engine,
                        hand,
                        values,
                        engine / hand,
                        values / engine);
            }
        }
    }

    /** A process of its own, whose heap is too small for all records. */
    private static void inSmallHeap(long records, String format) throws Exception {
        var process = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-Xmx128m",
                        "-XX:+UseSerialGC",
                        "--enable-native-access=ALL-UNNAMED",
                        "-cp",
                        System.getProperty("java.class.path"),
                        RecordBench.class.getName(),
                        String.valueOf(records),
                        "export",
                        format)
                .inheritIO()
                .start();
        if (process.waitFor() != 0) {
            throw new IllegalStateException("the export as " + format + " failed in a heap of 128 MB");
        }
    }

    private static void export(String format) throws Exception {
        try (var source = Databases.source(Databases.ENGINE);
                var out = new CountingStream()) {
            var site = Databases.site(source);
            var recordType = site.installed()
                    .table(Definition.Sort.TYPE, "survey")
                    .orElseThrow()
                    .recordType();
            long began = System.nanoTime();
            ExportFile.of(format)
                    .write(
                            ExportFile.ExportSource.of(
                                    "bench", site, recordType, ListQuery.ALL.sortedBy("own_id", false)),
                            out);
            System.out.printf(
                    Locale.ROOT,
                    "export %-5s %d MB in %.0f s; heap used after collection, by tenths: %s MB%n",
                    format,
                    out.bytes >> 20,
                    (System.nanoTime() - began) / 1e9,
                    out.heap);
        }
    }

    /** Counts what is written, and looks at the heap from time to time. */
    private static final class CountingStream extends OutputStream {
        private static final long STEP = 40L << 20;
        private long bytes;
        private long next = STEP;
        private final StringBuilder heap = new StringBuilder();

        @Override
        public void write(int b) {
            count(1);
        }

        @Override
        public void write(byte[] b, int offset, int length) {
            count(length);
        }

        private void count(long more) {
            bytes += more;
            if (bytes > next) {
                next += STEP;
                System.gc();
                long used =
                        ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getUsed();
                heap.append(heap.isEmpty() ? "" : " ").append(used >> 20);
            }
        }
    }
}

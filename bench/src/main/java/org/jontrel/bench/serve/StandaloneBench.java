package org.jontrel.bench.serve;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.server.site.Sites;
import org.jontrel.site.table.Binding;

/**
 * {@code StandaloneBench FILE [SECONDS]}: how long {@code jontrel-site.jar} takes from the start of the process to its first answer on the
 * demo's database, with the options of Java that the guide names and without, in turns; and how many pages it gives 32 readers in
 * a heap of 256 MB.
 */
public final class StandaloneBench {
    private static final int READERS = 32;
    private static final int TURNS = 5;
    private static final String HEAP = "-Xmx256m";
    private static final String SITE = HandPages.SITE;

    private StandaloneBench() {}

    /** A way to start Java. */
    private record JavaStart(String name, List<String> options) {}

    public static void main(String[] arguments) throws Exception {
        var file = Path.of(arguments[0]);
        int seconds = arguments.length > 1 ? Integer.parseInt(arguments[1]) : 6;
        var folder = Files.createTempDirectory("jontrel-bench");
        var definitions = Files.write(folder.resolve("demo.zip"), definitions());
        var archive = folder.resolve("site.jsa");
        var starts = List.of(
                new JavaStart("as it is", List.of()),
                new JavaStart("quick compiler", List.of("-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC")),
                new JavaStart(
                        "and classes kept",
                        List.of(
                                "-XX:TieredStopAtLevel=1",
                                "-XX:+UseSerialGC",
                                "-XX:+AutoCreateSharedArchive",
                                "-XX:SharedArchiveFile=" + archive,
                                "-Xlog:disable")));
        var millis = new double[starts.size()][TURNS];
        for (int turn = -1; turn < TURNS; turn++) {
            for (int i = 0; i < starts.size(); i++) {
                double took = started(file, definitions, starts.get(i));
                if (turn >= 0) {
                    millis[i][turn] = took;
                }
            }
        }
        for (int i = 0; i < starts.size(); i++) {
            System.out.printf(
                    Locale.ROOT,
                    "%-18s %5.1f s to the first answer, %.2f times the time as it is%n",
                    starts.get(i).name(),
                    median(millis[i]) / 1_000,
                    median(millis[i]) / median(millis[0]));
        }
        read(file, definitions, starts.subList(0, 2), seconds);
        System.exit(0);
    }

    /** The demo's site as it is in its database, as a package. */
    private static byte[] definitions() throws Exception {
        Binding installed;
        try (var context = ServeBench.loaded()) {
            installed = context.getBean(Sites.class).engine(SITE).installed();
        }
        var manifest = Manifest.of("demo", installed.version(), "Demo", List.of(), "", "");
        return PackageFiles.toZip(PackageWriter.write(new ModelPackage(manifest, installed.model(), List.of())));
    }

    private static Process process(Path file, Path definitions, int port, List<String> options) throws IOException {
        var command = new ArrayList<>(
                List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString(), HEAP));
        command.addAll(options);
        command.addAll(List.of(
                "-jar", file.toString(), definitions.toString(), "--site=" + SITE, "--name=Demo", "--port=" + port));
        var builder = new ProcessBuilder(command).inheritIO();
        builder.environment()
                .compute("JONTREL_DB_URL", (_, url) -> url.replace("/jontrel?", "/jontrel_site_" + SITE + "?"));
        return builder.redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
    }

    private static int port() throws IOException {
        try (var free = new ServerSocket(0)) {
            return free.getLocalPort();
        }
    }

    private static double started(Path file, Path definitions, JavaStart start) throws Exception {
        int port = port();
        long began = System.nanoTime();
        var process = process(file, definitions, port, start.options());
        try {
            answered(process, port);
            return (System.nanoTime() - began) / 1e6;
        } finally {
            // told to end, it keeps the classes that it has loaded
            process.destroy();
            process.waitFor();
        }
    }

    private static void answered(Process process, int port) throws Exception {
        var page = new BenchPage("", URI.create("http://127.0.0.1:" + port + "/at/" + SITE + "/"), null);
        while (process.isAlive()) {
            try {
                if (page.read().statusCode() == 200) {
                    return;
                }
            } catch (IOException _) {
                Thread.sleep(5);
            }
        }
        throw new IllegalStateException("It ended with " + process.exitValue());
    }

    /** One after another in each turn, on the same machine. */
    private static void read(Path file, Path definitions, List<JavaStart> starts, int seconds) throws Exception {
        var processes = new ArrayList<Process>();
        try {
            var pages = new ArrayList<BenchPage>();
            for (var start : starts) {
                int port = port();
                var process = process(file, definitions, port, start.options());
                processes.add(process);
                answered(process, port);
                var address = URI.create("http://127.0.0.1:" + port + "/at/" + SITE + "/structures/");
                pages.add(new BenchPage(start.name(), address, null));
            }
            var rates = new double[pages.size()][TURNS];
            for (int turn = -1; turn < TURNS; turn++) {
                for (int i = 0; i < pages.size(); i++) {
                    double rate = BenchTurn.of(pages.get(i), seconds, READERS).rate();
                    if (turn >= 0) {
                        rates[i][turn] = rate;
                    }
                }
            }
            for (int i = 0; i < pages.size(); i++) {
                System.out.printf(
                        Locale.ROOT,
                        "%-18s %5.0f index pages of 24 cards a second to %d readers, with %s: %.2f times as many as it is%n",
                        pages.get(i).name(),
                        median(rates[i]),
                        READERS,
                        HEAP,
                        median(rates[i]) / median(rates[0]));
            }
        } finally {
            for (var process : processes) {
                process.destroy();
                process.waitFor();
            }
        }
    }

    private static double median(double[] all) {
        var sorted = all.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }
}

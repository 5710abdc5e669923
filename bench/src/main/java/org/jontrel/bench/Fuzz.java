package org.jontrel.bench;

import com.sun.management.ThreadMXBean;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.finding.Finding;

/**
 * Reads mutated packages for a given time: {@code Fuzz SECONDS PACKAGE...}. Anything but findings is a failure, and so
 * is a case over a second or over 64 MiB. The seed of each failure is printed.
 */
public final class Fuzz {
    private static final long MOST_BYTES = 64L << 20;
    private static final long MOST_NANOS = 1_000_000_000L;
    private static final String[] WORDS = {
        "{",
        "}",
        "[",
        "]",
        ": ",
        "- ",
        "&a ",
        "*a",
        "!!java ",
        "|\n",
        ">\n",
        "\"",
        "'",
        "#",
        "\n",
        "\t",
        "\u0000",
        "%YAML 9\n",
        "---\n",
        "...\n",
        "9999999999999999999",
        "1e999999",
        "true",
        "null",
        "~",
        "kind: repeater",
        "fields: []",
        "show_when: {not: {",
        "id: part_title",
        "key: id",
        "\uD83D",
        "\uFEFF",
        "../",
        "? ",
        "<<: "
    };

    private final Random random;

    private Fuzz(long seed) {
        random = new Random(seed);
    }

    public static void main(String[] arguments) throws IOException {
        long end = System.nanoTime() + Long.parseLong(arguments[0]) * 1_000_000_000L;
        var packages = new ArrayList<SortedMap<String, byte[]>>();
        for (int i = 1; i < arguments.length; i++) {
            packages.add(PackageFiles.read(Path.of(arguments[i]), new ArrayList<>()));
        }
        long seed = 0;
        int bad = 0;
        long longest = 0;
        long largest = 0;
        while (System.nanoTime() < end) {
            var cost = run(packages.get((int) (seed % packages.size())), seed);
            boolean fails = cost.failed() || (seed > 500 && cost.nanos() > MOST_NANOS) || cost.bytes() > MOST_BYTES;
            if (fails) {
                bad++;
                System.out.println("seed " + seed + ": " + cost);
            }
            // the first cases pay for loading classes
            longest = seed > 500 ? Math.max(longest, cost.nanos()) : longest;
            largest = Math.max(largest, cost.bytes());
            seed++;
        }
        System.out.printf(
                "%d cases, %d failed; longest %.1f ms, most memory allocated %.1f MiB%n",
                seed, bad, longest / 1e6, largest / 1048576.0);
        System.exit(bad == 0 ? 0 : 1);
    }

    private record Cost(long nanos, long bytes, boolean failed) {}

    private static Cost run(SortedMap<String, byte[]> files, long seed) {
        var threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
        var fuzz = new Fuzz(seed);
        var mutated = new TreeMap<String, byte[]>();
        files.forEach((name, bytes) -> mutated.put(name, fuzz.random.nextInt(4) == 0 ? fuzz.mutated(bytes) : bytes));
        var zip = fuzz.random.nextInt(4) == 0 ? fuzz.mutated(PackageFiles.toZip(mutated)) : null;
        long before = threads.getCurrentThreadAllocatedBytes();
        long start = System.nanoTime();
        boolean failed = false;
        try {
            var findings = new ArrayList<Finding>();
            var read = PackageReader.read(zip == null ? mutated : PackageFiles.zip(zip, findings), findings);
            read.findings().forEach(Finding::sentence);
            read.content()
                    .ifPresent(content -> ModelCheck.check(content.model()).forEach(Finding::sentence));
        } catch (RuntimeException | StackOverflowError e) {
            failed = true;
            e.printStackTrace(System.out);
        }
        return new Cost(System.nanoTime() - start, threads.getCurrentThreadAllocatedBytes() - before, failed);
    }

    private byte[] mutated(byte[] bytes) {
        var text = new StringBuilder(new String(bytes, java.nio.charset.StandardCharsets.ISO_8859_1));
        for (int i = 0, times = 1 + random.nextInt(6); i < times && !text.isEmpty(); i++) {
            int at = random.nextInt(text.length());
            int to = Math.min(text.length(), at + random.nextInt(40));
            switch (random.nextInt(7)) {
                case 0 -> text.delete(at, to);
                case 1 -> text.insert(at, text.substring(at, to));
                case 2 -> text.setCharAt(at, (char) random.nextInt(256));
                case 3 -> text.insert(at, WORDS[random.nextInt(WORDS.length)]);
                case 4 -> text.insert(at, WORDS[random.nextInt(WORDS.length)].repeat(1 + random.nextInt(3_000)));
                case 5 -> lines(text);
                default -> text.setLength(at);
            }
        }
        return text.toString().getBytes(java.nio.charset.StandardCharsets.ISO_8859_1);
    }

    /** Two lines change places, as when people paste. */
    private void lines(StringBuilder text) {
        var lines = new ArrayList<>(List.of(text.toString().split("\n", -1)));
        java.util.Collections.swap(lines, random.nextInt(lines.size()), random.nextInt(lines.size()));
        text.replace(0, text.length(), String.join("\n", lines));
    }
}

package org.jontrel.core.code;

import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.jontrel.core.Examples;
import org.testng.annotations.DataProvider;

/** Files with comments, formatted. */
abstract class CommentedFiles {
    static final String MANIFEST = "name: tessel\nversion: 1.0.0\n";

    static SortedMap<String, byte[]> files(String... namesAndTexts) {
        var files = new TreeMap<String, byte[]>();
        files.put("package.yaml", MANIFEST.getBytes(StandardCharsets.UTF_8));
        for (int i = 0; i < namesAndTexts.length; i += 2) {
            files.put(namesAndTexts[i], namesAndTexts[i + 1].getBytes(StandardCharsets.UTF_8));
        }
        return files;
    }

    static SortedMap<String, byte[]> formatted(SortedMap<String, byte[]> files, String about) {
        var read = PackageReader.read(files, List.of());
        assertTrue(read.content().isPresent(), about + read.findings());
        return PackageWriter.writeFolder(read.content().get(), read.formatting(), read.was());
    }

    static String formattedType(String text) {
        return text(formatted(files("types/mooring.yaml", text), ""), "types/mooring.yaml");
    }

    static String text(SortedMap<String, byte[]> files, String name) {
        return new String(files.get(name), StandardCharsets.UTF_8);
    }

    @DataProvider
    public Object[][] examples() {
        return new Object[][] {{Examples.FORMAT}, {Examples.SEED_BANK}};
    }

    static final Pattern MARK = Pattern.compile("#c[0-9]+c");

    static List<String> marks(String text) {
        return MARK.matcher(text).results().map(found -> found.group()).sorted().toList();
    }

    /** Comments and blank lines between lines and behind them; not within texts of several lines. */
    static String commented(String text, Random draw) {
        var lines = new ArrayList<String>();
        int number = 0;
        int literal = -1;
        for (var line : text.lines().toList()) {
            int indent = line.length() - line.stripLeading().length();
            boolean within = literal >= 0 && (line.isBlank() || indent > literal);
            literal = within ? literal : -1;
            if (!within && draw.nextInt(6) == 0) {
                lines.add(" ".repeat(draw.nextBoolean() ? indent : draw.nextInt(12)) + "#c" + number++ + "c");
            }
            if (!within && draw.nextInt(9) == 0) {
                lines.add("");
            }
            if (line.endsWith("|") || line.endsWith("|-")) {
                literal = indent;
            }
            boolean open = within || literal >= 0;
            lines.add(!open && draw.nextInt(6) == 0 ? line + " #c" + number++ + "c" : line);
        }
        if (literal < 0 && draw.nextBoolean()) {
            lines.add("#c" + number + "c");
        }
        return String.join("\n", lines) + "\n";
    }
}

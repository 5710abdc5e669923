package org.jontrel.core.code;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.jontrel.core.Examples;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Comments, blank lines and line ends survive, wherever they stand and whatever is written again. */
public class CommentsTest {
    private static final String MANIFEST = "name: tessel\nversion: 1.0.0\n";

    private static SortedMap<String, byte[]> files(String... namesAndTexts) {
        var files = new TreeMap<String, byte[]>();
        files.put("package.yaml", MANIFEST.getBytes(StandardCharsets.UTF_8));
        for (int i = 0; i < namesAndTexts.length; i += 2) {
            files.put(namesAndTexts[i], namesAndTexts[i + 1].getBytes(StandardCharsets.UTF_8));
        }
        return files;
    }

    private static SortedMap<String, byte[]> formatted(SortedMap<String, byte[]> files, String about) {
        var read = PackageReader.read(files, List.of());
        assertTrue(read.content().isPresent(), about + read.findings());
        return PackageWriter.writeFolder(read.content().get(), read.formatting(), read.was());
    }

    private static String formattedType(String text) {
        return text(formatted(files("types/mooring.yaml", text), ""), "types/mooring.yaml");
    }

    private static String text(SortedMap<String, byte[]> files, String name) {
        return new String(files.get(name), StandardCharsets.UTF_8);
    }

    @Test
    public void commentsStayAtWhatTheyStandAt() {
        var text = """
                # Licence: CC0
                # and more

                # what a mooring is
                key: mooring # never change
                singular: Mooring
                plural: Moorings

                # address
                path: moorings
                parts: [title, summary] # in this order
                index:
                  # by name
                  order: summary
                groups: # as agreed
                  # the berth
                  - title: Berth # heading
                    # all of it
                    fields:
                      # how long
                      - {key: length_m, label: Length, kind: number, unit: m} # in metres

                      # what it is made of
                      - key: surface
                        # asked by the client
                        label: Surface
                        kind: choice
                        options:
                          # soft
                          - {key: grass, label: Grass}
                          - {key: hard, label: Hard} # and dry
                # the end
                """;
        assertEquals(formattedType(text), text);
    }

    @Test
    public void whatIsWrittenOtherwiseKeepsItsComments() {
        var text = formattedType("""
                singular: Mooring
                # the key
                key: mooring
                plural: Moorings
                path: moorings
                # public as always
                public: true
                parts:
                  - title
                  # short
                  - summary
                index: {page_size: 24, order: summary} # by summary
                groups:
                  - fields:
                      - {
                          label: Length, # in words
                          # short
                          key: length_m,
                          kind: number
                        } # last
                    title: Berth
                """);
        assertEquals(text, """
                # public as always
                # the key
                key: mooring
                singular: Mooring
                plural: Moorings
                path: moorings
                parts:
                  - title
                  # short
                  - summary
                index: {order: summary} # by summary
                groups:
                  - title: Berth
                    fields:
                      # last
                      # short
                      - key: length_m
                        label: Length # in words
                        kind: number
                """);
    }

    @Test
    public void marksOfTheDocumentTakeNoCommentWithThem() {
        var text =
                "# a\n--- # b\n# c\nkey: mooring\nsingular: Mooring\nplural: Moorings\npath: moorings\n... # d\n# e\n";
        assertEquals(
                formattedType(text),
                "# a\n# b\n# c\nkey: mooring\nsingular: Mooring\nplural: Moorings\npath: moorings\n# d\n# e\n");
        assertEquals(
                formattedType("%YAML 1.2\n# a\n---\n" + text.substring(text.indexOf("key"))),
                "# a\nkey: mooring\nsingular: Mooring\nplural: Moorings\npath: moorings\n# d\n# e\n");
    }

    @Test
    public void lineEndsAreThoseOfTheFile() {
        var text = "key: mooring # one\r\nsingular: Mooring\r\nplural: Moorings\r\n\r\n# two\r\npath: moorings\r\n";
        assertEquals(formattedType(text), text);
        assertEquals(formattedType(text.replace("\r", "")), text.replace("\r", ""));
    }

    @Test
    public void filesThatDefineNothingKeepThemToo() {
        var files = files("migrations/1.0.0.yaml", """
                # asked on 3 May
                version: "1.0.0"
                decisions:
                  # most are short
                  - {element: f0c3r7h2p, question: required_empty, answer: fill, value: "12"} # metres
                """);
        files.put("package.yaml", "# ours\nformat: 2\nname: tessel # short\nversion: \"1.0.0\"\n".getBytes());
        var after = formatted(files, "");
        files.forEach((name, bytes) -> assertEquals(text(after, name), new String(bytes), name));
    }

    @DataProvider
    public Object[][] examples() {
        return new Object[][] {{Examples.FORMAT}, {Examples.SEED_BANK}};
    }

    private static final Pattern MARK = Pattern.compile("#c[0-9]+c");

    /** A law: of comments put anywhere none is lost or doubled, the model is the same, and formatting again changes nothing. */
    @Test(dataProvider = "examples")
    public void noCommentIsLostWhereverItStands(Path folder) {
        var plain = Examples.files(folder);
        var model = PackageReader.read(plain, List.of()).content().orElseThrow().model();
        for (int seed = 0; seed < 150; seed++) {
            var draw = new Random(seed);
            var files = new TreeMap<String, byte[]>();
            plain.forEach((name, bytes) ->
                    files.put(name, commented(new String(bytes), draw).getBytes()));
            var once = formatted(files, "seed " + seed);
            for (var file : files.entrySet()) {
                assertEquals(
                        marks(text(once, file.getKey())),
                        marks(new String(file.getValue())),
                        "seed " + seed + " " + file.getKey() + "\n" + new String(file.getValue()) + "\n=>\n"
                                + text(once, file.getKey()));
            }
            var twice = formatted(once, "seed " + seed);
            once.forEach((name, bytes) -> assertEquals(text(twice, name), new String(bytes), name));
            var content = PackageReader.read(once, List.of()).content().orElseThrow();
            assertEquals(
                    content.model().definitions().size(), model.definitions().size());
        }
    }

    private static List<String> marks(String text) {
        return MARK.matcher(text).results().map(found -> found.group()).sorted().toList();
    }

    /** Comments and blank lines between lines and behind them; not within texts of several lines. */
    private static String commented(String text, Random draw) {
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

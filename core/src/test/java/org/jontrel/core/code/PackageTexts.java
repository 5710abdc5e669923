package org.jontrel.core.code;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jontrel.core.Samples;
import org.jontrel.core.finding.Code;
import org.testng.annotations.DataProvider;

/** Texts of packages, and reading them. */
abstract class PackageTexts {
    static final Manifest MANIFEST = Manifest.of(
            "tessel-waters", "1.3.0", "Tessel waters", List.of("The Trust's architect"), "CC0-1.0", "Moorings.");
    static final ModelPackage PACKAGE = new ModelPackage(
            MANIFEST,
            Samples.MODEL,
            List.of(new Migration(
                    "1.3.0",
                    List.of(new Decision("f0c3r7h2p", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, "12.5")))));

    static final String KINDS = "text, long_text, rich_text, number, yes_no, date, time, date_time, choice, image,"
            + " file, email, url, phone, colour, icon, place, relation, term, group, repeater, note";

    static PackageReader.Result read(Map<String, byte[]> files) {
        return PackageReader.read(new TreeMap<>(files), List.of());
    }

    static PackageReader.Result readType(String text) {
        var files = PackageWriter.write(PACKAGE);
        files.put("types/mooring.yaml", text.getBytes(StandardCharsets.UTF_8));
        return read(files);
    }

    static String mooring() {
        return new String(PackageWriter.write(PACKAGE).get("types/mooring.yaml"), StandardCharsets.UTF_8);
    }

    @DataProvider
    public Object[][] awkwardTexts() {
        return List.of(
                        "yes",
                        "No",
                        "null",
                        "~",
                        "12",
                        "1e3",
                        "0x1F",
                        "2026-01-01",
                        "true",
                        "- a",
                        "a: b",
                        "#x",
                        "'q'",
                        "\"q\"",
                        "{a}",
                        "[b]",
                        "<script>alert(1)</script>",
                        "Robert'); DROP TABLE x;--",
                        "😀 émoji",
                        "tab\there",
                        "two\nlines",
                        "two\nlines\n",
                        "  spaces  ",
                        "trailing ",
                        "&a *b",
                        "%d",
                        "\u0007bell",
                        "\u2028",
                        "back\\slash",
                        "x".repeat(10_000),
                        "مرحبا",
                        "line \n ends")
                .stream()
                .map(text -> new Object[] {text})
                .toArray(Object[][]::new);
    }

    static int lineOf(String text, String word) {
        return text.substring(0, text.indexOf(word)).split("\n", -1).length;
    }

    static int columnOf(String text, String word) {
        return text.indexOf(word) - text.lastIndexOf('\n', text.indexOf(word));
    }

    @DataProvider
    public Object[][] brokenFiles() {
        var plain = "key: mooring\nsingular: M\nplural: Ms\npath: m\n";
        return new Object[][] {
            {"key: [", Code.NOT_CLOSED},
            {"", Code.SYNTAX},
            {plain + "---\nkey: x\n", Code.SYNTAX},
            {plain + "groups: &a []\n", Code.ALIAS_USED},
            {plain + "key: other\n", Code.PROPERTY_TWICE},
            {plain + "groups: many\n", Code.VALUE_WRONG_SHAPE},
            {plain + "parts: [titel]\n", Code.WORD_UNKNOWN},
            {"key: mooring\n", Code.PROPERTY_MISSING},
            {"- a\n- b\n", Code.VALUE_WRONG_SHAPE},
            {"[".repeat(60) + "]".repeat(60), Code.TOO_DEEP},
            {"{".repeat(4000), Code.TOO_DEEP},
            {"a: " + "[1,".repeat(3), Code.NOT_CLOSED},
            {"? [a]\n: b\n", Code.SYNTAX},
            {"l: [" + "1,".repeat(250_000) + "1]", Code.TOO_MANY_NODES},
            {"\u0000", Code.SYNTAX},
            {"key: \"\\ud800\"\n", Code.VALUE_WRONG_SHAPE},
            {"%YAML 9.9\n---\na: b", Code.SYNTAX},
            {
                plain + "groups: [{title: A, fields: [{key: a, label: A, kind: number, min: abc}]}]\n",
                Code.VALUE_WRONG_SHAPE
            },
            {
                plain + "groups: [{title: A, fields: [{key: a, label: A, kind: yes_no, required: maybe}]}]\n",
                Code.VALUE_WRONG_SHAPE
            },
            {
                plain + "groups: [{title: A, fields: [{key: a, label: A, kind: date, earliest: 2026-02-30}]}]\n",
                Code.VALUE_WRONG_SHAPE
            },
        };
    }

    @DataProvider
    public Object[][] unsafeNames() {
        return new Object[][] {
            {"../x.yaml"},
            {"/etc/passwd"},
            {"types/../../x"},
            {"C:\\x"},
            {"a\\..\\b"},
            {"a//b.yaml"},
            {"types/sp ace.yaml"},
            {"x\n.txt"}
        };
    }
}

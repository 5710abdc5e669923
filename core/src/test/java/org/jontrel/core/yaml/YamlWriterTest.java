package org.jontrel.core.yaml;

import static org.testng.Assert.assertEquals;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.snakeyaml.engine.v2.api.Load;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.schema.CoreSchema;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yaml.snakeyaml.Yaml;

/** A text reads back as the same text in every reader of YAML, of version 1.1 and of 1.2. */
public class YamlWriterTest {
    private static final String SIGNS = "0123456789abcdefxoeEyYnN+-.,:_~=<>!&*#?|%@`'\"{}[] TZ";

    @DataProvider
    public Object[][] texts() {
        return List.of(
                        "0x1F",
                        "0X1f",
                        "1_000",
                        "12:30:00",
                        "12:30",
                        "~",
                        "=",
                        "<<",
                        "null",
                        "Null",
                        "NULL",
                        "",
                        "y",
                        "Y",
                        "n",
                        "yes",
                        "No",
                        "on",
                        "Off",
                        "true",
                        "False",
                        "0b101",
                        "0o17",
                        "017",
                        "+12",
                        "-1",
                        "1.5",
                        ".5",
                        "5.",
                        "1e3",
                        "+.inf",
                        ".NaN",
                        "-.INF",
                        "2026-05-31",
                        "2026-05-31 10:00:00",
                        "2026-5-3T1:2:3Z",
                        "190:20:30",
                        "190:20:30.15",
                        "1,000",
                        "-",
                        "?",
                        ": a",
                        "a: b",
                        "a #b",
                        "#a",
                        "- a",
                        "[a",
                        "{a",
                        "*a",
                        "&a",
                        "!a",
                        "|",
                        ">",
                        "%a",
                        "@a",
                        "`a",
                        " a",
                        "a ",
                        "a\nb",
                        "\na",
                        "a\n",
                        "a\n\n",
                        "  a\nb",
                        "\t",
                        "😀",
                        "\u00e9",
                        "\u0085",
                        "a\tb",
                        "'",
                        "\"",
                        "\\",
                        "---",
                        "...",
                        "0",
                        "1_",
                        "_1",
                        "0x",
                        "0b",
                        "1.2.3",
                        "1.",
                        "e3",
                        "--1",
                        "1-2",
                        "12e",
                        "<",
                        "<<a",
                        "==",
                        "~a",
                        ".",
                        "..",
                        "+",
                        ".e5")
                .stream()
                .map(text -> new Object[] {text})
                .toArray(Object[][]::new);
    }

    @Test(dataProvider = "texts")
    public void everyTextReadsBackAsItself(String text) {
        same(text);
    }

    @Test
    public void drawnTextsReadBackAsThemselves() {
        var draw = new Random(3);
        for (int i = 0; i < 25_000; i++) {
            var text = new StringBuilder();
            for (int n = 0, length = 1 + draw.nextInt(8); n < length; n++) {
                text.append(SIGNS.charAt(draw.nextInt(SIGNS.length())));
            }
            same(text.toString());
        }
    }

    private static void same(String text) {
        var tree = new LinkedHashMap<String, Object>();
        tree.put("v", text);
        tree.put(text, "k");
        tree.put("l", new ArrayList<>(List.of(text, text)));
        var flow = new LinkedHashMap<String, Object>();
        flow.put("a", text);
        tree.put("m", flow);
        var written = YamlWriter.write(tree);
        var settings = LoadSettings.builder().setSchema(new CoreSchema()).build();
        assertEquals(new Load(settings).loadFromString(written), tree, "1.2: " + written);
        assertEquals((Map<?, ?>) new Yaml().load(written), tree, "1.1: " + written);
    }
}

package org.jontrel.cli.io;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Fix;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Findings as text and JSON. */
public final class Output {
    private static final JsonMapper JSON =
            JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private Output() {}

    public static String json(Object tree) {
        return JSON.writeValueAsString(tree);
    }

    /** {@code types/lock.yaml:3:5: blocker: sentence [CODE]} */
    public static String line(Finding finding) {
        return line(
                        finding.place().inFile(),
                        finding.severity().name().toLowerCase(Locale.ROOT),
                        finding.sentence(),
                        finding.code().name())
                + finding.fix().map(fix -> " Fix: " + fix.sentence() + ".").orElse("");
    }

    /** A finding that came over the network, as one of a file; the place may be empty. */
    public static String line(String place, String severity, String sentence, String code) {
        return (place.isEmpty() ? "" : place + ": ") + severity + ": " + sentence + " [" + code + "]";
    }

    public static List<Map<String, Object>> trees(List<Finding> findings) {
        return findings.stream().map(Output::tree).toList();
    }

    private static Map<String, Object> tree(Finding finding) {
        var tree = new LinkedHashMap<String, Object>();
        tree.put("code", finding.code().name());
        tree.put("severity", finding.severity().name().toLowerCase(Locale.ROOT));
        tree.put("file", finding.place().file());
        tree.put("line", finding.place().line());
        tree.put("column", finding.place().column());
        tree.put("definition", finding.place().definition());
        tree.put("element", finding.place().field());
        tree.put("property", finding.place().property());
        tree.put("sentence", finding.sentence());
        finding.fix().ifPresent(fix -> tree.put("fix", tree(fix)));
        return tree;
    }

    private static Map<String, Object> tree(Fix fix) {
        var tree = new LinkedHashMap<String, Object>();
        tree.put("sentence", fix.sentence());
        switch (fix) {
            case Fix.Set(String element, String property, Object value) -> {
                tree.put("element", element);
                tree.put("set", property);
                tree.put("value", value);
            }
            case Fix.Replace(String element, String property, String item, String with, String word) -> {
                tree.put("element", element);
                tree.put("replace", property);
                tree.put("item", item);
                tree.put("with", with);
                tree.put("word", word);
            }
            case Fix.Remove(String element, String property, List<String> items) -> {
                tree.put("element", element);
                tree.put("remove", property);
                tree.put("items", items);
            }
        }
        return tree;
    }
}

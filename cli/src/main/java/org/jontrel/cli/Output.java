package org.jontrel.cli;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jontrel.core.finding.Finding;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Findings as text and JSON. */
final class Output {
    private static final JsonMapper JSON =
            JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private Output() {}

    static String json(Object tree) {
        return JSON.writeValueAsString(tree);
    }

    /** {@code types/lock.yaml:3:5: blocker: sentence [CODE]} */
    static String line(Finding finding) {
        var place = finding.place().inFile().isEmpty() ? "" : finding.place().inFile() + ": ";
        return place + finding.severity().name().toLowerCase(Locale.ROOT) + ": " + finding.sentence() + " ["
                + finding.code() + "]";
    }

    static List<Map<String, Object>> trees(List<Finding> findings) {
        return findings.stream().map(Output::tree).toList();
    }

    private static Map<String, Object> tree(Finding finding) {
        var tree = new LinkedHashMap<String, Object>();
        tree.put("code", finding.code().name());
        tree.put("severity", finding.severity().name().toLowerCase(Locale.ROOT));
        tree.put("file", finding.place().file());
        tree.put("line", finding.place().line());
        tree.put("column", finding.place().column());
        tree.put("sentence", finding.sentence());
        return tree;
    }
}

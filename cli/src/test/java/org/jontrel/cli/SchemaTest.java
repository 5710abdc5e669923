package org.jontrel.cli;

import java.util.Map;
import java.util.TreeMap;
import org.testng.annotations.Test;

/** The published schemas say what the reader says, by a standard validator that asserts formats. */
public class SchemaTest extends SchemaAgreement {
    @Test(dataProvider = "values")
    public void everyValueIsTakenByBothOrByNeither(String property, String kind, String value) {
        var field = new TreeMap<>(Map.of("key", "x", "label", "X", "kind", kind));
        field.put(property, value);
        var text = new StringBuilder(
                "key: lock\nsingular: Lock\nplural: Locks\npath: locks\ngroups:\n  - title: G\n    fields:\n      -\n");
        field.forEach((name, each) ->
                text.append("        ").append(name).append(": ").append(each).append('\n'));
        agree("types/lock.yaml", text.toString(), property + ": " + value);
    }

    @Test(dataProvider = "manifests")
    public void manifestsAreTakenByBothOrByNeither(String line) {
        agree("package.yaml", line.startsWith("name") ? line + "\n" : "name: a\nversion: 1.0.0\n" + line + "\n", line);
    }

    @Test(dataProvider = "conditions")
    public void conditionsAreTakenByBothOrByNeither(String condition) {
        agree(
                "types/lock.yaml",
                "key: lock\nsingular: Lock\nplural: Locks\npath: locks\ngroups:\n  - title: G\n    show_when: "
                        + condition + "\n",
                condition);
    }
}

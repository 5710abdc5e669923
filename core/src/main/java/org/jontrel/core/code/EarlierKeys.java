package org.jontrel.core.code;

import java.util.HashMap;
import java.util.List;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Definition;
import org.jontrel.core.shape.Reading;
import org.jontrel.core.shape.Things;

/** Whether what files say of earlier keys can be: of things side by side, only one can have had a key. */
final class EarlierKeys {
    private final Reading reading;
    private final List<Finding> findings;

    private EarlierKeys(Reading reading, List<Finding> findings) {
        this.reading = reading;
        this.findings = findings;
    }

    static void check(List<Definition> definitions, Reading reading, List<Finding> findings) {
        if (reading.was().isEmpty()) {
            return;
        }
        var check = new EarlierKeys(reading, findings);
        for (var sort : Definition.Sort.values()) {
            check.beside(
                    definitions.stream().filter(each -> each.sort() == sort).toList());
        }
        definitions.forEach(check::within);
    }

    private void within(Object thing) {
        for (var property : Things.of(thing).properties()) {
            var items = Things.items(property, thing);
            beside(items);
            items.forEach(this::within);
        }
    }

    private void beside(List<?> things) {
        var owners = new HashMap<String, String>();
        for (var thing : things) {
            var shape = Things.shape(thing);
            var was = shape.scoped(thing) ? null : reading.was().get(shape.id(thing));
            var other = was == null ? null : owners.putIfAbsent(was, shape.label(thing));
            if (other != null) {
                var at = reading.origins().get(shape.id(thing));
                var node = at.node().property("was");
                findings.add(Finding.of(
                        Code.WAS_TWICE,
                        Place.in(at.file(), node.line(), node.column()),
                        was,
                        other,
                        shape.label(thing)));
            }
        }
    }
}

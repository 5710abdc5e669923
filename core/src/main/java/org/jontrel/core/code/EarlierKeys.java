package org.jontrel.core.code;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Definition;
import org.jontrel.core.shape.ReadContext;

/** Whether what files say of earlier keys can be: of things side by side, only one can have had a key. */
public final class EarlierKeys {
    private final ReadContext reading;
    private final List<Finding> findings;

    private EarlierKeys(ReadContext reading, List<Finding> findings) {
        this.reading = reading;
        this.findings = findings;
    }

    static void check(List<Definition> definitions, ReadContext reading, List<Finding> findings) {
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

    /**
     * Findings on earlier keys that nothing had.
     *
     * @param keys the keys, by the id that the thing has in what was read
     */
    public static List<Finding> unknown(PackageReader.Result read, Map<String, String> keys) {
        var findings = new ArrayList<Finding>();
        read.content()
                .ifPresent(content -> content.model().definitions().forEach(definition -> {
                    tell(definition, keys, findings, definition.id(), "");
                    Things.within(definition, thing -> {
                        var id = Things.shape(thing).id(thing);
                        tell(thing, keys, findings, definition.id(), id);
                    });
                }));
        return read.origins().locate(findings);
    }

    private static void tell(
            Object thing, Map<String, String> keys, List<Finding> findings, String definition, String element) {
        var shape = Things.shape(thing);
        var key = shape.scoped(thing) ? null : keys.get(shape.id(thing));
        if (key != null) {
            var place = Place.field(definition, element, "was");
            findings.add(Finding.of(Code.WAS_UNKNOWN, place, shape.label(thing), key));
        }
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

package org.jontrel.core.check;

import java.util.List;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Fix;
import org.jontrel.core.finding.Place;

/**
 * Where one definition's findings go.
 *
 * @param element id of the field, group, term or block they are about; empty for the definition itself
 */
record Report(List<Finding> findings, String definition, String element) {
    Report of(String newElement) {
        return new Report(findings, definition, newElement.equals(definition) ? "" : newElement);
    }

    Place place(String property) {
        return Place.field(definition, element, property);
    }

    void add(String property, Code code, Object... arguments) {
        findings.add(Finding.of(code, place(property), arguments));
    }

    /** With what would mend it: the property set to a value as it stands in a file, or left out for {@code null}. */
    void addFixed(String property, Object value, Code code, Object... arguments) {
        var fix = new Fix.Set(element.isEmpty() ? definition : element, property, value);
        findings.add(Finding.of(code, place(property), arguments).with(fix));
    }

    /** With what would mend it: something taken out of a list. */
    void addRemovable(String property, String item, Code code, Object... arguments) {
        var fix = new Fix.Remove(element.isEmpty() ? definition : element, property, List.of(item));
        findings.add(Finding.of(code, place(property), arguments).with(fix));
    }
}

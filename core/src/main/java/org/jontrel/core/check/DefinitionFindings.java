package org.jontrel.core.check;

import java.util.List;
import java.util.Map;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Fix;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.recordtype.RowSize;

/**
 * Where one definition's findings go.
 *
 * @param element id of the field, group, term or block they are about; empty for the definition itself
 */
record DefinitionFindings(List<Finding> findings, String definition, String element) {
    DefinitionFindings of(String newElement) {
        return new DefinitionFindings(findings, definition, newElement.equals(definition) ? "" : newElement);
    }

    Place place(String property) {
        return Place.field(definition, element, property);
    }

    void add(String property, Code code, Object... arguments) {
        findings.add(Finding.of(code, place(property), arguments));
    }

    /** Reports fields that do not fit one row of the database. */
    void fits(List<Field> fields, String owner) {
        int bytes = RowSize.bytes(fields);
        if (bytes > RowSize.MOST) {
            add("groups", Code.ROW_TOO_WIDE, owner, bytes, RowSize.MOST);
        }
    }

    /** With what would mend it: the property set to a value as it stands in a file, or left out for {@code null}. */
    void addFixed(String property, Object value, Code code, Object... arguments) {
        var fix = new Fix.Set(element.isEmpty() ? definition : element, property, value);
        findings.add(Finding.of(code, place(property), arguments).with(fix));
    }

    /**
     * A word that names nothing, with the one that was surely meant in its place; without a fix where none was.
     *
     * @param property the list that holds the word, or the property whose value it is
     * @param place where the word stands, as a path of properties
     * @param owner what refers, in words
     * @param noun what it should name, in words
     * @param valid what it could name: ids by the words of files
     */
    void addUnknown(String property, String place, String owner, String noun, String word, Map<String, String> valid) {
        var finding =
                Finding.of(Code.REFERENCE_UNKNOWN, place(place), owner, noun, word, Nearest.hint(word, valid.keySet()));
        addMeant(finding, property, word, valid);
    }

    /** A finding about a word, with the one that was surely meant in its place. */
    void addMeant(Finding finding, String property, String word, Map<String, String> valid) {
        var meant = Nearest.sure(word, valid.keySet());
        var thing = element.isEmpty() ? definition : element;
        findings.add(meant.map(each -> finding.with(new Fix.Replace(thing, property, word, valid.get(each), each)))
                .orElse(finding));
    }

    /** With what would mend it: something taken out of a list. */
    void addRemovable(String property, String item, Code code, Object... arguments) {
        var fix = new Fix.Remove(element.isEmpty() ? definition : element, property, List.of(item));
        findings.add(Finding.of(code, place(property), arguments).with(fix));
    }
}

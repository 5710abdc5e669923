package org.jontrel.core.model;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * A starter term of a taxonomy.
 *
 * @param values what it holds, by id of the taxonomy's field, as text in the field's form
 * @param children terms below it; only in a hierarchical taxonomy
 */
public record Term(String id, String key, String label, Map<String, String> values, List<Term> children) {
    public Term {
        values = Collections.unmodifiableMap(new TreeMap<>(values));
        children = List.copyOf(children);
    }

    /** This term, then all below it. */
    public Stream<Term> withDescendants() {
        return Stream.concat(Stream.of(this), children.stream().flatMap(Term::withDescendants));
    }
}

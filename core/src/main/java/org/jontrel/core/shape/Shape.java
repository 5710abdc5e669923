package org.jontrel.core.shape;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;

/**
 * How a value of one class stands in a file: read from nodes with findings, written to a tree of maps, lists and
 * scalars, and described as JSON Schema (2020-12). One description serves all three.
 */
public interface Shape<T> {
    /** The value, or empty with a finding added. */
    Optional<T> read(Node node, String name, ReadContext reading);

    /** A tree of {@link SequencedMap}, {@link List}, {@link String}, {@link Boolean}, {@link Number}. */
    Object write(T value, WriteContext to);

    Map<String, Object> schema(Schemas schemas);

    /** The value with other ids and references; the value itself where nothing in it changes. */
    default T map(T value, Mapper mapper) {
        return value;
    }
}

package org.jontrel.core.shape;

import java.util.Map;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.condition.Condition;

/** Puts other ids and references into definitions: a rewritten copy, with everything else as it was. */
public interface Mapper {
    /** What a reference points at. */
    enum ReferenceTarget {
        TYPE,
        TAXONOMY,
        GROUP,
        LIST,
        LAYOUT,
        LISTING,
        PART,
        /** A content type or taxonomy. */
        RECORDS,
        FIELD,
        /** A field or a taxonomy. */
        FIELD_OR_TAXONOMY,
        /** The way to a value, with dots between its steps. */
        VALUE,
        /** A field within the one that refers to it. */
        INNER_FIELD
    }

    default String id(String id) {
        return id;
    }

    default String reference(ReferenceTarget target, String word) {
        return word;
    }

    /** A comparison of a field, terms or the parent; its values go with what they are compared with. */
    default Condition comparison(Condition comparison) {
        return comparison;
    }

    /** The default of a field whose other references are mapped already. */
    default String fallback(Field field) {
        return field.fallback();
    }

    /** Values of a starter term by field. */
    default Map<String, String> values(Map<String, String> values) {
        return values;
    }

    /** The mapper for all properties of a thing. */
    default Mapper enter(Object thing) {
        return this;
    }

    /** The mapper for the things within a thing, and for what it says of them. */
    default Mapper inside(Object thing) {
        return this;
    }
}

package org.jontrel.core.generate.api;

import java.util.List;

/** What sort of value the API gives, as JSON has it. */
public sealed interface ApiValue {
    /** A text, formatted or not. */
    record TextValue() implements ApiValue {}

    /** A number. @param whole without decimals */
    record NumberValue(boolean whole) implements ApiValue {}

    /** True or false. */
    record FlagValue() implements ApiValue {}

    /** A text with a day, a time of day, or both without a zone: {@code 2026-05-01}, {@code 07:30}, {@code 2026-05-01T07:30}. */
    record MomentValue(MomentSort sort) implements ApiValue {}

    /** What a text with a day or a time says. */
    enum MomentSort {
        DATE,
        TIME,
        DATE_TIME
    }

    /** The key of an option. */
    record OptionValue(List<String> keys) implements ApiValue {}

    /** A place on earth, an object of {@code latitude} and {@code longitude}. */
    record SpotValue() implements ApiValue {}

    /**
     * An object of {@code type}, {@code id} and {@code title}; the record itself where it is included.
     *
     * @param types keys of the content types that it can lead to
     */
    record LinkValue(List<String> types) implements ApiValue {}

    /** An object of {@code id} and {@code label}. */
    record TermValue() implements ApiValue {}

    /** An object of {@code id}, {@code url}, {@code alt}, {@code width} and {@code height}. */
    record PictureValue() implements ApiValue {}

    /** An object of {@code id}, {@code url}, {@code name} and {@code bytes}. */
    record FileValue() implements ApiValue {}

    /** An object with fields of its own: a group, or each of the rows of a repeater. */
    record NestedValue(List<ApiField> fields) implements ApiValue {}
}

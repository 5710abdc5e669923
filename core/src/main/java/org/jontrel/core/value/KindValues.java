package org.jontrel.core.value;

import java.util.List;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;

/** What the values of one kind are: how they are read, checked, shown and turned into text and back. */
sealed interface KindValues
        permits TextValues,
                LongTextValues,
                NumberValues,
                YesNoValues,
                DateValues,
                TimeValues,
                EmailValues,
                PhoneValues,
                ColourValues,
                ChoiceValues,
                ImageValues,
                DateTimeValues,
                UrlValues,
                IconValues,
                TermValues,
                RichTextValues,
                FileValues,
                LinkValues,
                GeoPointValues,
                WholeValues {
    /** The value from what a form or the API sent (never null or blank), or why not. */
    ReadValue read(Object raw, Where where);

    /** What the value breaks of the field's limits; the value is of this kind's class. */
    default List<Finding> check(Object value, Where where) {
        return List.of();
    }

    /** As a visitor reads it. */
    default String show(Object value) {
        return value.toString();
    }

    /** As JSON carries it: text, true or false, or a whole number. */
    Object wire(Object value);

    /** The value for a text that somebody typed elsewhere, as in a conversion; empty where it cannot be read. */
    Optional<Object> fromText(String text);

    /** Reading for kinds whose values are sent as the text that {@link #fromText} understands. */
    default ReadValue readText(Object raw, Code refusal, Where where) {
        return fromText(String.valueOf(raw).strip())
                .map(ReadValue::of)
                .orElseGet(() -> ReadValue.not(where.finding(refusal, raw)));
    }

    /** The place and the label that findings mention. */
    record Where(Place place, String label) {
        Finding finding(Code code, Object... more) {
            var arguments = new Object[more.length + 1];
            arguments[0] = label;
            System.arraycopy(more, 0, arguments, 1, more.length);
            return Finding.of(code, place, arguments);
        }
    }

    /** A value, or a finding. */
    record ReadValue(Optional<Object> value, Optional<Finding> finding) {
        static ReadValue of(Object value) {
            return new ReadValue(Optional.of(value), Optional.empty());
        }

        static ReadValue not(Finding finding) {
            return new ReadValue(Optional.empty(), Optional.of(finding));
        }
    }
}

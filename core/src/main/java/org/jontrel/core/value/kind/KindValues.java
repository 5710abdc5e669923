package org.jontrel.core.value.kind;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Kind;

/** What the values of one kind are: how they are read, checked, shown and turned into text and back. */
public sealed interface KindValues
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
    /** Those of a kind. */
    static KindValues of(Kind kind) {
        return switch (kind) {
            case Kind.Text text -> new TextValues(text);
            case Kind.LongText text -> new LongTextValues(text);
            case Kind.Numeric number -> new NumberValues(number);
            case Kind.YesNo yesNo -> new YesNoValues(yesNo);
            case Kind.Date date -> new DateValues(date);
            case Kind.Time time -> new TimeValues(time);
            case Kind.Email _ -> new EmailValues();
            case Kind.Phone _ -> new PhoneValues();
            case Kind.Colour _ -> new ColourValues();
            case Kind.Choice choice -> new ChoiceValues(choice);
            case Kind.Image image -> new ImageValues(image);
            case Kind.DateTime moment -> new DateTimeValues(moment);
            case Kind.Url url -> new UrlValues(url);
            case Kind.Icon _ -> new IconValues();
            case Kind.TermPick _ -> new TermValues();
            case Kind.RichText text -> new RichTextValues(text);
            case Kind.File file -> new FileValues(file);
            case Kind.Relation relation -> new LinkValues(relation);
            case Kind.Coordinates _ -> new GeoPointValues();
            case Kind.Nested _, Kind.Note _ -> new WholeValues();
        };
    }

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
        /**
         * Whether a value is before the earliest or after the latest that is allowed.
         *
         * @param earliest {@code null} for any
         * @param latest {@code null} for any
         */
        <T extends Comparable<? super T>> List<Finding> between(T value, T earliest, T latest) {
            var findings = new ArrayList<Finding>();
            if (earliest != null && value.compareTo(earliest) < 0) {
                findings.add(finding(Code.VALUE_TOO_EARLY, value, earliest));
            }
            if (latest != null && value.compareTo(latest) > 0) {
                findings.add(finding(Code.VALUE_TOO_LATE, value, latest));
            }
            return findings;
        }

        public Finding finding(Code code, Object... more) {
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

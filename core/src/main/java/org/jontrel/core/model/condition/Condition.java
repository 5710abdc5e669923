package org.jontrel.core.model.condition;

import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/**
 * When something is shown, or which records are meant: one small structure everywhere. Values stand as text in the
 * form of the field they are compared with; options and terms stand as their ids.
 */
public sealed interface Condition {
    /** Holds for everything. */
    Condition ALWAYS = new All(List.of());

    /** All of them hold; also where there are none. */
    record All(List<Condition> of) implements Condition {
        public All {
            of = List.copyOf(of);
        }
    }

    /** At least one of them holds. */
    record Any(List<Condition> of) implements Condition {
        public Any {
            of = List.copyOf(of);
        }
    }

    record Not(Condition of) implements Condition {}

    /**
     * A field's value compared.
     *
     * @param field id of the field
     * @param values any of which will do; one {@code true} or {@code false} for {@link Test#FILLED}
     */
    record FieldIs(String field, Test test, List<String> values) implements Condition {
        public FieldIs {
            values = List.copyOf(values);
        }
    }

    /**
     * A record's terms compared.
     *
     * @param taxonomy id of the taxonomy
     * @param values ids of terms, any of which will do
     */
    record TermIs(String taxonomy, Test test, List<String> values) implements Condition {
        public TermIs {
            values = List.copyOf(values);
        }
    }

    /** The record stands below one of these types; below any where the list is empty. */
    record ParentIs(List<String> types) implements Condition {
        public ParentIs {
            types = List.copyOf(types);
        }
    }

    record StateIs(RecordState state) implements Condition {}

    /** The record has one of these as the last part of its address; for layouts and listings. */
    record AddressIs(List<String> slugs) implements Condition {
        public AddressIs {
            slugs = List.copyOf(slugs);
        }
    }

    /** How a value is compared. */
    enum Test {
        /** Equal to one of the values. */
        IS,
        /** Equal to none of the values. */
        IS_NOT,
        ABOVE,
        AT_LEAST,
        BELOW,
        AT_MOST,
        /** A text that has one of the values within, whatever its case. */
        HAS,
        /** Terms only: one of the values or a term under it. */
        UNDER,
        /** Has a value at all. */
        FILLED;

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** Whether it compares greater with smaller. */
        public boolean ordered() {
            return this == ABOVE || this == AT_LEAST || this == BELOW || this == AT_MOST;
        }
    }

    /** This condition and everything within it. */
    default Stream<Condition> all() {
        return Stream.concat(
                Stream.of(this),
                switch (this) {
                    case All(List<Condition> of) -> of.stream().flatMap(Condition::all);
                    case Any(List<Condition> of) -> of.stream().flatMap(Condition::all);
                    case Not(Condition of) -> of.all();
                    case FieldIs _, TermIs _, ParentIs _, StateIs _, AddressIs _ -> Stream.empty();
                });
    }
}

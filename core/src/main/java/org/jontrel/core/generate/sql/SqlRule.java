package org.jontrel.core.generate.sql;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;

/** What the values of a row must be. A value that is missing breaks no rule. */
sealed interface SqlRule {
    /** The columns that it is about. */
    List<String> columns();

    /** The same under other names of columns; those without another keep theirs. */
    SqlRule renamed(Map<String, String> names);

    /** @param words the words that are allowed, by the ids of what they stand for */
    record OneOf(String column, SequencedMap<String, String> words) implements SqlRule {
        public OneOf {
            words = Collections.unmodifiableSequencedMap(new LinkedHashMap<>(words));
        }

        @Override
        public List<String> columns() {
            return List.of(column);
        }

        @Override
        public OneOf renamed(Map<String, String> names) {
            return new OneOf(names.getOrDefault(column, column), words);
        }
    }

    /**
     * What a value is compared with.
     *
     * @param sign such as {@code >=}
     * @param literal a number, a day or a time, as both databases write it
     */
    record Bound(String column, String sign, String literal) implements SqlRule {
        @Override
        public List<String> columns() {
            return List.of(column);
        }

        @Override
        public Bound renamed(Map<String, String> names) {
            return new Bound(names.getOrDefault(column, column), sign, literal);
        }
    }

    /** How many characters a text has. */
    record Length(String column, String sign, int characters) implements SqlRule {
        @Override
        public List<String> columns() {
            return List.of(column);
        }

        @Override
        public Length renamed(Map<String, String> names) {
            return new Length(names.getOrDefault(column, column), sign, characters);
        }
    }

    /** With how many decimals at most. */
    record Decimals(String column, int most) implements SqlRule {
        @Override
        public List<String> columns() {
            return List.of(column);
        }

        @Override
        public Decimals renamed(Map<String, String> names) {
            return new Decimals(names.getOrDefault(column, column), most);
        }
    }

    /** Either both have a value or neither. */
    record Together(String first, String second) implements SqlRule {
        @Override
        public List<String> columns() {
            return new ArrayList<>(List.of(first, second));
        }

        @Override
        public Together renamed(Map<String, String> names) {
            return new Together(names.getOrDefault(first, first), names.getOrDefault(second, second));
        }
    }
}

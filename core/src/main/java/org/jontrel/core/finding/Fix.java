package org.jontrel.core.finding;

import java.util.List;

/** What would mend a finding, in the words of the code format. */
public sealed interface Fix {
    /** What it does, in a clause: {@code set path to moorings}. */
    String sentence();

    /**
     * Gives a property of a thing another value.
     *
     * @param element id of the definition, field, option or other thing
     * @param value as it stands in a file: text, number, true or false, or {@code null} to leave it out
     */
    record Set(String element, String property, Object value) implements Fix {
        @Override
        public String sentence() {
            return value == null ? "leave out " + property : "set " + property + " to " + value;
        }
    }

    /** Takes things out of a list within a thing; each by its id, or by what it uses. */
    record Remove(String element, String property, List<String> items) implements Fix {
        public Remove {
            items = List.copyOf(items);
        }

        @Override
        public String sentence() {
            return "take " + String.join(", ", items) + " out of " + property;
        }
    }
}

package org.jontrel.core.finding;

import java.util.List;

/** What would mend a finding, in the words of the code format. */
public sealed interface Fix {
    /** What it does, in a clause: {@code set path to moorings}. */
    String sentence();

    /** Whether it takes out what somebody wrote, with nothing in its place. */
    boolean removes();

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

        @Override
        public boolean removes() {
            return value == null;
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

        @Override
        public boolean removes() {
            return true;
        }
    }

    /**
     * Puts the right word in the place of one that names nothing.
     *
     * @param property the list that holds it, or the property that it is the value of
     * @param with what is put there in the model: the id of what was meant
     * @param word what is put there in a file
     */
    record Replace(String element, String property, String item, String with, String word) implements Fix {
        @Override
        public String sentence() {
            return "write " + word + " for " + item + " in " + property;
        }

        @Override
        public boolean removes() {
            return false;
        }
    }
}

package org.jontrel.core.code;

import java.util.LinkedHashMap;
import java.util.Locale;

/**
 * The architect's answer to a finding of a plan.
 *
 * @param fieldId of the field it is about, or of the definition where whole records are held
 * @param value what to fill with, as text in the field's own form; empty for other answers
 */
public record Decision(String fieldId, Topic about, Action answer, String value) {
    /** What was asked. */
    public enum Topic {
        REQUIRED_EMPTY,
        UNCONVERTED,
        OUTSIDE_LIMITS,
        /** Whether values that are held for it come back. */
        HELD_VALUES;

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }

        static LinkedHashMap<String, Topic> byCode() {
            var words = new LinkedHashMap<String, Topic>();
            for (var about : values()) {
                words.put(about.code(), about);
            }
            return words;
        }
    }

    /** What to do. */
    public enum Action {
        /** Give records without a value this one. */
        FILL,
        /** Leave records as they are and mark those that do not satisfy the definition incomplete. */
        LEAVE,
        /** Keep values that do not convert as held values. */
        SET_ASIDE,
        /** Take held values into use again. */
        BRING_BACK;

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }

        static LinkedHashMap<String, Action> byCode() {
            var words = new LinkedHashMap<String, Action>();
            for (var answer : values()) {
                words.put(answer.code(), answer);
            }
            return words;
        }
    }
}

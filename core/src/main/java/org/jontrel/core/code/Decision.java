package org.jontrel.core.code;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;

/**
 * The architect's answer to a finding of a plan.
 *
 * @param fieldId of the field it is about, or of the definition where whole records are held
 * @param value what to fill with, as text in the field's own form; empty for other answers
 * @param corrections what single values become that could not be taken over as they are
 */
public record Decision(String fieldId, Topic about, Action answer, String value, List<Correction> corrections) {
    public static final int MOST_CORRECTIONS = 2_000;

    public Decision {
        corrections = List.copyOf(corrections);
    }

    /** Without corrections. */
    public Decision(String fieldId, Topic about, Action answer, String value) {
        this(fieldId, about, answer, value, List.of());
    }

    /** The same answer about another field. */
    public Decision about(String id) {
        return new Decision(id, about, answer, value, corrections);
    }

    /**
     * One value corrected, wherever it stands.
     *
     * @param from the value as people read it
     * @param to the value it becomes, as text in the form of the field as it will be or as people write such values; empty for a
     *     value that is set aside and held
     */
    public record Correction(String from, String to) {
        public boolean isAside() {
            return to.isEmpty();
        }
    }

    /** What was asked. */
    public enum Topic {
        REQUIRED_EMPTY,
        UNCONVERTED,
        OUTSIDE_LIMITS,
        /** Whether values that are held for it come back. */
        HELD_VALUES,
        /** Which of several values becomes the only one. */
        SEVERAL_VALUES,
        /** Which fields that go a new one takes its values from. */
        SOURCES,
        /** Whether texts become several values. */
        SPLIT_TEXTS,
        /** Which field of what a relation leads to is meant by names, where it is not the title. */
        MATCHED_BY,
        /** Whether rows that go become records of a new content type, or records that go new rows. */
        RECORDS,
        /** What records of a content type that goes become, or which records those of a new one are. */
        RECORD_TYPE;

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
        /** Take them over as they are corrected; others of them are asked about. */
        CORRECT,
        /** Take held values into use again. */
        BRING_BACK,
        /** Take the first of several values; the others are held. */
        FIRST,
        /** Take the last of several values; the others are held. */
        LAST,
        /** Make one text of several; the answer's value stands between them. */
        JOIN,
        /** Take the values of the fields that the answer's value names by their keys. */
        GATHER,
        /** Make one record of all of them that say the same. */
        UNITE,
        /** Make them records of the type that the answer's value names, or take those that it names. */
        MOVE,
        /** Make terms, or records, for the names that none has. */
        MAKE,
        /** Make terms for the names that none has, one under another wherever the answer's value stands in a name. */
        NEST,
        /** Look names up in the field that the answer's value names by its key. */
        MATCH,
        /** Split texts wherever the answer's value stands in them; {@code \\n} stands for the end of a line. */
        SPLIT;

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

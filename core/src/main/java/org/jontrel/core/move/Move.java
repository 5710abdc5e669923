package org.jontrel.core.move;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jontrel.core.recordtype.RecordType;

/**
 * How values come to a field that stands elsewhere than they did, or that keeps them in another way.
 *
 * @param target id of the field that they come to, with all that is within it
 * @param how the rule
 * @param sources ids of the fields that they come from, in order
 * @param take which of several values becomes the only one
 * @param between what stands between texts that are joined, or at which a text is split; empty for a text that stays whole
 * @param fill value for a place without one, as text in the target's form; empty for none
 * @param makes name under which terms and records are noted that are not there yet, to be made by the switch; empty for none
 * @param makesAll whether they are made for all names, not only of those that the definition begins with
 * @param levels what stands between the levels in the names of terms, as {@code >} in {@code Wood > Oak}; empty where a name is one
 *     label
 * @param match key of the field of what a relation leads to that names are looked up in; empty for titles
 * @param corrections what values become that could not be taken over, as those of a conversion
 */
public record Move(
        String target,
        How how,
        List<String> sources,
        Take take,
        String between,
        String fill,
        String makes,
        boolean makesAll,
        String levels,
        String match,
        Map<String, String> corrections) {
    public Move {
        // journals of earlier versions have none
        makes = makes == null ? "" : makes;
        levels = levels == null ? "" : levels;
        match = match == null ? "" : match;
        sources = List.copyOf(sources);
        corrections = corrections == null ? Map.of() : Map.copyOf(corrections);
    }

    /** Where values come from. */
    public enum How {
        /** From the field itself and those within it, wherever they stood. */
        OWN,
        /** A row, or one of several values, for each source that has one. */
        GATHERED,
        /** By a {@link Formula}, which {@link Move#between} says, over fields of the same record or row. */
        COMPUTED,
        /**
         * The other way round: the value with a number among those gathered, or of a field of the row with this number.
         * {@link Move#between} says which: {@code 2}, {@code 2/fname}.
         */
        NTH
    }

    /** Which of several values is taken. */
    public enum Take {
        FIRST,
        LAST,
        /** All, as one text. */
        JOINED
    }

    /** The field's own values, the first of several. */
    public static Move own(String fieldId, List<String> sources) {
        return new Move(fieldId, How.OWN, sources, Take.FIRST, "", "", "", false, "", "", Map.of());
    }

    public Move taking(Take which, String separator) {
        return new Move(target, how, sources, which, separator, fill, makes, makesAll, levels, match, corrections);
    }

    public Move filling(String value) {
        return new Move(target, how, sources, take, between, value, makes, makesAll, levels, match, corrections);
    }

    public Move correcting(Map<String, String> values) {
        return new Move(target, how, sources, take, between, fill, makes, makesAll, levels, match, values);
    }

    /**
     * @param name under which terms or records are made; empty for none
     * @param all whether of all names
     */
    public Move making(String name, boolean all) {
        return new Move(target, how, sources, take, between, fill, name, all, levels, match, corrections);
    }

    /** @param separator what stands between the levels in the names of terms; empty where a name is one label */
    public Move levelled(String separator) {
        return new Move(target, how, sources, take, between, fill, makes, makesAll, separator, match, corrections);
    }

    /** @param key of the field that names are looked up in; empty for titles */
    public Move matchedBy(String key) {
        return new Move(target, how, sources, take, between, fill, makes, makesAll, levels, key, corrections);
    }

    /** The labels that a name is made of, the uppermost first; one where it has no levels, none where it says nothing. */
    public List<String> path(String name) {
        var parts = levels.isEmpty() ? Stream.of(name) : Arrays.stream(name.split(Pattern.quote(levels)));
        return parts.map(String::strip).filter(part -> !part.isEmpty()).toList();
    }

    /** The name that {@link #path} takes apart. */
    String named(List<String> path) {
        return String.join(levels.equals(levels.strip()) ? " " + levels + " " : levels, path);
    }

    /**
     * The other way round.
     *
     * @param back ids of the older fields whose values are to be had back
     */
    public static List<Move> back(List<Move> moves, Set<String> back, RecordType older, RecordType newer) {
        var all = new ArrayList<Move>();
        for (var each : back) {
            var gathered = moves.stream()
                    .filter(move ->
                            move.how() == Move.How.GATHERED && move.sources().contains(each))
                    .findFirst();
            all.add(gathered.map(move -> move.nth(each, older, newer))
                    .orElseGet(() -> named(own(each, List.of()), moves)));
        }
        return all;
    }

    /** With the names that the move to the field has. */
    private static Move named(Move back, List<Move> moves) {
        return moves.stream()
                .filter(move -> move.target().equals(back.target()))
                .findFirst()
                .map(move -> back.levelled(move.levels()).matchedBy(move.match()))
                .orElse(back);
    }

    private Move nth(String source, RecordType older, RecordType newer) {
        var goal = newer.field(target).orElseThrow();
        var place = goal.inner().isEmpty()
                ? String.valueOf(sources.indexOf(source))
                : NumberedFields.place(
                        sources.stream().flatMap(id -> older.field(id).stream()).toList(), goal, source);
        return new Move(source, How.NTH, List.of(target), Take.FIRST, place, "", "", false, "", "", Map.of());
    }
}

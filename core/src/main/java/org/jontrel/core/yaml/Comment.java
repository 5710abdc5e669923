package org.jontrel.core.yaml;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;

/**
 * What stands around one value of a file and is not part of it. A line is the text behind {@code #}, with its spaces; an
 * empty line of the file is {@link #BLANK}.
 *
 * @param above lines above it
 * @param beside what stands behind it on its line; nearly always one or none
 * @param below lines below it, where nothing follows that they could stand above
 */
public record Comment(List<String> above, List<String> beside, List<String> below) {
    /** An empty line; no comment has a line break in it. */
    public static final String BLANK = "\n";

    static final Comment NONE = new Comment(List.of(), List.of(), List.of());

    public Comment {
        above = List.copyOf(above);
        beside = List.copyOf(beside);
        below = List.copyOf(below);
    }

    boolean isEmpty() {
        return above.isEmpty() && beside.isEmpty() && below.isEmpty();
    }

    /** The same with more lines above, behind those it has. */
    Comment withAbove(List<String> lines) {
        var all = new ArrayList<>(above);
        all.addAll(lines);
        return new Comment(all, beside, below);
    }

    /** This and what stands at a value within it as one. */
    Comment joined(Comment within) {
        var lines = new ArrayList<>(beside);
        lines.addAll(within.beside);
        var last = new ArrayList<>(within.below);
        last.addAll(below);
        var first = new ArrayList<>(above);
        first.addAll(within.above);
        return new Comment(first, lines, last);
    }

    /** Every line, in the order of the file. */
    List<String> lines() {
        var all = new ArrayList<>(above);
        all.addAll(beside);
        all.addAll(below);
        return all;
    }

    /** Each place as the side has it that changed it; where both did, the lines of both. */
    static Comment merge(Comment base, Comment ours, Comment theirs) {
        return new Comment(
                merge(base.above, ours.above, theirs.above),
                merge(base.beside, ours.beside, theirs.beside),
                merge(base.below, ours.below, theirs.below));
    }

    private static List<String> merge(List<String> base, List<String> ours, List<String> theirs) {
        if (Objects.equals(ours, theirs) || Objects.equals(base, theirs)) {
            return ours;
        }
        if (Objects.equals(base, ours)) {
            return theirs;
        }
        var gone = new LinkedHashSet<>(base);
        gone.removeIf(line -> ours.contains(line) && theirs.contains(line));
        var both = new ArrayList<>(ours);
        theirs.stream().filter(line -> !ours.contains(line)).forEach(both::add);
        both.removeIf(line -> gone.contains(line) && !line.equals(BLANK));
        return both;
    }
}

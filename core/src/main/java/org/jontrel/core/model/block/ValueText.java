package org.jontrel.core.model.block;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A text with values within: {@code Built in {built} by {builder}}. {@code {a else b else "nobody"}} takes the first that is
 * filled; doubled braces stand for themselves.
 */
public record ValueText(List<TextPiece> pieces) {
    private static final String ELSE = "else";

    public ValueText {
        pieces = List.copyOf(pieces);
    }

    /** A run of a text. */
    public sealed interface TextPiece {}

    /** @param written as it stands in the text, where braces may be doubled */
    public record Words(String text, String written) implements TextPiece {}

    /**
     * The first of several values that is filled.
     *
     * @param otherwise what stands there where none is
     * @param written as it stands in the text
     */
    public record FirstFilled(List<String> paths, Optional<String> otherwise, String written) implements TextPiece {
        public FirstFilled {
            paths = List.copyOf(paths);
        }

        private FirstFilled with(UnaryOperator<String> path) {
            var other = paths.stream().map(path).toList();
            if (other.equals(paths)) {
                return this;
            }
            var all = Stream.concat(other.stream(), otherwise.stream().map(text -> "\"" + text + "\""));
            return new FirstFilled(other, otherwise, all.collect(Collectors.joining(" " + ELSE + " ", "{", "}")));
        }
    }

    /** Reads a text; braces that do not fit together are words. */
    public static ValueText of(String text) {
        var pieces = new ArrayList<TextPiece>();
        var words = new StringBuilder();
        int from = 0;
        int at = 0;
        while (at < text.length()) {
            char c = text.charAt(at);
            boolean doubled = at + 1 < text.length() && text.charAt(at + 1) == c;
            if ((c == '{' || c == '}') && doubled) {
                words.append(c);
                at += 2;
                continue;
            }
            int end = c == '{' ? text.indexOf('}', at) : -1;
            var value = end < 0 ? Optional.<FirstFilled>empty() : value(text.substring(at, end + 1));
            if (value.isEmpty()) {
                words.append(c);
                at++;
                continue;
            }
            add(pieces, words, text.substring(from, at));
            pieces.add(value.get());
            at = end + 1;
            from = at;
        }
        add(pieces, words, text.substring(from));
        return new ValueText(pieces);
    }

    private static void add(List<TextPiece> pieces, StringBuilder words, String written) {
        if (!words.isEmpty()) {
            pieces.add(new Words(words.toString(), written));
            words.setLength(0);
        }
    }

    private static Optional<FirstFilled> value(String written) {
        var parts = written.substring(1, written.length() - 1).strip().split("\\s+" + ELSE + "\\s+", -1);
        var last = parts[parts.length - 1];
        boolean said = last.length() > 1 && last.startsWith("\"") && last.endsWith("\"");
        var paths = Arrays.asList(parts).subList(0, said ? parts.length - 1 : parts.length);
        boolean valid = !paths.isEmpty() && paths.stream().allMatch(path -> path.matches("[a-z0-9_?][a-z0-9_.?]*"));
        return valid
                ? Optional.of(new FirstFilled(
                        paths, said ? Optional.of(last.substring(1, last.length() - 1)) : Optional.empty(), written))
                : Optional.empty();
    }

    /** The ways to all values within. */
    public Stream<String> paths() {
        return pieces.stream()
                .filter(FirstFilled.class::isInstance)
                .flatMap(piece -> ((FirstFilled) piece).paths().stream());
    }

    /** The text with other ways to its values. */
    public ValueText with(UnaryOperator<String> path) {
        return new ValueText(pieces.stream()
                .map(piece -> switch (piece) {
                    case Words words -> words;
                    case FirstFilled value -> (TextPiece) value.with(path);
                })
                .toList());
    }

    /** As it is written. */
    @Override
    public String toString() {
        return pieces.stream()
                .map(piece -> switch (piece) {
                    case Words words -> words.written();
                    case FirstFilled value -> value.written();
                })
                .collect(Collectors.joining());
    }
}

package org.jontrel.core.move;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.record.Conversion;
import org.jontrel.core.record.Values;

/** Takes single values over, also where they name records or terms, or are the names of them. */
final class MoveConversion {
    /** What names are read as, on their way to another kind. */
    private static final Field NAME = new Field("name", "name", "Name", "", false, Kind.Text.PLAIN);

    private final NameLookup references;

    MoveConversion(NameLookup references) {
        this.references = references;
    }

    /**
     * A value (not {@code null}), or its parts where a text is split.
     *
     * @param several whether there is room for several
     */
    Stream<Object> parts(Field from, Field to, Object value, boolean several, Move move, MoveLosses losses) {
        boolean text = several && value instanceof String && MoveRules.joins(from.kind());
        if (text) {
            losses.splittable((String) value);
        }
        boolean splits = text
                && move != null
                && move.take() != Move.Take.JOINED
                && !move.between().isEmpty();
        return splits
                ? Arrays.stream(((String) value).split(Pattern.quote(move.between())))
                        .map(String::strip)
                        .filter(part -> !part.isEmpty())
                        .flatMap(part -> one(from, to, part, move, losses).stream())
                : one(from, to, value, move, losses).stream();
    }

    Optional<Object> one(Field from, Field to, Object value, Move move, MoveLosses losses) {
        var taken = taken(from, to, value, move, losses);
        if (taken.isEmpty()) {
            losses.unconverted(written(from, value));
        }
        return taken;
    }

    private Optional<Object> taken(Field from, Field to, Object value, Move move, MoveLosses losses) {
        boolean leads = to.kind() instanceof Kind.Relation || to.kind() instanceof Kind.TermPick;
        if (from.kind() instanceof Kind.Reference && Kind.same(from.kind(), to.kind()) && !elsewhere(from, to)) {
            return references.led(to, value);
        }
        if (leads) {
            return named(to, written(from, value), move, losses);
        }
        if (from.kind() instanceof Kind.TermPick
                && move != null
                && !move.levels().isEmpty()) {
            var path = references.path(from, value);
            return path.isEmpty()
                    ? Optional.empty()
                    : conversion(NAME, to, move).converted(move.named(path));
        }
        if (from.kind() instanceof Kind.Relation || from.kind() instanceof Kind.TermPick) {
            return said(from, value, move)
                    .or(() -> references.name(from, value))
                    .flatMap(name -> conversion(NAME, to, move).converted(name));
        }
        return conversion(from, to, move).converted(value);
    }

    private Optional<Object> named(Field to, String name, Move move, MoveLosses losses) {
        if (move == null) {
            return references.find(to, name, "");
        }
        var meant = move.corrections().getOrDefault(name, name);
        var path = move.path(meant);
        if (path.isEmpty()) {
            return Optional.empty();
        }
        return matched(to, meant, move, losses)
                .or(() -> references.find(to, meant, move.makes()))
                .or(() -> path.size() > 1 ? references.find(to, path) : Optional.empty())
                .or(() -> move.makesAll() ? references.make(to, path, move.makes()) : Optional.empty());
    }

    private Optional<String> said(Field from, Object value, Move move) {
        return move == null || move.match().isEmpty()
                ? Optional.empty()
                : references.said(from, value, new NameLookup.NamingField(move.match()));
    }

    private Optional<Object> matched(Field to, String name, Move move, MoveLosses losses) {
        if (move.match().isEmpty()) {
            return Optional.empty();
        }
        var found = references.find(to, name, new NameLookup.NamingField(move.match()));
        found.ifPresent(_ -> losses.matched());
        return found;
    }

    private static boolean elsewhere(Field from, Field to) {
        return from.kind() instanceof Kind.TermPick a
                && to.kind() instanceof Kind.TermPick b
                && !a.taxonomy().equals(b.taxonomy());
    }

    private static Conversion conversion(Field from, Field to, Move move) {
        return move == null ? new Conversion(from, to, null) : new Conversion(from, to, null, move.corrections());
    }

    private String written(Field from, Object value) {
        return from.kind() instanceof Kind.Relation || from.kind() instanceof Kind.TermPick
                ? references.name(from, value).orElse("")
                : new Conversion(from, from, null).written(value);
    }

    /** All as one text; nothing where the field cannot take it. */
    Optional<Object> joined(Field field, List<Object> values, String between, MoveLosses losses) {
        var text = values.stream().map(String::valueOf).collect(Collectors.joining(between));
        var joined = Values.parse(field, text).value();
        if (joined.isEmpty()) {
            losses.unconverted(text);
        }
        return joined;
    }
}

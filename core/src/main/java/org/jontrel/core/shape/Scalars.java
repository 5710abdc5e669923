package org.jontrel.core.shape;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.model.Part;

/** Shapes of single words. */
final class Scalars {
    private static final Pattern WHOLE = Pattern.compile("-?[0-9]{1,9}");
    private static final Pattern DECIMAL = Pattern.compile("-?[0-9]{1,20}(\\.[0-9]{1,20})?");
    private static final Pattern PLAIN_NUMBER =
            Pattern.compile("0|-?(0\\.[0-9]{0,19}[1-9]|[1-9][0-9]{0,19}(\\.[0-9]{0,19}[1-9])?)");

    /** Any text of whole characters; half a surrogate pair cannot be written as UTF-8 and is refused. */
    static final Shape<String> TEXT = new Scalar<>(
            "text of whole characters",
            true,
            text -> whole(text) ? Optional.of(text) : Optional.empty(),
            value -> value,
            Map.of("type", "string"));

    static final Shape<Boolean> FLAG = new Scalar<>(
            "true or false",
            false,
            text -> switch (text) {
                case "true" -> Optional.of(true);
                case "false" -> Optional.of(false);
                default -> Optional.empty();
            },
            value -> value,
            Map.of("type", "boolean"));

    static final Shape<Integer> WHOLE_NUMBER = new Scalar<>(
            "a whole number",
            false,
            text -> WHOLE.matcher(text).matches() ? Optional.of(Integer.valueOf(text)) : Optional.empty(),
            value -> value,
            Map.of("type", "integer"));

    static final Shape<BigDecimal> NUMBER = new Scalar<>(
            "a number such as 12 or 2.5",
            true,
            text -> DECIMAL.matcher(text).matches() ? Optional.of(new BigDecimal(text)) : Optional.empty(),
            value -> value,
            Map.of("type", "number"));

    static final Shape<LocalDate> DATE = new Scalar<>(
            "a date such as 2026-05-31", true, parsed(LocalDate::parse), LocalDate::toString, text("date"));

    static final Shape<LocalTime> TIME =
            new Scalar<>("a time such as 09:30", true, parsed(LocalTime::parse), LocalTime::toString, text("time"));

    static final Shape<LocalDateTime> MOMENT = new Scalar<>(
            "a moment in UTC such as 2026-05-31T09:30",
            true,
            parsed(LocalDateTime::parse),
            LocalDateTime::toString,
            Map.of("type", "string"));

    /** A value in the form of some field: a text, a number, or yes or no; held as its text. */
    static final Shape<String> VALUE = new Scalar<>(
            "a single value",
            true,
            text -> whole(text) ? Optional.of(text) : Optional.empty(),
            Scalars::natural,
            Map.of("type", List.of("string", "number", "boolean")));

    private Scalars() {}

    /** The value as the scalar it looks like, where that reads back as the same text. */
    static Object natural(String text) {
        if (text.equals("true") || text.equals("false")) {
            return Boolean.valueOf(text);
        }
        return PLAIN_NUMBER.matcher(text).matches() ? new BigDecimal(text) : text;
    }

    private static boolean whole(String text) {
        return text.codePoints().noneMatch(c -> Character.getType(c) == Character.SURROGATE);
    }

    private static <T> Function<String, Optional<T>> parsed(Function<String, T> parse) {
        return text -> {
            try {
                return Optional.of(parse.apply(text));
            } catch (DateTimeParseException _) {
                return Optional.empty();
            }
        };
    }

    private static Map<String, Object> text(String format) {
        return Map.of("type", "string", "format", format);
    }

    /** A reference to a definition or field: a key in files, an id in the model. */
    static Shape<String> reference(Mapper.Target target) {
        return new Reference(target);
    }

    /** Whether it refers to fields within the one it belongs to. */
    static boolean isInner(Shape<?> shape) {
        return shape instanceof Reference(Mapper.Target target) && target == Mapper.Target.INNER_FIELD;
    }

    /** Whether the second is the key of the standard part whose id the first is: files have keys, models ids. */
    static boolean isSamePart(Object id, Object key) {
        return id instanceof String text && key instanceof String word && word.equals(partKey(text));
    }

    /** The key of the standard part with this id; any other text as it is. */
    static String partKey(String id) {
        return Stream.of(Part.values())
                .filter(part -> part.asField().id().equals(id))
                .map(Part::code)
                .findFirst()
                .orElse(id);
    }

    private record Reference(Mapper.Target target) implements Shape<String> {
        @Override
        public Optional<String> read(Node node, String name, Reading reading) {
            return TEXT.read(node, name, reading);
        }

        @Override
        public Object write(String value, Writing to) {
            return value;
        }

        @Override
        public Map<String, Object> schema(Schemas schemas) {
            return Map.of("type", "string");
        }

        @Override
        public String map(String value, Mapper mapper) {
            return value.isEmpty() ? value : mapper.reference(target, value);
        }
    }

    /** One of a fixed set of words. */
    static <T> Shape<T> word(SequencedMap<String, T> words, Function<T, String> code) {
        return new Words<>(words, code);
    }

    /** The constants of an enumeration by their words. */
    static <E extends Enum<E>> Shape<E> word(Class<E> constants, Function<E, String> code) {
        var words = new java.util.LinkedHashMap<String, E>();
        for (var constant : constants.getEnumConstants()) {
            words.put(code.apply(constant), constant);
        }
        return new Words<>(words, code);
    }

    private record Words<T>(SequencedMap<String, T> words, Function<T, String> code) implements Shape<T> {
        @Override
        public Optional<T> read(Node node, String name, Reading reading) {
            var text = node instanceof Node.Scalar scalar ? scalar.text() : node.described();
            var value = Optional.ofNullable(words.get(text));
            if (value.isEmpty()) {
                var valid = words.keySet();
                reading.add(Code.WORD_UNKNOWN, node, name, text, Nearest.hint(text, valid), String.join(", ", valid));
            }
            return value;
        }

        @Override
        public Object write(T value, Writing to) {
            return code.apply(value);
        }

        @Override
        public Map<String, Object> schema(Schemas schemas) {
            return Map.of("enum", List.copyOf(words.keySet()));
        }
    }

    /** Text goes through {@code parse}, which gives empty where it does not fit. */
    private record Scalar<T>(
            String expected,
            boolean quotable,
            Function<String, Optional<T>> parse,
            Function<T, Object> write,
            Map<String, Object> described)
            implements Shape<T> {
        @Override
        public Optional<T> read(Node node, String name, Reading reading) {
            if (node instanceof Node.Scalar scalar && (quotable || scalar.plain())) {
                var parsed = parse.apply(scalar.text());
                if (parsed.isPresent()) {
                    return parsed;
                }
            }
            reading.add(Code.VALUE_WRONG_SHAPE, node, name, expected, node.described());
            return Optional.empty();
        }

        @Override
        public Object write(T value, Writing to) {
            return write.apply(value);
        }

        @Override
        public Map<String, Object> schema(Schemas schemas) {
            return described;
        }
    }
}

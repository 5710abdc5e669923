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
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.model.Part;
import org.jontrel.core.model.block.ValueText;

/** Shapes of single words. */
public final class Scalars {
    private static final Pattern DECIMAL = Pattern.compile("-?[0-9]{1,20}(\\.[0-9]{1,20})?");

    /** Numbers as YAML 1.2 has them, without those that are no numbers or have no end. */
    private static final Pattern PLAIN_DECIMAL =
            Pattern.compile("[-+]?(\\.[0-9]{1,20}|[0-9]{1,20}(\\.[0-9]{0,20})?)([eE][-+]?[0-9]{1,2})?");

    private static final Set<String> FLAGS = Set.of("true", "True", "TRUE", "false", "False", "FALSE");
    private static final Pattern OTHER_BASE = Pattern.compile("0o[0-7]{1,12}|0x[0-9a-fA-F]{1,10}");
    private static final Pattern BARE_POINT = Pattern.compile("\\.(?=[eE]|$)");
    private static final BigDecimal WHOLE_LIMIT = new BigDecimal(999_999_999);
    private static final BigDecimal NUMBER_LIMIT = BigDecimal.TEN.pow(20);
    private static final Pattern PLAIN_NUMBER =
            Pattern.compile("0|-?(0\\.[0-9]{0,19}[1-9]|[1-9][0-9]{0,19}(\\.[0-9]{0,19}[1-9])?)");

    private static final String CLOCK = "([01][0-9]|2[0-3]):[0-5][0-9](:[0-5][0-9](\\.[0-9]{1,9})?)?";

    /** Days that there are, by the Gregorian calendar. */
    private static final String DAY = "([0-9]{4}-((0[13578]|1[02])-(0[1-9]|[12][0-9]|3[01])"
            + "|(0[469]|11)-(0[1-9]|[12][0-9]|30)|02-(0[1-9]|1[0-9]|2[0-8]))"
            + "|([0-9]{2}(0[48]|[2468][048]|[13579][26])|(0[48]|[2468][048]|[13579][26]|00)00)-02-29)";

    /** Any text of whole characters; half a surrogate pair cannot be written as UTF-8 and is refused. */
    public static final Shape<String> TEXT = new ParsedScalar<>(
            "text of whole characters",
            true,
            (text, _) -> whole(text) ? Optional.of(text) : Optional.empty(),
            value -> value,
            Schemas::text);

    public static final Shape<Boolean> FLAG = new ParsedScalar<>(
            "true or false",
            false,
            (text, _) -> switch (text) {
                case "true", "True", "TRUE" -> Optional.of(true);
                case "false", "False", "FALSE" -> Optional.of(false);
                default -> Optional.empty();
            },
            value -> value,
            _ -> Map.of("type", "boolean"));

    public static final Shape<Integer> WHOLE_NUMBER = whole(-999_999_999, 999_999_999);

    /** A whole number; its limits are those of the schema, and whoever reads it says why it breaks them. */
    public static Shape<Integer> whole(int least, int most) {
        return new ParsedScalar<>(
                "a whole number",
                false,
                (text, _) -> number(text)
                        .filter(number -> number.abs().compareTo(WHOLE_LIMIT) <= 0
                                && number.stripTrailingZeros().scale() <= 0)
                        .map(BigDecimal::intValueExact),
                value -> value,
                _ -> Map.of("type", "integer", "minimum", least, "maximum", most));
    }

    public static final Shape<BigDecimal> NUMBER = new ParsedScalar<>(
            "a number such as 12 or 2.5",
            true,
            (text, plain) -> plain
                    ? number(text).filter(number -> number.abs().compareTo(NUMBER_LIMIT) < 0)
                    : DECIMAL.matcher(text).matches() ? Optional.of(new BigDecimal(text)) : Optional.empty(),
            value -> value,
            schemas -> schemas.inFiles(
                    "number",
                    Map.of(
                            "anyOf",
                            List.of(
                                    Map.of(
                                            "type",
                                            "number",
                                            "exclusiveMinimum",
                                            NUMBER_LIMIT.negate(),
                                            "exclusiveMaximum",
                                            NUMBER_LIMIT),
                                    matching(DECIMAL.pattern()))),
                    Map.of("type", "number")));

    public static final Shape<LocalDate> DATE = new ParsedScalar<>(
            "a date such as 2026-05-31",
            true,
            parsed(DAY, LocalDate::parse),
            LocalDate::toString,
            _ -> Map.of("type", "string", "format", "date"));

    public static final Shape<LocalTime> TIME = new ParsedScalar<>(
            "a time such as 09:30",
            true,
            parsed(CLOCK, LocalTime::parse),
            LocalTime::toString,
            schemas -> schemas.inFiles("time", matching(CLOCK), Map.of("type", "string", "format", "time")));

    public static final Shape<LocalDateTime> MOMENT = new ParsedScalar<>(
            "a moment in UTC such as 2026-05-31T09:30",
            true,
            parsed(DAY + "T" + CLOCK, LocalDateTime::parse),
            LocalDateTime::toString,
            schemas -> schemas.inFiles("moment", matching(DAY + "T" + CLOCK), Map.of("type", "string")));

    /** A value in the form of some field: a text, a number, or yes or no; held as its text. */
    public static final Shape<String> VALUE = new ParsedScalar<>(
            "a single value",
            true,
            (text, _) -> whole(text) ? Optional.of(text) : Optional.empty(),
            Scalars::natural,
            _ -> Map.of("type", List.of("string", "number", "boolean")));

    private Scalars() {}

    /** The value as the scalar it looks like, where that reads back as the same text. */
    static Object natural(String text) {
        if (text.equals("true") || text.equals("false")) {
            return Boolean.valueOf(text);
        }
        return PLAIN_NUMBER.matcher(text).matches() ? new BigDecimal(text) : text;
    }

    private static boolean whole(String text) {
        for (int i = 0; i < text.length(); i++) {
            if (Character.isSurrogate(text.charAt(i)) && isHalf(text, i)) {
                return false;
            }
        }
        return true;
    }

    private static boolean isHalf(String text, int i) {
        return Character.isHighSurrogate(text.charAt(i))
                ? i + 1 == text.length() || !Character.isLowSurrogate(text.charAt(i + 1))
                : i == 0 || !Character.isHighSurrogate(text.charAt(i - 1));
    }

    private static Map<String, Object> matching(String pattern) {
        return Map.of("type", "string", "pattern", "^(" + pattern + ")$");
    }

    /**
     * Text of a form that the reader and the schema check alike.
     *
     * @param code of the finding where the text is not of the form; gets the text, then what {@code hint} makes of it
     */
    public record Formed(Predicate<String> valid, String pattern, Code code, Function<String, String> hint)
            implements Shape<String> {
        @Override
        public Optional<String> read(Node node, String name, ReadContext reading) {
            var text = TEXT.read(node, name, reading);
            boolean other = node instanceof Node.Scalar scalar
                    && scalar.plain()
                    && (FLAGS.contains(scalar.text()) || number(scalar.text()).isPresent());
            if (text.isPresent() && (other || !valid.test(text.get()))) {
                reading.add(code, node, text.get(), hint.apply(text.get()));
                return Optional.empty();
            }
            return text;
        }

        @Override
        public Object write(String value, WriteContext to) {
            return value;
        }

        @Override
        public Map<String, Object> schema(Schemas schemas) {
            return Map.of("type", "string", "pattern", pattern);
        }
    }

    private static Optional<BigDecimal> number(String text) {
        if (text.isEmpty() || !mayBegin(text.charAt(0))) {
            return Optional.empty();
        }
        if (OTHER_BASE.matcher(text).matches()) {
            int base = text.charAt(1) == 'x' ? 16 : 8;
            return Optional.of(new BigDecimal(new java.math.BigInteger(text.substring(2), base)));
        }
        return PLAIN_DECIMAL.matcher(text).matches()
                ? Optional.of(new BigDecimal(BARE_POINT.matcher(text).replaceFirst(".0")))
                : Optional.empty();
    }

    private static boolean mayBegin(char sign) {
        return sign >= '0' && sign <= '9' || sign == '-' || sign == '+' || sign == '.';
    }

    private static <T> BiFunction<String, Boolean, Optional<T>> parsed(String form, Function<String, T> parse) {
        var pattern = Pattern.compile(form);
        return (text, _) -> {
            if (!pattern.matcher(text).matches()) {
                return Optional.empty();
            }
            try {
                return Optional.of(parse.apply(text));
            } catch (DateTimeParseException _) {
                return Optional.empty();
            }
        };
    }

    /** A reference to a definition or field: a key in files, an id in the model. */
    public static Shape<String> reference(Mapper.ReferenceTarget target) {
        return new ReferenceShape(target);
    }

    /** Whether it refers to fields within the one it belongs to. */
    static boolean isInner(Shape<?> shape) {
        return shape instanceof InnerShape
                || shape instanceof ReferenceShape(Mapper.ReferenceTarget target)
                        && target == Mapper.ReferenceTarget.INNER_FIELD;
    }

    /** A shape whose references are those of what is within the thing it belongs to. */
    public static <T> Shape<T> inner(Shape<T> shape) {
        return new InnerShape<>(shape);
    }

    private record InnerShape<T>(Shape<T> shape) implements Shape<T> {
        @Override
        public Optional<T> read(Node node, String name, ReadContext reading) {
            return shape.read(node, name, reading);
        }

        @Override
        public Object write(T value, WriteContext to) {
            return shape.write(value, to);
        }

        @Override
        public Map<String, Object> schema(Schemas schemas) {
            return shape.schema(schemas);
        }

        @Override
        public T map(T value, Mapper mapper) {
            return shape.map(value, mapper);
        }
    }

    /** A text with values within, each named by the way to it. */
    public static final Shape<String> VALUE_TEXT = new ValueTextShape();

    private record ValueTextShape() implements Shape<String> {
        @Override
        public Optional<String> read(Node node, String name, ReadContext reading) {
            return TEXT.read(node, name, reading);
        }

        @Override
        public Object write(String value, WriteContext to) {
            return TEXT.write(value, to);
        }

        @Override
        public Map<String, Object> schema(Schemas schemas) {
            return TEXT.schema(schemas);
        }

        @Override
        public String map(String value, Mapper mapper) {
            return value.contains("{")
                    ? ValueText.of(value)
                            .with(path -> mapper.reference(Mapper.ReferenceTarget.VALUE, path))
                            .toString()
                    : value;
        }
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

    private record ReferenceShape(Mapper.ReferenceTarget target) implements Shape<String> {
        @Override
        public Optional<String> read(Node node, String name, ReadContext reading) {
            return TEXT.read(node, name, reading);
        }

        @Override
        public Object write(String value, WriteContext to) {
            return value;
        }

        @Override
        public Map<String, Object> schema(Schemas schemas) {
            return schemas.text();
        }

        @Override
        public String map(String value, Mapper mapper) {
            return value.isEmpty() ? value : mapper.reference(target, value);
        }
    }

    /** One of a fixed set of words. */
    public static <T> Shape<T> word(SequencedMap<String, T> words, Function<T, String> code) {
        return new WordShape<>(words, code);
    }

    /** The constants of an enumeration by their words. */
    public static <E extends Enum<E>> Shape<E> word(Class<E> constants, Function<E, String> code) {
        var words = new java.util.LinkedHashMap<String, E>();
        for (var constant : constants.getEnumConstants()) {
            words.put(code.apply(constant), constant);
        }
        return new WordShape<>(words, code);
    }

    private record WordShape<T>(SequencedMap<String, T> words, Function<T, String> code) implements Shape<T> {
        @Override
        public Optional<T> read(Node node, String name, ReadContext reading) {
            var text = node instanceof Node.Scalar scalar ? scalar.text() : node.described();
            var value = Optional.ofNullable(words.get(text));
            if (value.isEmpty()) {
                var valid = words.keySet();
                reading.add(Code.WORD_UNKNOWN, node, name, text, Nearest.hint(text, valid), String.join(", ", valid));
            }
            return value;
        }

        @Override
        public Object write(T value, WriteContext to) {
            return code.apply(value);
        }

        @Override
        public Map<String, Object> schema(Schemas schemas) {
            return Map.of("enum", List.copyOf(words.keySet()));
        }
    }

    /** Text, and whether it is without quotation marks, goes through {@code parse}, which gives empty where it does not fit. */
    private record ParsedScalar<T>(
            String expected,
            boolean quotable,
            BiFunction<String, Boolean, Optional<T>> parse,
            Function<T, Object> write,
            Function<Schemas, Map<String, Object>> described)
            implements Shape<T> {
        @Override
        public Optional<T> read(Node node, String name, ReadContext reading) {
            if (node instanceof Node.Scalar scalar && (quotable || scalar.plain())) {
                var parsed = parse.apply(scalar.text(), scalar.plain());
                if (parsed.isPresent()) {
                    return parsed;
                }
            }
            reading.add(Code.VALUE_WRONG_SHAPE, node, name, expected, node.described());
            return Optional.empty();
        }

        @Override
        public Object write(T value, WriteContext to) {
            return write.apply(value);
        }

        @Override
        public Map<String, Object> schema(Schemas schemas) {
            return described.apply(schemas);
        }
    }
}

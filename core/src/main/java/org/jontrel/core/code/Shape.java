package org.jontrel.core.code;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.function.Function;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Nearest;

/**
 * How a value of one class stands in a file: read from nodes with findings, written to a tree of maps, lists and
 * scalars, and described as JSON Schema (2020-12). One description serves all three.
 */
interface Shape<T> {
    /** The value, or empty with a finding added. */
    Optional<T> read(Node node, String name, Reading reading);

    /** A tree of {@link SequencedMap}, {@link List}, {@link String}, {@link Boolean}, {@link Number}. */
    Object write(T value);

    Map<String, Object> schema();

    /** A shape for single words: text goes through {@code parse}, which gives empty where it does not fit. */
    static <T> Shape<T> scalar(
            String expected,
            boolean quotable,
            Function<String, Optional<T>> parse,
            Function<T, Object> write,
            Map<String, Object> schema) {
        return new Shape<>() {
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
            public Object write(T value) {
                return write.apply(value);
            }

            @Override
            public Map<String, Object> schema() {
                return schema;
            }
        };
    }

    /** Any text of whole characters; half a surrogate pair cannot be written as UTF-8 and is refused. */
    static Shape<String> text() {
        return scalar(
                "text of whole characters",
                true,
                text -> text.codePoints().noneMatch(c -> Character.getType(c) == Character.SURROGATE)
                        ? Optional.of(text)
                        : Optional.empty(),
                value -> value,
                Map.of("type", "string"));
    }

    static Shape<Boolean> flag() {
        return scalar(
                "true or false",
                false,
                text -> switch (text) {
                    case "true" -> Optional.of(true);
                    case "false" -> Optional.of(false);
                    default -> Optional.empty();
                },
                value -> value,
                Map.of("type", "boolean"));
    }

    static Shape<Integer> whole() {
        return scalar(
                "a whole number",
                false,
                text -> text.matches("-?[0-9]{1,9}") ? Optional.of(Integer.valueOf(text)) : Optional.empty(),
                value -> value,
                Map.of("type", "integer"));
    }

    static Shape<BigDecimal> decimal() {
        return scalar(
                "a number such as 12 or 2.5",
                true,
                text -> text.matches("-?[0-9]{1,20}(\\.[0-9]{1,20})?")
                        ? Optional.of(new BigDecimal(text))
                        : Optional.empty(),
                value -> value,
                Map.of("type", "number"));
    }

    static Shape<LocalDate> date() {
        return scalar(
                "a date such as 2026-05-31",
                true,
                text -> {
                    try {
                        return Optional.of(LocalDate.parse(text));
                    } catch (DateTimeParseException _) {
                        return Optional.empty();
                    }
                },
                LocalDate::toString,
                Map.of("type", "string", "format", "date"));
    }

    static Shape<LocalTime> time() {
        return scalar(
                "a time such as 09:30",
                true,
                text -> {
                    try {
                        return Optional.of(LocalTime.parse(text));
                    } catch (DateTimeParseException _) {
                        return Optional.empty();
                    }
                },
                LocalTime::toString,
                Map.of("type", "string", "format", "time"));
    }

    /** One of a fixed set of words. */
    static <T> Shape<T> word(SequencedMap<String, T> words, Function<T, String> code) {
        return new Shape<>() {
            @Override
            public Optional<T> read(Node node, String name, Reading reading) {
                var text = node instanceof Node.Scalar scalar ? scalar.text() : node.described();
                var value = Optional.ofNullable(words.get(text));
                if (value.isEmpty()) {
                    var valid = words.keySet();
                    reading.add(
                            Code.WORD_UNKNOWN, node, name, text, Nearest.hint(text, valid), String.join(", ", valid));
                }
                return value;
            }

            @Override
            public Object write(T value) {
                return code.apply(value);
            }

            @Override
            public Map<String, Object> schema() {
                return Map.of("enum", List.copyOf(words.keySet()));
            }
        };
    }

    static <T> Shape<List<T>> list(Shape<T> item) {
        return new Shape<>() {
            @Override
            public Optional<List<T>> read(Node node, String name, Reading reading) {
                if (!(node instanceof Node.Sequence sequence)) {
                    reading.add(Code.VALUE_WRONG_SHAPE, node, name, "a list", node.described());
                    return Optional.empty();
                }
                var items = new ArrayList<T>();
                sequence.items()
                        .forEach(child -> item.read(child, name, reading).ifPresent(items::add));
                return Optional.of(items);
            }

            @Override
            public Object write(List<T> value) {
                return value.stream().map(item::write).toList();
            }

            @Override
            public Map<String, Object> schema() {
                return Map.of("type", "array", "items", item.schema());
            }
        };
    }

    /** Texts by free names, as with wordings. */
    static Shape<Map<String, String>> texts() {
        return new Shape<>() {
            @Override
            public Optional<Map<String, String>> read(Node node, String name, Reading reading) {
                if (!(node instanceof Node.Mapping mapping)) {
                    reading.add(Code.VALUE_WRONG_SHAPE, node, name, "a set of properties", node.described());
                    return Optional.empty();
                }
                var texts = new LinkedHashMap<String, String>();
                for (var entry : mapping.entries()) {
                    text().read(entry.value(), entry.name().text(), reading)
                            .ifPresent(text -> texts.put(entry.name().text(), text));
                }
                return Optional.of(texts);
            }

            @Override
            public Object write(Map<String, String> value) {
                return new LinkedHashMap<>(value);
            }

            @Override
            public Map<String, Object> schema() {
                return Map.of("type", "object", "additionalProperties", Map.of("type", "string"));
            }
        };
    }
}

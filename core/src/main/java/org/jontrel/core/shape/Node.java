package org.jontrel.core.shape;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** A value as it stands in a file, with line and column from 1 (0 where it came from no file). */
public sealed interface Node {
    int line();

    int column();

    /** @param plain written without quotes, so that {@code true} or {@code 12} may be more than text */
    record Scalar(String text, boolean plain, int line, int column) implements Node {}

    /** No value at all: {@code null}, {@code ~}, or nothing behind the name of a property. */
    record Nothing(int line, int column) implements Node {}

    record Sequence(List<Node> items, int line, int column) implements Node {}

    record Mapping(List<Entry> entries, int line, int column) implements Node {}

    record Entry(Scalar name, Node value) {}

    /** The name of a property where it stands; the node itself where it has none such. */
    default Node property(String name) {
        return this instanceof Mapping mapping
                ? mapping.entries().stream()
                        .map(Entry::name)
                        .filter(each -> each.text().equals(name))
                        .findFirst()
                        .<Node>map(each -> each)
                        .orElse(this)
                : this;
    }

    /** What a person would call this value in a sentence. */
    default String described() {
        return switch (this) {
            case Scalar s when s.text().isEmpty() -> "empty";
            case Scalar s -> "\"" + (s.text().length() > 60 ? s.text().substring(0, 60) + "…" : s.text()) + "\"";
            case Nothing _ -> "nothing";
            case Sequence _ -> "a list";
            case Mapping _ -> "a set of properties";
        };
    }

    /** A tree of maps, lists and scalars (as a JSON library gives them) as nodes without places; nulls are left out. */
    static Node of(Object value) {
        return switch (value) {
            case Map<?, ?> map -> {
                var entries = new ArrayList<Entry>();
                map.forEach((name, item) -> {
                    if (item != null) {
                        entries.add(new Entry(new Scalar(String.valueOf(name), true, 0, 0), of(item)));
                    }
                });
                yield new Mapping(entries, 0, 0);
            }
            case List<?> list ->
                new Sequence(
                        list.stream()
                                .map(item -> item == null ? new Nothing(0, 0) : of(item))
                                .toList(),
                        0,
                        0);
            case String text -> new Scalar(text, false, 0, 0);
            case java.math.BigDecimal number ->
                new Scalar(
                        number.scale() > 60 || number.scale() < -60 ? "a number" : number.toPlainString(), true, 0, 0);
            default -> new Scalar(String.valueOf(value), true, 0, 0);
        };
    }
}

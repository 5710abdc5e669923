package org.jontrel.core.format;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.shape.Composites;
import org.jontrel.core.shape.Mapper;
import org.jontrel.core.shape.Node;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.ReadContext;
import org.jontrel.core.shape.Scalars;
import org.jontrel.core.shape.Schemas;
import org.jontrel.core.shape.Shape;
import org.jontrel.core.shape.WriteContext;

/**
 * A condition in a file: {@code {field: surface, is: grass}}, {@code {all: [...]}}, {@code {not: {...}}}; nothing at
 * all where it always holds.
 */
final class ConditionShape implements Shape<Condition> {
    static final ConditionShape INSTANCE = new ConditionShape();
    private static final List<String> FORMS =
            List.of("all", "any", "not", "field", "taxonomy", "parent", "state", "address");
    private static final Set<Condition.Test> OF_TERMS =
            Set.of(Condition.Test.IS, Condition.Test.IS_NOT, Condition.Test.UNDER, Condition.Test.FILLED);
    private static final Set<Condition.Test> OF_FIELDS = Set.of(
            Condition.Test.IS,
            Condition.Test.IS_NOT,
            Condition.Test.ABOVE,
            Condition.Test.AT_LEAST,
            Condition.Test.BELOW,
            Condition.Test.AT_MOST,
            Condition.Test.HAS,
            Condition.Test.FILLED);
    private static final Shape<List<String>> VALUES = Composites.oneOrMore(Scalars.VALUE);
    private static final Shape<List<String>> TYPES = Composites.list(Scalars.TEXT);
    private static final Shape<List<String>> SLUGS = Composites.oneOrMore(Scalars.TEXT);
    private static final Shape<RecordState> STATE = Scalars.word(RecordState.class, RecordState::code);
    private static final Shape<List<Condition>> SEVERAL = Composites.list(INSTANCE);

    private ConditionShape() {}

    @Override
    public Optional<Condition> read(Node node, String name, ReadContext reading) {
        if (!(node instanceof Node.Mapping mapping)) {
            reading.add(Code.VALUE_WRONG_SHAPE, node, name, "a condition", node.described());
            return Optional.empty();
        }
        var entries = ObjectShape.entries(mapping, reading);
        var forms = FORMS.stream().filter(entries::containsKey).toList();
        if (forms.size() != 1) {
            reading.add(Code.CONDITION_FORM, node, String.join(", ", FORMS));
            return Optional.empty();
        }
        var form = forms.getFirst();
        var value = entries.get(form).value();
        if (form.equals("field") || form.equals("taxonomy")) {
            return comparison(form, mapping, entries, reading);
        }
        ObjectShape.refuseUnknown(entries, List.of(form), "condition", reading);
        return switch (form) {
            case "all" -> SEVERAL.read(value, form, reading).map(Condition.All::new);
            case "any" -> SEVERAL.read(value, form, reading).map(Condition.Any::new);
            case "not" -> read(value, form, reading).map(Condition.Not::new);
            case "parent" -> TYPES.read(value, form, reading).map(Condition.ParentIs::new);
            case "address" -> SLUGS.read(value, form, reading).map(Condition.AddressIs::new);
            default -> STATE.read(value, form, reading).map(Condition.StateIs::new);
        };
    }

    private static Optional<Condition> comparison(
            String form, Node.Mapping mapping, Map<String, Node.Entry> entries, ReadContext reading) {
        var allowed = new ArrayList<Condition.Test>();
        for (var test : Condition.Test.values()) {
            if ((form.equals("field") ? OF_FIELDS : OF_TERMS).contains(test)) {
                allowed.add(test);
            }
        }
        var names = new ArrayList<>(allowed.stream().map(Condition.Test::code).toList());
        var tests = allowed.stream()
                .filter(test -> entries.containsKey(test.code()))
                .toList();
        if (tests.size() != 1) {
            reading.add(Code.CONDITION_TEST, mapping, form, String.join(", ", names));
        }
        names.add(form);
        ObjectShape.refuseUnknown(entries, names, "condition", reading);
        var what = Scalars.TEXT.read(entries.get(form).value(), form, reading);
        if (tests.size() != 1 || what.isEmpty()) {
            return Optional.empty();
        }
        var test = tests.getFirst();
        var value = entries.get(test.code()).value();
        return VALUES.read(value, test.code(), reading)
                .map(values -> form.equals("field")
                        ? new Condition.FieldIs(what.get(), test, values)
                        : new Condition.TermIs(what.get(), test, values));
    }

    @Override
    public Object write(Condition condition, WriteContext to) {
        var tree = new LinkedHashMap<String, Object>();
        switch (condition) {
            case Condition.All(List<Condition> of) -> tree.put("all", SEVERAL.write(of, to));
            case Condition.Any(List<Condition> of) -> tree.put("any", SEVERAL.write(of, to));
            case Condition.Not(Condition of) -> tree.put("not", write(of, to));
            case Condition.ParentIs(List<String> types) -> tree.put("parent", types);
            case Condition.StateIs(RecordState state) -> tree.put("state", state.code());
            case Condition.AddressIs(List<String> slugs) -> tree.put("address", SLUGS.write(slugs, to));
            case Condition.FieldIs(String field, Condition.Test test, List<String> values) -> {
                tree.put("field", field);
                tree.put(test.code(), VALUES.write(values, to));
            }
            case Condition.TermIs(String taxonomy, Condition.Test test, List<String> values) -> {
                tree.put("taxonomy", taxonomy);
                tree.put(test.code(), VALUES.write(values, to));
            }
        }
        return tree;
    }

    @Override
    public Condition map(Condition condition, Mapper mapper) {
        return switch (condition) {
            case Condition.All(List<Condition> of) -> {
                var after = SEVERAL.map(of, mapper);
                yield after == of ? condition : new Condition.All(after);
            }
            case Condition.Any(List<Condition> of) -> {
                var after = SEVERAL.map(of, mapper);
                yield after == of ? condition : new Condition.Any(after);
            }
            case Condition.Not(Condition of) -> {
                var after = map(of, mapper);
                yield after == of ? condition : new Condition.Not(after);
            }
            case Condition.StateIs _, Condition.AddressIs _ -> condition;
            case Condition.FieldIs _, Condition.TermIs _, Condition.ParentIs _ -> mapper.comparison(condition);
        };
    }

    @Override
    public Map<String, Object> schema(Schemas schemas) {
        return schemas.reference("condition", () -> schemas.byProperty(forms(schemas), null));
    }

    private SequencedMap<String, Map<String, Object>> forms(Schemas schemas) {
        var forms = new LinkedHashMap<String, Map<String, Object>>();
        forms.put("all", form(Map.of("all", SEVERAL.schema(schemas))));
        forms.put("any", form(Map.of("any", SEVERAL.schema(schemas))));
        forms.put("not", form(Map.of("not", schema(schemas))));
        forms.put("parent", form(Map.of("parent", TYPES.schema(schemas))));
        forms.put("state", form(Map.of("state", STATE.schema(schemas))));
        forms.put("address", form(Map.of("address", SLUGS.schema(schemas))));
        forms.put("field", comparisons("field", OF_FIELDS, schemas));
        forms.put("taxonomy", comparisons("taxonomy", OF_TERMS, schemas));
        return forms;
    }

    private static Map<String, Object> form(Map<String, Object> properties) {
        return Map.of(
                "type",
                "object",
                "properties",
                properties,
                "required",
                List.copyOf(properties.keySet()),
                "additionalProperties",
                false);
    }

    private static Map<String, Object> comparisons(String form, Set<Condition.Test> tests, Schemas schemas) {
        var properties = new LinkedHashMap<String, Object>();
        properties.put(form, schemas.text());
        tests.stream().sorted().forEach(test -> properties.put(test.code(), VALUES.schema(schemas)));
        return new java.util.TreeMap<>(Map.of(
                "type",
                "object",
                "properties",
                properties,
                "required",
                List.of(form),
                "minProperties",
                2,
                "maxProperties",
                2,
                "additionalProperties",
                false));
    }

    /** The tests that files may use, for documents. */
    static String tests() {
        return OF_FIELDS.stream().sorted().map(Condition.Test::code).collect(Collectors.joining(", "));
    }
}

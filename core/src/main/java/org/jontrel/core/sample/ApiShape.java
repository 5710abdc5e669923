package org.jontrel.core.sample;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.Condition;

/** What the content API gives of a record: a JSON Schema (2020-12) and an example that fits it. */
public final class ApiShape {
    private ApiShape() {}

    /** The schema of an object with these fields; those kept out of the API are left out. */
    public static SequencedMap<String, Object> schema(String title, List<Field> first, List<Group> groups) {
        var fields = new ArrayList<>(first);
        groups.forEach(group -> fields.addAll(group.fields()));
        var schema = new LinkedHashMap<String, Object>();
        schema.put("$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.put("title", title);
        schema.putAll(object(fields));
        return schema;
    }

    /** The values of an example without those kept out of the API; numbers are numbers. */
    public static SequencedMap<String, Object> example(List<Field> first, List<Group> groups, Map<String, ?> values) {
        var fields = new ArrayList<>(first);
        groups.forEach(group -> fields.addAll(group.fields()));
        return given(fields, values);
    }

    private static SequencedMap<String, Object> given(List<Field> fields, Map<?, ?> values) {
        var given = new LinkedHashMap<String, Object>();
        for (var field : fields) {
            var value = values.get(field.key());
            if (field.api() && field.kind().holdsValue() && value != null) {
                given.put(field.key(), given(field.kind(), value));
            }
        }
        return given;
    }

    private static Object given(Kind kind, Object value) {
        return switch (kind) {
            case Kind.Numeric _ -> new java.math.BigDecimal(String.valueOf(value));
            case Kind.Coordinates _
            when value instanceof Map<?, ?> place -> {
                var numbers = new LinkedHashMap<String, Object>();
                place.forEach((name, each) ->
                        numbers.put(String.valueOf(name), new java.math.BigDecimal(String.valueOf(each))));
                yield numbers;
            }
            case Kind.FieldGroup(List<Field> fields) when value instanceof Map<?, ?> row -> given(fields, row);
            case Kind.Relation _, Kind.TermPick _, Kind.Image _, Kind.File _
            when value instanceof List<?> list ->
                list.stream().map(each -> given(kind, each)).toList();
            case Kind.Relation _ -> example("type", "record", "id", "1", "title", String.valueOf(value));
            case Kind.TermPick _ -> example("id", "1", "label", String.valueOf(value));
            case Kind.Image _ -> example("id", "1", "url", "/media/1", "alt", String.valueOf(value));
            case Kind.File _ -> example("id", "1", "url", "/media/1", "name", String.valueOf(value));
            case Kind.Repeater rows
            when value instanceof List<?> list ->
                list.stream()
                        .map(row -> row instanceof Map<?, ?> map ? given(rows.fields(), map) : Map.of())
                        .toList();
            case Kind.Plain _, Kind.Nested _, Kind.Note _ -> value;
        };
    }

    private static SequencedMap<String, Object> object(List<Field> fields) {
        var properties = new LinkedHashMap<String, Object>();
        var required = new ArrayList<String>();
        for (var field : fields) {
            if (field.api() && field.kind().holdsValue()) {
                var property = value(field);
                property.put("title", field.label());
                properties.put(field.key(), property);
                if (field.required() && field.showWhen().equals(Condition.ALWAYS)) {
                    required.add(field.key());
                }
            }
        }
        var schema = new LinkedHashMap<String, Object>();
        schema.put("type", "object");
        schema.put("properties", properties);
        schema.put("required", required);
        return schema;
    }

    private static SequencedMap<String, Object> value(Field field) {
        var one = one(field.kind());
        var amount = field.kind().amount();
        if (!amount.many()) {
            return one;
        }
        var several = new LinkedHashMap<String, Object>();
        several.put("type", "array");
        several.put("items", one);
        if (amount.min() != null) {
            several.put("minItems", amount.min());
        }
        if (amount.max() != null) {
            several.put("maxItems", amount.max());
        }
        return several;
    }

    private static SequencedMap<String, Object> one(Kind kind) {
        return switch (kind) {
            case Kind.Text text -> limited("string", "minLength", text.minLength(), "maxLength", text.maxLength());
            case Kind.LongText text -> limited("string", "minLength", null, "maxLength", text.maxLength());
            case Kind.Numeric number ->
                limited(
                        number.decimals() == 0 ? "integer" : "number",
                        "minimum",
                        number.min(),
                        "maximum",
                        number.max());
            case Kind.YesNo _ -> limited("boolean", "", null, "", null);
            case Kind.Date _ -> formatted("date");
            case Kind.Time _ -> formatted("time");
            case Kind.DateTime _ -> formatted("date-time");
            case Kind.Email _ -> formatted("email");
            case Kind.Url _ -> formatted("uri");
            case Kind.Choice choice -> {
                var schema = limited("string", "", null, "", null);
                schema.put(
                        "enum", choice.options().stream().map(Kind.Option::key).toList());
                yield schema;
            }
            case Kind.FieldGroup(List<Field> fields) -> object(fields);
            case Kind.Repeater rows -> {
                var schema = new LinkedHashMap<String, Object>();
                schema.put("type", "array");
                schema.put("items", object(rows.fields()));
                yield schema;
            }
            case Kind.Coordinates _ -> {
                var schema = limited("object", "", null, "", null);
                var properties = new LinkedHashMap<String, Object>();
                properties.put("latitude", limited("number", "minimum", -90, "maximum", 90));
                properties.put("longitude", limited("number", "minimum", -180, "maximum", 180));
                schema.put("properties", properties);
                schema.put("required", List.of("latitude", "longitude"));
                yield schema;
            }
            case Kind.Relation _ -> named("type", "id", "title");
            case Kind.TermPick _ -> named("id", "label");
            case Kind.Image _ -> named("id", "url", "alt");
            case Kind.File _ -> named("id", "url", "name");
            case Kind.RichText _, Kind.Phone _, Kind.Colour _, Kind.Icon _, Kind.Note _ ->
                limited("string", "", null, "", null);
        };
    }

    /** What something that a value leads to is told by: its number and texts. */
    private static SequencedMap<String, Object> named(String... names) {
        var properties = new LinkedHashMap<String, Object>();
        for (var name : names) {
            properties.put(name, limited(name.equals("id") ? "integer" : "string", "", null, "", null));
        }
        var schema = new LinkedHashMap<String, Object>();
        schema.put("type", "object");
        schema.put("properties", properties);
        schema.put("required", List.of(names));
        return schema;
    }

    private static SequencedMap<String, Object> example(String... pairs) {
        var made = new LinkedHashMap<String, Object>();
        for (int i = 0; i < pairs.length; i += 2) {
            made.put(pairs[i], pairs[i].equals("id") ? (Object) Integer.valueOf(pairs[i + 1]) : pairs[i + 1]);
        }
        return made;
    }

    private static SequencedMap<String, Object> formatted(String format) {
        var schema = limited("string", "", null, "", null);
        schema.put("format", format);
        return schema;
    }

    private static SequencedMap<String, Object> limited(
            String type, String least, Object min, String most, Object max) {
        var schema = new LinkedHashMap<String, Object>();
        schema.put("type", type);
        if (min != null) {
            schema.put(least, min);
        }
        if (max != null) {
            schema.put(most, max);
        }
        return schema;
    }
}

package org.jontrel.core.generate.schema;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import org.jontrel.core.generate.api.ApiEntity;
import org.jontrel.core.generate.api.ApiField;
import org.jontrel.core.generate.api.ApiValue;
import org.jontrel.core.generate.api.ContentApi;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.yaml.JsonWriter;

/**
 * JSON Schemas (2020-12): for each entity one of what the content API gives, and one of the values that it takes. Values may be missing
 * in both: records can be older than the definitions, and a change sends only some.
 */
public final class JsonSchemaCode {
    private static final String DIALECT = "https://json-schema.org/draft/2020-12/schema";
    private final ContentApi api;

    public JsonSchemaCode(ContentApi api) {
        this.api = api;
    }

    public SequencedMap<String, String> files() {
        var files = new LinkedHashMap<String, String>();
        for (var entity : api.entities()) {
            files.put(name(entity) + ".schema.json", JsonWriter.write(given(entity)) + "\n");
            files.put(name(entity) + ".values.schema.json", JsonWriter.write(taken(entity)) + "\n");
        }
        return files;
    }

    /** Where the API gives it is the only name that nothing else has. */
    private static String name(ApiEntity entity) {
        return entity.segment().replace('/', '.');
    }

    private Map<String, Object> begun(ApiEntity entity, String file, String title) {
        var schema = new LinkedHashMap<String, Object>();
        schema.put("$schema", DIALECT);
        schema.put("$id", file);
        schema.put("$comment", String.join(" ", api.head()));
        schema.put("title", title);
        return schema;
    }

    private Map<String, Object> given(ApiEntity entity) {
        var schema = begun(entity, name(entity) + ".schema.json", entity.singular());
        var properties = new LinkedHashMap<String, Object>();
        if (entity.sort() != ApiEntity.EntitySort.VALUES) {
            properties.put("id", JsonTypes.typed("integer"));
            properties.put("slug", JsonTypes.typed("string"));
            properties.put("url", JsonTypes.typed("string"));
            properties.put("parent", JsonTypes.typed("integer"));
            var state = JsonTypes.typed("string");
            state.put(
                    "enum",
                    List.of(RecordState.values()).stream()
                            .map(RecordState::code)
                            .toList());
            properties.put("state", state);
            properties.put("publish_at", JsonTypes.formatted("date-time"));
            properties.put("retire_at", JsonTypes.formatted("date-time"));
            properties.put("updated_at", JsonTypes.formatted("date-time"));
        }
        properties.putAll(properties(entity.fields(), true));
        schema.put("type", "object");
        schema.put("properties", properties);
        if (entity.sort() != ApiEntity.EntitySort.VALUES) {
            schema.put("required", List.of("id", "slug", "updated_at"));
        }
        return schema;
    }

    private Map<String, Object> taken(ApiEntity entity) {
        var schema = begun(entity, name(entity) + ".values.schema.json", entity.singular() + ", as values are sent");
        schema.put("type", "object");
        schema.put("properties", properties(entity.fields(), false));
        schema.put("additionalProperties", false);
        return schema;
    }

    /** @param given as they are read, rather than sent */
    private Map<String, Object> properties(List<ApiField> fields, boolean given) {
        var properties = new LinkedHashMap<String, Object>();
        for (var field : fields) {
            var one = value(field.value(), given);
            Map<String, Object> schema = one;
            if (field.many()) {
                schema = JsonTypes.typed("array");
                schema.put("items", one);
            }
            var told = new LinkedHashMap<String, Object>();
            told.put("title", field.about());
            if (given) {
                told.putAll(schema);
            } else {
                told.put("anyOf", List.of(schema, JsonTypes.typed("null")));
            }
            properties.put(field.key(), told);
        }
        return properties;
    }

    private Map<String, Object> value(ApiValue value, boolean given) {
        return switch (value) {
            case ApiValue.TextValue _ -> JsonTypes.typed("string");
            case ApiValue.NumberValue(boolean whole) -> JsonTypes.typed(whole && !given ? "integer" : "number");
            case ApiValue.FlagValue _ -> JsonTypes.typed("boolean");
            case ApiValue.MomentValue(ApiValue.MomentSort sort) -> JsonTypes.moment(sort);
            case ApiValue.OptionValue(List<String> keys) -> {
                var schema = JsonTypes.typed("string");
                schema.put("enum", keys);
                yield schema;
            }
            case ApiValue.SpotValue _ -> JsonTypes.spot();
            case ApiValue.LinkValue(List<String> types) -> given ? record(types) : link(types, false);
            case ApiValue.TermValue _ -> numbered(given, "label");
            case ApiValue.PictureValue _ -> numbered(given, "url", "alt");
            case ApiValue.FileValue _ -> numbered(given, "url", "name");
            case ApiValue.NestedValue(List<ApiField> fields) -> {
                var schema = JsonTypes.typed("object");
                schema.put("properties", properties(fields, given));
                if (!given) {
                    schema.put("additionalProperties", false);
                }
                yield schema;
            }
        };
    }

    /** A link, or the record itself where it is included. */
    private Map<String, Object> record(List<String> types) {
        var choices = new ArrayList<Object>();
        choices.add(link(types, true));
        types.stream()
                .flatMap(each -> api.type(each).stream())
                .forEach(each -> choices.add(Map.of("$ref", name(each) + ".schema.json")));
        var schema = new LinkedHashMap<String, Object>();
        schema.put("anyOf", choices);
        return schema;
    }

    private static Map<String, Object> link(List<String> types, boolean titled) {
        var schema = titled ? numbered(true, "title") : numbered(false);
        var properties = new LinkedHashMap<String, Object>();
        var type = JsonTypes.typed("string");
        if (!types.isEmpty()) {
            type.put("enum", types);
        }
        properties.put("type", type);
        properties.putAll(asMap(schema.get("properties")));
        schema.put("properties", properties);
        schema.put("required", titled ? List.of("type", "id", "title") : List.of("type", "id"));
        return schema;
    }

    private static Map<String, Object> asMap(Object map) {
        var all = new LinkedHashMap<String, Object>();
        ((Map<?, ?>) map).forEach((key, value) -> all.put((String) key, value));
        return all;
    }

    /** @param texts what is told of it besides its number */
    private static Map<String, Object> numbered(boolean given, String... texts) {
        var properties = new LinkedHashMap<String, Object>();
        properties.put("id", JsonTypes.typed("integer"));
        var required = new ArrayList<>(List.of("id"));
        if (given) {
            for (var text : texts) {
                properties.put(text, JsonTypes.typed("string"));
                required.add(text);
            }
        }
        var schema = JsonTypes.typed("object");
        schema.put("properties", properties);
        schema.put("required", required);
        return schema;
    }
}

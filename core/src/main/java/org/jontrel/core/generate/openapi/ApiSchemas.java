package org.jontrel.core.generate.openapi;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.sample.ApiShape;

/** What the API gives and takes, as schemas among the components. */
final class ApiSchemas {
    private static final String WITH_TOKEN = "With a token only";

    private ApiSchemas() {}

    /** A record, a term or site values as they are read. */
    static Map<String, Object> read(RecordType recordType) {
        var properties = new LinkedHashMap<String, Object>();
        properties.put("id", typed("integer"));
        properties.put("slug", typed("string"));
        properties.put("url", typed("string"));
        properties.put("parent", typed("integer"));
        properties.put("state", about(typed("string"), WITH_TOKEN));
        properties.put("publish_at", moment());
        properties.put("retire_at", about(moment(), WITH_TOKEN));
        properties.put("updated_at", moment());
        var given = ApiShape.schema(recordType.singular(), recordType.first(), recordType.groups());
        ((Map<?, ?>) given.get("properties")).forEach((key, schema) -> properties.put((String) key, schema));
        var schema = new LinkedHashMap<String, Object>();
        schema.put("type", "object");
        schema.put("title", recordType.singular());
        schema.put("properties", properties);
        schema.put("required", List.of("id", "slug"));
        return schema;
    }

    /** What a writer sends: values as they are read, and where the record stands. */
    static Map<String, Object> write(String component) {
        var properties = new LinkedHashMap<String, Object>();
        properties.put(
                "values",
                about(
                        typed("object"),
                        "By field key, in the shape in which they are read (" + component + "); null empties one"));
        var state = typed("string");
        state.put("enum", Stream.of(RecordState.values()).map(RecordState::code).toList());
        properties.put("state", state);
        for (var moment : List.of("publish_at", "retire_at")) {
            var schema = new LinkedHashMap<String, Object>();
            schema.put("type", List.of("string", "null"));
            schema.put("format", "date-time");
            properties.put(moment, schema);
        }
        properties.put("slug", typed("string"));
        properties.put("parent", Map.of("type", List.of("integer", "object", "null")));
        properties.put("position", typed("integer"));
        return object(properties, List.of());
    }

    static Map<String, Object> page(String component) {
        var properties = new LinkedHashMap<String, Object>();
        properties.put("items", list(ApiOperation.reference(component)));
        properties.put("next", typed("string"));
        properties.put("total", typed("integer"));
        properties.put("total_exact", typed("boolean"));
        return object(properties, List.of("items", "total", "total_exact"));
    }

    static Map<String, Object> problem() {
        var properties = new LinkedHashMap<String, Object>();
        properties.put("title", typed("string"));
        properties.put("status", typed("integer"));
        properties.put("detail", typed("string"));
        properties.put("findings", list(typed("object")));
        properties.put("problems", about(list(typed("object")), "Which values need attention"));
        return about(object(properties, List.of("title", "status")), "What is wrong, as problem details (RFC 9457)");
    }

    static Map<String, Object> media() {
        var properties = new LinkedHashMap<String, Object>();
        for (var key : List.of("id", "bytes", "width", "height")) {
            properties.put(key, typed("integer"));
        }
        for (var key : List.of("url", "name", "format", "alt")) {
            properties.put(key, typed("string"));
        }
        properties.put("focus", about(list(typed("integer")), "Percent, x and y"));
        var sizes = typed("object");
        sizes.put("additionalProperties", typed("string"));
        properties.put("sizes", about(sizes, "Addresses of smaller pictures by their width in pixels"));
        return object(properties, List.of("id", "url", "name"));
    }

    static Map<String, Object> mediaPage() {
        var properties = new LinkedHashMap<String, Object>();
        properties.put("items", list(ApiOperation.reference("media")));
        properties.put("next", typed("string"));
        return object(properties, List.of());
    }

    private static Map<String, Object> object(Map<String, Object> properties, List<String> required) {
        var schema = typed("object");
        schema.put("properties", properties);
        if (!required.isEmpty()) {
            schema.put("required", required);
        }
        return schema;
    }

    private static Map<String, Object> list(Map<String, Object> items) {
        var schema = typed("array");
        schema.put("items", items);
        return schema;
    }

    private static Map<String, Object> moment() {
        var schema = typed("string");
        schema.put("format", "date-time");
        return schema;
    }

    private static Map<String, Object> about(Map<String, Object> schema, String about) {
        schema.put("description", about);
        return schema;
    }

    private static Map<String, Object> typed(String type) {
        var schema = new LinkedHashMap<String, Object>();
        schema.put("type", type);
        return schema;
    }
}

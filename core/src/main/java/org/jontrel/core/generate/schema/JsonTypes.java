package org.jontrel.core.generate.schema;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.generate.api.ApiValue;

/** Schemas of plain values. */
final class JsonTypes {
    private JsonTypes() {}

    static Map<String, Object> moment(ApiValue.MomentSort sort) {
        return switch (sort) {
            case DATE -> formatted("date");
            // without a zone, which the formats of JSON Schema want
            case TIME -> patterned("^[0-2][0-9]:[0-5][0-9]");
            case DATE_TIME -> patterned("^[0-9]{4}-[0-1][0-9]-[0-3][0-9]T[0-2][0-9]:[0-5][0-9]");
        };
    }

    static Map<String, Object> spot() {
        var properties = new LinkedHashMap<String, Object>();
        properties.put("latitude", within(90));
        properties.put("longitude", within(180));
        var schema = typed("object");
        schema.put("properties", properties);
        schema.put("required", List.of("latitude", "longitude"));
        return schema;
    }

    private static Map<String, Object> within(int degrees) {
        var schema = typed("number");
        schema.put("minimum", -degrees);
        schema.put("maximum", degrees);
        return schema;
    }

    private static Map<String, Object> patterned(String pattern) {
        var schema = typed("string");
        schema.put("pattern", pattern);
        return schema;
    }

    static Map<String, Object> formatted(String format) {
        var schema = typed("string");
        schema.put("format", format);
        return schema;
    }

    static Map<String, Object> typed(String type) {
        var schema = new LinkedHashMap<String, Object>();
        schema.put("type", type);
        return schema;
    }
}

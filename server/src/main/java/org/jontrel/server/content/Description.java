package org.jontrel.server.content;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import org.jontrel.core.holder.Holder;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.sample.ApiShape;
import org.jontrel.site.table.Binding;

/** A site's content API as OpenAPI 3.1, from its installed definitions. */
final class Description {
    private Description() {}

    /** The address segment of what a definition holds. */
    static String segment(Holder holder) {
        return switch (holder.definition()) {
            case ContentType type ->
                type.publishing().apiPath().isEmpty()
                        ? type.path()
                        : type.publishing().apiPath();
            default -> holder.definition().sort().folder() + "/" + holder.key();
        };
    }

    static SequencedMap<String, Object> of(String site, String name, Binding installed) {
        var paths = new LinkedHashMap<String, Object>();
        var schemas = new LinkedHashMap<String, Object>();
        for (var table : installed.tables().values()) {
            var holder = table.holder();
            if (Answers.inApi(holder)) {
                var component =
                        holder.definition().sort().name().toLowerCase(java.util.Locale.ROOT) + "_" + holder.key();
                schemas.put(component, schema(holder));
                paths(holder, component, paths);
            }
        }
        var description = new LinkedHashMap<String, Object>();
        description.put("openapi", "3.1.0");
        description.put(
                "info", Map.of("title", name, "version", installed.version().isEmpty() ? "0" : installed.version()));
        description.put("servers", List.of(Map.of("url", "/at/" + site + "/api")));
        description.put("paths", paths);
        description.put("components", Map.of("schemas", schemas));
        return description;
    }

    private static Map<String, Object> schema(Holder holder) {
        var own = new LinkedHashMap<String, Object>();
        own.put("id", Map.of("type", "integer"));
        own.put("slug", Map.of("type", "string"));
        own.put("url", Map.of("type", "string"));
        own.put("parent", Map.of("type", "integer"));
        own.put("updated_at", Map.of("type", "string", "format", "date-time"));
        var schema = new LinkedHashMap<>(ApiShape.schema(holder.singular(), holder.first(), holder.groups()));
        schema.remove("$schema");
        var properties = new LinkedHashMap<String, Object>(own);
        properties.putAll(new LinkedHashMap<>(castProperties(schema.get("properties"))));
        schema.put("properties", properties);
        schema.put("required", List.of("id", "slug"));
        return schema;
    }

    @SuppressWarnings("unchecked") // made by ApiShape
    private static Map<String, Object> castProperties(Object properties) {
        return (Map<String, Object>) properties;
    }

    private static void paths(Holder holder, String component, Map<String, Object> paths) {
        var ref = Map.<String, Object>of("$ref", "#/components/schemas/" + component);
        var segment = "/" + segment(holder);
        if (holder.definition().sort() == Definition.Sort.VALUES) {
            paths.put(segment, Map.of("get", operation("The values of " + holder.singular(), ref, List.of())));
            return;
        }
        var list = new LinkedHashMap<String, Object>();
        list.put("type", "object");
        list.put(
                "properties",
                Map.of(
                        "items", Map.of("type", "array", "items", ref),
                        "next", Map.of("type", "string"),
                        "total", Map.of("type", "integer"),
                        "total_exact", Map.of("type", "boolean")));
        list.put("required", List.of("items", "total", "total_exact"));
        var asked = new ArrayList<Map<String, Object>>();
        asked.add(parameter("filter", "A condition as in definitions, as JSON, with keys of fields"));
        asked.add(parameter("search", "Words that must all be in the record"));
        asked.add(parameter("sort", "Keys of fields with commas between; a minus turns one around"));
        asked.add(parameter("fields", "Keys of the fields wanted, with commas between"));
        asked.add(parameter("include", "Keys of relations whose records are given whole"));
        asked.add(parameter("limit", "Records of a page, up to 100"));
        asked.add(parameter("after", "Where the next page begins"));
        paths.put(segment, Map.of("get", operation(holder.plural(), list, asked)));
        paths.put(
                segment + "/{id}",
                Map.of(
                        "get",
                        operation(
                                "One " + holder.singular(),
                                ref,
                                List.of(
                                        Map.of(
                                                "name",
                                                "id",
                                                "in",
                                                "path",
                                                "required",
                                                true,
                                                "description",
                                                "Number or slug",
                                                "schema",
                                                Map.of("type", "string")),
                                        parameter("fields", "Keys of the fields wanted"),
                                        parameter("include", "Keys of relations whose records are given whole")))));
    }

    private static Map<String, Object> parameter(String name, String about) {
        return Map.of("name", name, "in", "query", "description", about, "schema", Map.of("type", "string"));
    }

    private static Map<String, Object> operation(
            String summary, Map<String, Object> schema, List<Map<String, Object>> parameters) {
        var problem = Map.of("description", "What is wrong, as problem details (RFC 9457)");
        return Map.of(
                "summary",
                summary,
                "parameters",
                parameters,
                "responses",
                Map.of(
                        "200",
                        Map.of("description", summary, "content", Map.of("application/json", Map.of("schema", schema))),
                        "default",
                        problem));
    }
}

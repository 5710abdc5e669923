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
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.table.Binding;

/** A site's content API as OpenAPI 3.1, from its installed definitions. */
final class Description {
    private static final Map<String, Object> PROBLEM =
            Map.of("description", "What is wrong, as problem details (RFC 9457)");

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
            if (Audience.TOKEN.reads(holder)) {
                var component =
                        holder.definition().sort().name().toLowerCase(java.util.Locale.ROOT) + "_" + holder.key();
                schemas.put(component, schema(holder));
                paths(holder, component, paths);
            }
        }
        media(paths, schemas);
        var description = new LinkedHashMap<String, Object>();
        description.put("openapi", "3.1.0");
        description.put(
                "info", Map.of("title", name, "version", installed.version().isEmpty() ? "0" : installed.version()));
        description.put("servers", List.of(Map.of("url", "/at/" + site + "/api")));
        description.put("paths", paths);
        description.put(
                "components",
                Map.of(
                        "schemas",
                        schemas,
                        "securitySchemes",
                        Map.of(
                                "token",
                                Map.of(
                                        "type", "http",
                                        "scheme", "bearer",
                                        "description", "A token of this site; with one, drafts are read too"))));
        return description;
    }

    private static Map<String, Object> schema(Holder holder) {
        var own = new LinkedHashMap<String, Object>();
        own.put("id", Map.of("type", "integer"));
        own.put("slug", Map.of("type", "string"));
        own.put("url", Map.of("type", "string"));
        own.put("parent", Map.of("type", "integer"));
        own.put("state", Map.of("type", "string", "description", "With a token only"));
        own.put("publish_at", Map.of("type", "string", "format", "date-time"));
        own.put("retire_at", Map.of("type", "string", "format", "date-time", "description", "With a token only"));
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
        var write = write(ref);
        if (holder.definition().sort() == Definition.Sort.VALUES) {
            paths.put(
                    segment,
                    Map.of(
                            "get",
                            operation("The values of " + holder.singular(), ref, List.of()),
                            "patch",
                            writing("Change values of " + holder.singular(), "200", ref, write, true)));
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
        paths.put(
                segment,
                Map.of(
                        "get",
                        operation(holder.plural(), list, asked),
                        "post",
                        writing("Make a " + holder.singular(), "201", ref, write, false)));
        var one = new LinkedHashMap<String, Object>();
        one.put("parameters", List.of(inPath("Number or slug")));
        one.put(
                "get",
                operation(
                        "One " + holder.singular(),
                        ref,
                        List.of(
                                parameter("fields", "Keys of the fields wanted"),
                                parameter("include", "Keys of relations whose records are given whole"))));
        if (holder.definition().sort() == Definition.Sort.TYPE) {
            one.put("put", writing("Replace all values of a " + holder.singular(), "200", ref, write, true));
        }
        one.put("patch", writing("Change some values of a " + holder.singular(), "200", ref, write, true));
        one.put("delete", writing("Delete a " + holder.singular(), "204", Map.of(), Map.of(), true));
        paths.put(segment + "/{id}", one);
    }

    /** What a writer sends: values as they are read, and where the record stands. */
    private static Map<String, Object> write(Map<String, Object> ref) {
        var properties = new LinkedHashMap<String, Object>();
        properties.put(
                "values",
                Map.of(
                        "description", "By field key, in the shape in which they are read; null empties one",
                        "type", "object"));
        properties.put("state", Map.of("enum", List.of("draft", "published", "scheduled", "retired")));
        properties.put("publish_at", Map.of("type", List.of("string", "null"), "format", "date-time"));
        properties.put("retire_at", Map.of("type", List.of("string", "null"), "format", "date-time"));
        properties.put("slug", Map.of("type", "string"));
        properties.put("parent", Map.of("type", List.of("integer", "object", "null")));
        properties.put("position", Map.of("type", "integer"));
        return Map.of("type", "object", "properties", properties, "x-read-as", ref.get("$ref"));
    }

    private static Map<String, Object> writing(
            String summary, String status, Map<String, Object> answer, Map<String, Object> body, boolean change) {
        var operation = new LinkedHashMap<String, Object>();
        operation.put("summary", summary);
        operation.put("security", List.of(Map.of("token", List.of())));
        operation.put(
                "parameters",
                change
                        ? List.of(Map.of(
                                "name",
                                "If-Match",
                                "in",
                                "header",
                                "required",
                                true,
                                "description",
                                "The ETag of a GET without parameters",
                                "schema",
                                Map.of("type", "string")))
                        : List.of());
        if (!body.isEmpty()) {
            operation.put(
                    "requestBody",
                    Map.of("required", true, "content", Map.of("application/json", Map.of("schema", body))));
        }
        var responses = new LinkedHashMap<String, Object>();
        responses.put(
                status,
                answer.isEmpty()
                        ? Map.of("description", summary)
                        : Map.of(
                                "description",
                                summary,
                                "content",
                                Map.of("application/json", Map.of("schema", answer))));
        if (change) {
            responses.put("412", Map.of("description", "It has changed since it was read"));
            responses.put("428", Map.of("description", "If-Match is missing"));
        }
        responses.put("401", Map.of("description", "There is no token, or none of this site"));
        responses.put("403", Map.of("description", "The token may read only"));
        responses.put("default", PROBLEM);
        operation.put("responses", responses);
        return operation;
    }

    private static void media(Map<String, Object> paths, Map<String, Object> schemas) {
        var file = new LinkedHashMap<String, Object>();
        for (var key : List.of("id", "bytes", "width", "height")) {
            file.put(key, Map.of("type", "integer"));
        }
        for (var key : List.of("url", "name", "format", "alt")) {
            file.put(key, Map.of("type", "string"));
        }
        file.put(
                "focus",
                Map.of("type", "array", "items", Map.of("type", "integer"), "description", "Percent, x and y"));
        file.put(
                "sizes",
                Map.of("type", "object", "description", "Addresses of smaller pictures by their width in pixels"));
        schemas.put("media", Map.of("type", "object", "properties", file, "required", List.of("id", "url", "name")));
        var ref = Map.<String, Object>of("$ref", "#/components/schemas/media");
        var list = Map.of(
                "type",
                "object",
                "properties",
                Map.of("items", Map.of("type", "array", "items", ref), "next", Map.of("type", "string")));
        var all = new LinkedHashMap<>(operation(
                "All pictures and files",
                list,
                List.of(
                        parameter("search", "Part of a name or alternative text"),
                        parameter("after", "Where the next page begins"))));
        all.put("security", List.of(Map.of("token", List.of())));
        paths.put("/media", Map.of("get", all));
        paths.put(
                "/media/{id}",
                Map.of(
                        "parameters",
                        List.of(inPath("Number")),
                        "get",
                        operation("One picture or file", ref, List.of())));
    }

    private static Map<String, Object> inPath(String about) {
        return Map.of(
                "name", "id", "in", "path", "required", true, "description", about, "schema", Map.of("type", "string"));
    }

    private static Map<String, Object> parameter(String name, String about) {
        return Map.of("name", name, "in", "query", "description", about, "schema", Map.of("type", "string"));
    }

    private static Map<String, Object> operation(
            String summary, Map<String, Object> schema, List<Map<String, Object>> parameters) {
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
                        PROBLEM));
    }
}

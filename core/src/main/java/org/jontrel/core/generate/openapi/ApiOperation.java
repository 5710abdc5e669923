package org.jontrel.core.generate.openapi;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** One thing that can be asked of the API, as it is put together. */
final class ApiOperation {
    static final String TOKEN = "token";
    private final String tag;
    private final String summary;
    private final String id;
    private final List<Object> parameters = new ArrayList<>();
    private final Map<String, Object> responses = new LinkedHashMap<>();
    private String body = "";
    private boolean secured;

    ApiOperation(String id, String summary, String tag) {
        this.id = id;
        this.summary = summary;
        this.tag = tag;
    }

    ApiOperation asked(String name, String about) {
        parameters.add(parameter(name, "query", about, false));
        return this;
    }

    /** With the mark of the state that the caller has seen. */
    ApiOperation matching() {
        parameters.add(parameter("If-Match", "header", "The ETag of a GET without parameters", true));
        return this;
    }

    static Map<String, Object> parameter(String name, String in, String about, boolean required) {
        var parameter = new LinkedHashMap<String, Object>();
        parameter.put("name", name);
        parameter.put("in", in);
        parameter.put("description", about);
        if (required) {
            parameter.put("required", true);
        }
        parameter.put("schema", Map.of("type", "string"));
        return parameter;
    }

    /** Everybody may ask, and who has a token is given more; this one needs it. */
    ApiOperation secured() {
        secured = true;
        return refusing(ApiProblem.UNAUTHORIZED, ApiProblem.FORBIDDEN, ApiProblem.TOO_MANY, ApiProblem.SWITCHING);
    }

    /** @param component the schema of what is sent */
    ApiOperation sending(String component) {
        body = component;
        return this;
    }

    ApiOperation answering(String status, Object schema) {
        var response = new LinkedHashMap<String, Object>();
        response.put("description", summary);
        response.put("content", json(schema));
        responses.put(status, response);
        return this;
    }

    /** Answering with nothing but that it is done. */
    ApiOperation done(String about) {
        responses.put("204", Map.of("description", about));
        return this;
    }

    ApiOperation refusing(ApiProblem... problems) {
        for (var problem : problems) {
            responses.put(problem.status(), Map.of("$ref", problem.reference()));
        }
        return this;
    }

    private static Map<String, Object> json(Object schema) {
        return Map.of("application/json", Map.of("schema", schema));
    }

    static Map<String, Object> reference(String component) {
        return Map.of("$ref", "#/components/schemas/" + component);
    }

    Map<String, Object> tree() {
        var tree = new LinkedHashMap<String, Object>();
        tree.put("tags", List.of(tag));
        tree.put("summary", summary);
        tree.put("description", summary);
        tree.put("operationId", id);
        if (!parameters.isEmpty()) {
            tree.put("parameters", parameters);
        }
        if (!body.isEmpty()) {
            var sent = new LinkedHashMap<String, Object>();
            sent.put("content", json(reference(body)));
            sent.put("required", true);
            tree.put("requestBody", sent);
        }
        tree.put("responses", responses);
        var token = Map.of(TOKEN, List.of());
        tree.put("security", secured ? List.of(token) : List.<Object>of(Map.of(), token));
        return tree;
    }
}

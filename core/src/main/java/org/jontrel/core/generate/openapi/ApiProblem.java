package org.jontrel.core.generate.openapi;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;

/** Why a request is not carried out, under the name of its response among the components. */
enum ApiProblem {
    UNAUTHORIZED("401", "There is no token, or none of this site"),
    FORBIDDEN("403", "The token may read only"),
    NOT_FOUND("404", "There is no such thing, or it may not be read"),
    CONFLICT("409", "Others stand under it; move or delete them first"),
    CHANGED("412", "It has changed since it was read"),
    INVALID("422", "A parameter or a value cannot be used; the body says which, and why"),
    NO_MATCH_GIVEN("428", "If-Match is missing"),
    TOO_MANY("429", "Too many requests; Retry-After says when to go on"),
    SWITCHING("503", "The site's definitions are being switched; try again in a moment");

    private final String status;
    private final String sentence;

    ApiProblem(String status, String sentence) {
        this.status = status;
        this.sentence = sentence;
    }

    String status() {
        return status;
    }

    String component() {
        return name().toLowerCase(Locale.ROOT);
    }

    String reference() {
        return "#/components/responses/" + component();
    }

    Map<String, Object> response() {
        var response = new LinkedHashMap<String, Object>();
        response.put("description", sentence);
        response.put(
                "content", Map.of("application/problem+json", Map.of("schema", ApiOperation.reference("problem"))));
        return response;
    }
}

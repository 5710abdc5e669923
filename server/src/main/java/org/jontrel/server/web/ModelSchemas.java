package org.jontrel.server.web;

import com.fasterxml.jackson.core.JsonProcessingException;
import io.swagger.v3.core.util.Json31;
import io.swagger.v3.oas.models.media.JsonSchema;
import io.swagger.v3.oas.models.media.Schema;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.model.Definition;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Puts the schemas of definitions into the API's description, from the same source that reads and writes them. */
@Configuration
class ModelSchemas {
    /** Views that come from the site engine, which knows no web annotations, and what may be absent in them. */
    private static final Map<String, List<String>> JOURNAL = Map.of(
            "RunView", List.of("undoes", "message", "finishedAt"), "StepView", List.of("startedAt", "finishedAt"));

    @Bean
    @SuppressWarnings("rawtypes") // the library hands out schemas without their type
    OpenApiCustomizer definitions() {
        return api -> {
            api.setServers(null);
            api.getInfo().title("Jontrel").version("1");
            PackageWriter.components("#/components/schemas/")
                    .forEach((name, schema) -> api.getComponents().addSchemas(name, schema(schema)));
            api.getComponents().addSchemas("Definition", schema(Map.of("oneOf", sorts())));
            JOURNAL.forEach((name, optional) -> {
                var view = api.getComponents().getSchemas().get(name);
                if (view != null) {
                    require(view, optional);
                }
            });
        };
    }

    private static List<Map<String, String>> sorts() {
        return Stream.of(Definition.Sort.values())
                .map(sort -> Map.of(
                        "$ref",
                        "#/components/schemas/"
                                + PackageWriter.camel(sort.noun().replace(' ', '_'))))
                .toList();
    }

    @SuppressWarnings({"rawtypes", "unchecked"}) // the library hands out schemas without their type
    private static void require(Schema view, List<String> optional) {
        Map<String, ?> properties = view.getProperties();
        view.setRequired(properties.keySet().stream()
                .filter(property -> !optional.contains(property))
                .toList());
    }

    private static JsonSchema schema(Object tree) {
        try {
            return Json31.mapper().readValue(Json31.mapper().writeValueAsString(tree), JsonSchema.class);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}

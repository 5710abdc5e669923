package org.jontrel.server.web;

import com.fasterxml.jackson.core.JsonProcessingException;
import io.swagger.v3.core.util.Json31;
import io.swagger.v3.oas.models.media.JsonSchema;
import java.util.Map;
import org.jontrel.core.code.PackageWriter;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Puts the schemas of definitions into the API's description, from the same source that reads and writes them. */
@Configuration
class ModelSchemas {
    /** Name of the schema of a content type in the API's description. */
    @Bean
    OpenApiCustomizer definitions() {
        return api -> {
            api.setServers(null);
            api.getInfo().title("Jontrel").version("1");
            api.getComponents()
                    .addSchemas("ContentType", schema(PackageWriter.schemas().get("type")));
        };
    }

    private static JsonSchema schema(Map<String, Object> tree) {
        try {
            return Json31.mapper().readValue(Json31.mapper().writeValueAsString(tree), JsonSchema.class);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}

package org.jontrel.server.web;

import java.io.IOException;
import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.PathResourceResolver;

/** Serves the interface's files; its own addresses all lead to its one page, unknown files and API paths stay 404. */
@Configuration
class FrontEnd implements WebMvcConfigurer {
    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/static/assets/")
                .setCacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable());
        registry.addResourceHandler("/**")
                .addResourceLocations("classpath:/static/")
                .setCacheControl(CacheControl.noCache())
                .resourceChain(true)
                .addResolver(new OnePage());
    }

    private static final class OnePage extends PathResourceResolver {
        @Override
        protected Resource getResource(String path, Resource location) throws IOException {
            var file = super.getResource(path, location);
            boolean page = !path.startsWith("api/") && !path.startsWith("at/") && !path.contains(".");
            return file != null || !page ? file : super.getResource("index.html", location);
        }
    }
}

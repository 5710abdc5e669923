package org.jontrel.server.publicsite;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import org.jontrel.core.page.PageModel;
import org.jontrel.site.Site;
import org.springframework.stereotype.Component;

/** What sites have installed, made ready for pages; once for each generation of definitions. */
@Component
class PageModels {
    private static final int MOST = 100;
    private final Cache<SiteGeneration, PageModel> models =
            Caffeine.newBuilder().maximumSize(MOST).build();

    private record SiteGeneration(String path, long generation) {}

    PageModel of(String path, Site engine) {
        var installed = engine.installed();
        return models.get(new SiteGeneration(path, installed.generation()), _ -> new PageModel(installed.model()));
    }
}

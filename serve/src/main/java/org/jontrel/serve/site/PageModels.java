package org.jontrel.serve.site;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import org.jontrel.core.model.Model;
import org.jontrel.core.page.PageModel;
import org.jontrel.site.Site;
import org.springframework.stereotype.Component;

/** What sites have installed, made ready for pages once for each model: for as long as a site holds that very one. */
@Component
public class PageModels {
    private static final int MOST = 100;
    private final Cache<Model, PageModel> models =
            Caffeine.newBuilder().weakKeys().maximumSize(MOST).build();

    public PageModel of(Site engine) {
        return models.get(engine.installed().model(), PageModel::new);
    }
}

package org.jontrel.serve.publicsite;

import gg.jte.ContentType;
import gg.jte.TemplateEngine;
import gg.jte.output.StringOutput;
import java.util.List;
import java.util.Map;
import org.jontrel.core.page.node.PageNode;
import org.springframework.stereotype.Component;

/** Pages as HTML, by templates that are compiled with the program: the one way from nodes to what browsers show. */
@Component
public class PageWriter {
    private static final String TEMPLATES = "org.jontrel.serve.publicsite.template";
    private final TemplateEngine engine = TemplateEngine.createPrecompiled(null, ContentType.Html, null, TEMPLATES);

    public String home(PageFrame site) {
        return home(site, PageHead.of(site.name()));
    }

    String home(PageFrame site, PageHead head) {
        return written("home", Map.of("site", site, "head", head));
    }

    String missing(PageFrame site) {
        return written("missing", Map.of("site", site));
    }

    public String page(PageFrame site, PageHead head, List<PageNode> nodes) {
        return written("page", Map.of("site", site, "head", head, "nodes", nodes));
    }

    private String written(String template, Map<String, Object> values) {
        var page = new StringOutput();
        // the template engine leaves it out, and without it browsers show pages as those of long ago
        page.writeContent("<!doctype html>\n");
        engine.render(template + ".jte", values, page);
        return page.toString();
    }
}

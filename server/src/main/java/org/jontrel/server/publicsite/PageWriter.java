package org.jontrel.server.publicsite;

import gg.jte.ContentType;
import gg.jte.TemplateEngine;
import gg.jte.output.StringOutput;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.page.node.PageNode;
import org.springframework.stereotype.Component;

/** Pages as HTML, by templates that are compiled with the program: the one way from nodes to what browsers show. */
@Component
public class PageWriter {
    private static final String TEMPLATES = "org.jontrel.server.publicsite.template";
    private final TemplateEngine engine = TemplateEngine.createPrecompiled(null, ContentType.Html, null, TEMPLATES);

    String home(PageFrame site) {
        return written("home", Map.of("site", site));
    }

    String missing(PageFrame site) {
        return written("missing", Map.of("site", site));
    }

    public String page(PageFrame site, PageHead head, List<PageNode> nodes) {
        return written("page", Map.of("site", site, "head", head, "nodes", nodes));
    }

    /**
     * A page of a list.
     *
     * @param path of the list below the site
     * @param first whether this is the first page
     * @param next where the next one begins, or {@code null}
     */
    public String index(PageFrame site, PageHead head, String path, List<PageNode> nodes, boolean first, String next) {
        var values = new LinkedHashMap<String, Object>(
                Map.of("site", site, "head", head, "path", path, "nodes", nodes, "first", first));
        values.put("next", next);
        return written("index", values);
    }

    private String written(String template, Map<String, Object> values) {
        var page = new StringOutput();
        // the template engine leaves it out, and without it browsers show pages as those of long ago
        page.writeContent("<!doctype html>\n");
        engine.render(template + ".jte", values, page);
        return page.toString();
    }
}

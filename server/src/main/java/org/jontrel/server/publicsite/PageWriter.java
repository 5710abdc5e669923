package org.jontrel.server.publicsite;

import gg.jte.ContentType;
import gg.jte.TemplateEngine;
import gg.jte.output.StringOutput;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.model.Taxonomy;
import org.springframework.stereotype.Component;

/** Pages as HTML, by templates that are compiled with the program. */
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

    /**
     * @param empty what is said where there are no cards
     * @param first whether this is the first page
     * @param next where the next one begins, or {@code null}
     */
    public String index(
            PageFrame site,
            org.jontrel.core.model.ContentType type,
            List<PublicPages.Card> cards,
            String empty,
            boolean first,
            String next) {
        var values = new LinkedHashMap<String, Object>(
                Map.of("site", site, "type", type, "cards", cards, "empty", empty, "first", first));
        values.put("next", next);
        return written("index", values);
    }

    public String record(
            PageFrame site,
            org.jontrel.core.model.ContentType type,
            PublicPages.Card card,
            String body,
            List<PublicPages.PageSection> sections) {
        return written("record", Map.of("site", site, "type", type, "card", card, "body", body, "sections", sections));
    }

    /** @param lists of what is under the term, by the name of its type */
    String term(
            PageFrame site,
            Taxonomy taxonomy,
            PublicPages.Card card,
            Map<String, List<PublicPages.Card>> lists,
            List<PublicPages.PageSection> sections) {
        return written(
                "term", Map.of("site", site, "taxonomy", taxonomy, "card", card, "lists", lists, "sections", sections));
    }

    String terms(PageFrame site, Taxonomy taxonomy, List<PublicPages.Branch> terms) {
        return written("terms", Map.of("site", site, "taxonomy", taxonomy, "terms", terms));
    }

    /** @param lists of what was found, by the name of its type */
    String found(PageFrame site, String words, Map<String, List<PublicPages.Card>> lists) {
        return written("found", Map.of("site", site, "words", words, "lists", lists));
    }

    private String written(String template, Map<String, Object> values) {
        var page = new StringOutput();
        // the template engine leaves it out, and without it browsers show pages as those of long ago
        page.writeContent("<!doctype html>\n");
        engine.render(template + ".jte", values, page);
        return page.toString();
    }
}

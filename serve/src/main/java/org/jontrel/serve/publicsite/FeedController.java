package org.jontrel.serve.publicsite;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.function.Function;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.page.node.PageAddress;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.serve.site.PageModels;
import org.jontrel.serve.site.ServedSites;
import org.jontrel.serve.web.Refusal;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.SystemField;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What programs read of public sites: maps of their pages, what robots may do, and feeds of what is new. */
@RestController
class FeedController {
    static final String FEED = "feed.xml";
    private static final int NEWEST = 30;
    private static final String ATOM = "http://www.w3.org/2005/Atom";
    private static final String ATOM_TYPE = "application/atom+xml";
    private static final MediaType XML = new MediaType("application", "xml", StandardCharsets.UTF_8);
    private static final MediaType FEED_TYPE = new MediaType("application", "atom+xml", StandardCharsets.UTF_8);
    private final ServedSites sites;
    private final PageModels models;

    FeedController(ServedSites sites, PageModels models) {
        this.sites = sites;
        this.models = models;
    }

    @GetMapping("/at/{site}/sitemap.xml")
    ResponseEntity<String> map(
            @PathVariable String site,
            @RequestParam(name = "of", defaultValue = "") String path,
            @RequestParam(defaultValue = "0") long after) {
        return answer(site, XML, engine -> {
            if (sites.get(site).settings().unlisted()) {
                return Optional.empty();
            }
            var maps = new SiteMaps(engine, models.of(engine), heads(site, SiteBase.of(sites.get(site))));
            return path.isEmpty() ? Optional.of(maps.index()) : maps.part(path, after);
        });
    }

    @GetMapping("/at/{site}/robots.txt")
    ResponseEntity<String> robots(@PathVariable String site) {
        return answer(
                site,
                MediaType.TEXT_PLAIN,
                _ -> Optional.of("User-agent: *\nAllow: /\n"
                        + (sites.get(site).settings().unlisted()
                                ? ""
                                : "Sitemap: " + SiteBase.of(sites.get(site)) + "sitemap.xml\n")));
    }

    /** The interface is nothing for search engines. */
    @GetMapping("/robots.txt")
    ResponseEntity<String> robots() {
        return ResponseEntity.ok()
                .contentType(MediaType.TEXT_PLAIN)
                .body("User-agent: *\nAllow: /at/\nAllow: /public/\nDisallow: /\n");
    }

    /** What is new of a type. */
    @GetMapping("/at/{site}/{path}/" + FEED)
    ResponseEntity<String> feed(@PathVariable String site, @PathVariable String path) {
        return answer(site, FEED_TYPE, engine -> feed(site, SiteBase.of(sites.get(site)), engine, path));
    }

    /** The feed of a type; empty where it has none. */
    Optional<String> at(String site, String base, String path) {
        var engine = sites.engine(site);
        return engine.together(() -> feed(site, base, engine, path));
    }

    private Optional<String> feed(String site, String base, Site engine, String path) {
        return PublicLists.recordType(engine, path)
                .filter(recordType -> recordType.definition() instanceof ContentType type
                        && type.index().on()
                        && !type.head().hidden())
                .map(recordType -> feed(heads(site, base), engine, recordType));
    }

    private RecordHeads heads(String path, String base) {
        return new RecordHeads(base, sites.get(path).name(), PageLinks.at(path));
    }

    private String feed(RecordHeads heads, Site engine, RecordType recordType) {
        var pages = new SitePages(engine, models.of(engine), heads.siteName(), Audience.VISITORS);
        var newest = engine.records()
                .page(
                        recordType.id(),
                        ListQuery.ALL
                                .as(Audience.VISITORS)
                                .sortedBy(SystemField.CREATED_AT.field().id(), true)
                                .only(models.of(engine)
                                        .headNeeds(recordType.id())
                                        .fields())
                                .most(NEWEST))
                .orElseThrow()
                .records();
        var entries = pages.heads(recordType, newest).stream()
                .filter(entry -> !entry.head().hidden())
                .toList();
        var index = heads.whole(new PageAddress.InsideSite(recordType.path() + "/"));
        var changed = entries.stream()
                .map(entry -> entry.record().updatedAt())
                .max(java.time.Instant::compareTo)
                .orElse(java.time.Instant.EPOCH);
        return SiteXml.document("feed", ATOM, xml -> {
            xml.text("id", index);
            xml.text("title", recordType.plural() + " · " + heads.siteName());
            xml.text("updated", changed.toString());
            xml.element("author", author -> author.text("name", heads.siteName()));
            xml.link("self", ATOM_TYPE, index + FEED);
            xml.link("alternate", MediaType.TEXT_HTML_VALUE, index);
            for (var entry : entries) {
                var address =
                        heads.whole(new PageAddress.InsideSite(entry.record().address()));
                xml.element("entry", each -> {
                    each.text("id", address);
                    each.text("title", entry.head().title());
                    each.text("updated", entry.record().updatedAt().toString());
                    each.link("alternate", MediaType.TEXT_HTML_VALUE, address);
                    if (!entry.head().description().isEmpty()) {
                        each.text("summary", entry.head().description());
                    }
                });
            }
        });
    }

    private ResponseEntity<String> answer(String path, MediaType type, Function<Site, Optional<String>> work) {
        if (sites.find(path).isEmpty()) {
            throw Refusal.missing("There is no site " + path + ".");
        }
        var engine = sites.engine(path);
        return engine.together(() -> {
            var tag = PageTags.of(sites.get(path), engine);
            return work.apply(engine)
                    .map(text -> ResponseEntity.ok()
                            .contentType(type)
                            .eTag(tag)
                            .cacheControl(PageTags.ASK_AGAIN)
                            .body(text))
                    .orElseThrow(() -> Refusal.missing("There is nothing at this address."));
        });
    }
}

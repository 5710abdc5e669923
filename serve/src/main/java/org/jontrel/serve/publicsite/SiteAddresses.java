package org.jontrel.serve.publicsite;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.jontrel.core.model.ContentType;
import org.jontrel.serve.site.PageModels;
import org.jontrel.serve.site.ServedSites;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.web.util.UriComponentsBuilder;

/** All addresses of a site, and what is found at them; for who writes sites to files. */
@Component
public class SiteAddresses {
    private final ServedSites sites;
    private final PageModels models;
    private final PublicPages pages;
    private final FeedController feeds;

    SiteAddresses(ServedSites sites, PageModels models, PublicPages pages, FeedController feeds) {
        this.sites = sites;
        this.models = models;
        this.pages = pages;
        this.feeds = feeds;
    }

    /** Every index, record and term that has a page; below the site. */
    public void each(String site, Consumer<String> address) {
        var engine = sites.engine(site);
        var model = models.of(engine);
        var all = new SiteMaps(engine, model, new RecordHeads("/", "", PageLinks.at("")));
        engine.installed().tables().values().stream()
                .map(table -> table.recordType())
                .filter(recordType -> model.hasPages(recordType.id()))
                .forEach(recordType -> {
                    if (!(recordType.definition() instanceof ContentType type)
                            || type.index().on()) {
                        address.accept(recordType.path() + "/");
                    }
                    all.each(recordType, address);
                });
    }

    /**
     * The page or feed at an address; empty where there is none.
     *
     * @param base the whole address of the home page, with a slash at its end
     * @param address below the site, with what is asked behind a question mark
     */
    public Optional<String> at(String site, String base, String address) {
        int asked = address.indexOf('?');
        var path = asked < 0 ? address : address.substring(0, asked);
        if (path.endsWith("/" + FeedController.FEED)) {
            return feeds.at(site, base, path.substring(0, path.indexOf('/')));
        }
        var parameters = UriComponentsBuilder.fromUriString(asked < 0 ? "" : address.substring(asked))
                .build()
                .getQueryParams();
        var decoded = new LinkedMultiValueMap<String, String>();
        parameters.forEach((name, values) -> values.forEach(
                value -> decoded.add(name, value == null ? "" : URLDecoder.decode(value, StandardCharsets.UTF_8))));
        return Optional.of(pages.at(site, base, path, decoded))
                .filter(answer -> answer.getStatusCode() == HttpStatus.OK)
                .map(ResponseEntity::getBody);
    }

    /** The rules of the site's look, as CSS. */
    public String look(String site) {
        return pages.look(site).orElse(SiteLook.NOWHERE).css();
    }

    /** A map of addresses for search engines. */
    public static String map(List<String> addresses) {
        return SiteXml.document("urlset", SiteMaps.NAMESPACE, xml -> {
            for (var each : addresses) {
                xml.element("url", within -> within.text("loc", each));
            }
        });
    }
}

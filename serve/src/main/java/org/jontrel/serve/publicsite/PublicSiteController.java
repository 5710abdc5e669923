package org.jontrel.serve.publicsite;

import static org.jontrel.serve.publicsite.PageLinks.encoded;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import org.jontrel.serve.site.ServedSites;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/**
 * A site's public pages in a plain default look. Each carries a tag of the state that the whole site was in; see
 * {@link PageTags}.
 */
@RestController
class PublicSiteController {
    private static final MediaType CSS = new MediaType("text", "css", StandardCharsets.UTF_8);
    private final PublicPages pages;
    private static final CacheControl FOR_GOOD =
            CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable();

    private final ServedSites sites;

    PublicSiteController(PublicPages pages, ServedSites sites) {
        this.sites = sites;
        this.pages = pages;
    }

    @GetMapping({"/at/{site}", "/at/{site}/"})
    ResponseEntity<String> home(@PathVariable String site, @RequestParam MultiValueMap<String, String> parameters) {
        return pages.at(site, base(site), "", parameters);
    }

    private String base(String site) {
        return sites.find(site).map(SiteBase::of).orElse("/");
    }

    /** The rules of a site's look; its address is another whenever they are. */
    @GetMapping("/at/{site}/look.css")
    ResponseEntity<String> look(@PathVariable String site, @RequestParam(name = "v", defaultValue = "") String tag) {
        return pages.look(site)
                .map(look -> ResponseEntity.ok()
                        .contentType(CSS)
                        .cacheControl(tag.equals(look.tag()) ? FOR_GOOD : CacheControl.noCache())
                        .body(look.css()))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    /** For pages of no site. */
    @GetMapping(SiteLook.PLAIN)
    ResponseEntity<String> plain() {
        return ResponseEntity.ok()
                .contentType(CSS)
                .cacheControl(CacheControl.noCache())
                .body(SiteLook.NOWHERE.css());
    }

    @GetMapping("/at/{site}/{path}")
    ResponseEntity<Void> withSlash(@PathVariable String site, @PathVariable String path) {
        return ResponseEntity.status(HttpStatus.MOVED_PERMANENTLY)
                .location(URI.create("/at/" + encoded(site) + "/" + encoded(path) + "/"))
                .build();
    }

    /** The list of a type or taxonomy, or the page of what stands at an address below it. */
    @GetMapping("/at/{site}/{path}/{*below}")
    ResponseEntity<String> page(
            @PathVariable String site,
            @PathVariable String path,
            @PathVariable String below,
            @RequestParam MultiValueMap<String, String> parameters) {
        return pages.at(site, base(site), path + below, parameters);
    }
}

package org.jontrel.server.publicsite;

import static org.jontrel.server.publicsite.PageLinks.encoded;

import java.net.URI;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/**
 * A site's public pages in a plain default look. Each carries a tag of the state that the whole site was in; see
 * {@link PageTags}.
 */
@RestController
class PublicSiteController {
    private final PublicPages pages;

    PublicSiteController(PublicPages pages) {
        this.pages = pages;
    }

    @GetMapping({"/at/{site}", "/at/{site}/"})
    ResponseEntity<String> home(@PathVariable String site, @RequestParam MultiValueMap<String, String> parameters) {
        return pages.at(site, origin(), "", parameters);
    }

    /** What visitors came by. */
    private static String origin() {
        return ServletUriComponentsBuilder.fromCurrentContextPath().toUriString();
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
        return pages.at(site, origin(), path + below, parameters);
    }
}

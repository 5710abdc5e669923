package org.jontrel.standalone;

import java.net.URI;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.util.UriUtils;

/** Leads from the address of the machine to that of the site. */
@RestController
class RootController {
    private final StandaloneSite site;

    RootController(StandaloneSite site) {
        this.site = site;
    }

    @GetMapping("/")
    ResponseEntity<Void> home() {
        return ResponseEntity.status(HttpStatus.FOUND)
                .location(URI.create(
                        "/at/" + UriUtils.encodePathSegment(site.served().path(), "UTF-8") + "/"))
                .build();
    }
}

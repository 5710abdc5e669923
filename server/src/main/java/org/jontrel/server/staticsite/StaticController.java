package org.jontrel.server.staticsite;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.swagger.v3.oas.annotations.Parameter;
import java.io.IOException;
import java.io.OutputStream;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.Semaphore;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.site.Sites;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** The public pages of a site as files. */
@RestController
class StaticController {
    private static final int MOST = 1_000;
    private static final int LONGEST_NAME = 60;
    private final Sites sites;
    private final StaticSites writer;
    /** Others wait: a site in files is every page of it. */
    private final Semaphore oneAtATime = new Semaphore(1);

    private final Cache<String, StaticProgress> going = Caffeine.newBuilder()
            .maximumSize(MOST)
            .expireAfterWrite(Duration.ofMinutes(30))
            .build();

    StaticController(Sites sites, StaticSites writer) {
        this.sites = sites;
        this.writer = writer;
    }

    /** A ZIP file of all pages, pictures, files and feeds that visitors get, written while it is sent. */
    @GetMapping("/api/sites/{site}/static")
    ResponseEntity<StreamingResponseBody> files(
            @PathVariable String site,
            @Parameter(
                            description =
                                    "Where the files will stand, such as https://example.org/; without it they name no whole addresses")
                    @RequestParam(defaultValue = "")
                    String address,
            @Parameter(description = "A name under which its progress can be asked for")
                    @RequestParam(defaultValue = "")
                    String id) {
        sites.get(site);
        var place = address(address);
        if (id.length() > LONGEST_NAME) {
            throw Refusal.invalid("A name for progress has at most " + LONGEST_NAME + " characters.", List.of());
        }
        StreamingResponseBody body = out -> send(site, place, site + "/" + id, out);
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("application/zip"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + site + ".zip\"")
                .header(HttpHeaders.CACHE_CONTROL, "no-store")
                .body(body);
    }

    private void send(String site, String place, String name, OutputStream out) throws IOException {
        oneAtATime.acquireUninterruptibly();
        try (var zip = new ZipTarget(out, site)) {
            writer.write(site, place, zip, progress -> going.put(name, progress));
        } catch (IOException | RuntimeException e) {
            going.put(
                    name,
                    new StaticProgress(0, 0, 0, true, "The files were not saved: something went wrong on the way."));
            throw e;
        } finally {
            oneAtATime.release();
        }
    }

    private static String address(String given) {
        try {
            return StaticPages.address(given);
        } catch (IllegalArgumentException _) {
            throw Refusal.invalid(
                    "“" + given + "” is no address of a site. Give one that begins with https://, or leave it out.",
                    List.of());
        }
    }

    /** How far a file is that is being sent. */
    @GetMapping("/api/sites/{site}/static/{id}")
    StaticProgress progress(@PathVariable String site, @PathVariable String id) {
        var progress = going.getIfPresent(site + "/" + id);
        return progress == null ? new StaticProgress(0, 0, 0, false, "") : progress;
    }
}

package org.jontrel.serve.media;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Map;
import org.apache.commons.io.input.BoundedInputStream;
import org.jontrel.serve.site.ServedSites;
import org.jontrel.serve.site.SiteTokens;
import org.jontrel.serve.web.ClientAddress;
import org.jontrel.serve.web.Rate;
import org.jontrel.serve.web.Refusal;
import org.jontrel.serve.web.ServeSettings;
import org.jontrel.site.media.Bytes;
import org.jontrel.site.media.MediaStore;
import org.jontrel.site.media.StoredFile;
import org.springframework.core.io.InputStreamResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpRange;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The bytes of pictures and files: for everybody where something published uses them, else for who is signed in. */
@RestController
class FileController {
    /** Pages have many pictures, so this is more than may be asked of the API. */
    private static final int TIMES_AS_MANY = 10;
    /** Once nothing published uses a file any more, those who have it may show it for so long. */
    private static final Duration KEPT = Duration.ofMinutes(10);

    private static final String BEARER = "bearer ";
    /** What browsers may show; everything else is only given to be kept. */
    private static final Map<String, String> SHOWN = Map.of(
            "jpeg", "image/jpeg",
            "png", "image/png",
            "gif", "image/gif",
            "webp", "image/webp",
            "pdf", "application/pdf",
            "txt", "text/plain");

    private final ServedSites sites;
    private final SiteTokens tokens;
    private final Rate rate;
    private final Cache<String, Boolean> known = Caffeine.newBuilder()
            .maximumSize(50_000)
            .expireAfterWrite(Duration.ofMinutes(10))
            .build();

    FileController(ServedSites sites, SiteTokens tokens, ServeSettings settings) {
        this.sites = sites;
        this.tokens = tokens;
        this.rate = new Rate(TIMES_AS_MANY * settings.requestsAMinute(), Duration.ofMinutes(1));
    }

    /** The bytes of a picture, smaller where a width is asked for, or of a file; they never change. */
    @GetMapping("/at/{site}/media/{id}")
    ResponseEntity<Resource> bytes(
            @PathVariable String site,
            @PathVariable long id,
            @RequestParam(defaultValue = "0") int width,
            HttpServletRequest request) {
        var wait = rate.take(ClientAddress.of(request));
        if (wait.isPositive()) {
            throw Refusal.tooMany("Too many pictures and files in a minute.", wait);
        }
        var engine = sites.engine(site);
        // the same until something is saved; a page of pictures would ask for each of them
        boolean published = known.get(site + "/" + id + "/" + engine.state(), _ -> PublicFiles.has(engine, id));
        var file = engine.media()
                .find(id)
                .filter(_ -> published || mayReadDrafts(site, request))
                .orElseThrow(() -> Refusal.missing("There is no such picture or file."));
        var served = engine.media()
                .serve(file, width)
                .orElseThrow(() -> Refusal.missing("The bytes of this file are gone."));
        return answer(file, served, published, request);
    }

    private boolean mayReadDrafts(String site, HttpServletRequest request) {
        var header = request.getHeader(HttpHeaders.AUTHORIZATION);
        return request.getUserPrincipal() != null
                || header != null
                        && header.toLowerCase(java.util.Locale.ROOT).startsWith(BEARER)
                        && tokens.find(site, header.substring(BEARER.length()).strip())
                                .isPresent();
    }

    private static ResponseEntity<Resource> answer(
            StoredFile file, MediaStore.Served served, boolean published, HttpServletRequest request) {
        var tag = "\"" + served.tag() + "\"";
        long size = served.bytes().size();
        var headers = headers(file, served, published);
        headers.setETag(tag);
        headers.set(HttpHeaders.ACCEPT_RANGES, "bytes");
        var range = request.getHeader(HttpHeaders.RANGE);
        var ifRange = request.getHeader(HttpHeaders.IF_RANGE);
        // several ranges at once, or of another state, are answered with everything, as RFC 9110 (14.2, 13.1.5) allows
        if (range != null && !range.contains(",") && (ifRange == null || ifRange.equals(tag))) {
            return part(range, served.bytes(), headers);
        }
        headers.setContentLength(size);
        return ResponseEntity.ok().headers(headers).body(new InputStreamResource(served.bytes()::open));
    }

    private static ResponseEntity<Resource> part(String asked, Bytes bytes, HttpHeaders headers) {
        long size = bytes.size();
        try {
            var range = HttpRange.parseRanges(asked).getFirst();
            long first = range.getRangeStart(size);
            long last = range.getRangeEnd(size);
            if (first < size && first <= last) {
                headers.set(HttpHeaders.CONTENT_RANGE, "bytes " + first + "-" + last + "/" + size);
                headers.setContentLength(last - first + 1);
                return ResponseEntity.status(HttpStatus.PARTIAL_CONTENT)
                        .headers(headers)
                        .body(new InputStreamResource(() -> part(bytes, first, last)));
            }
        } catch (IllegalArgumentException _) {
            // answered as a range that there is not
        }
        return ResponseEntity.status(HttpStatus.REQUESTED_RANGE_NOT_SATISFIABLE)
                .header(HttpHeaders.CONTENT_RANGE, "bytes */" + size)
                .build();
    }

    private static InputStream part(Bytes bytes, long first, long last) throws IOException {
        var in = bytes.open();
        in.skipNBytes(first);
        return BoundedInputStream.builder()
                .setInputStream(in)
                .setMaxCount(last - first + 1)
                .get();
    }

    private static HttpHeaders headers(StoredFile file, MediaStore.Served served, boolean published) {
        var headers = new HttpHeaders();
        boolean shown = SHOWN.containsKey(served.format());
        headers.setContentType(MediaType.parseMediaType(
                SHOWN.getOrDefault(served.format(), MediaType.APPLICATION_OCTET_STREAM_VALUE)));
        headers.setCacheControl(published ? CacheControl.maxAge(KEPT).cachePublic() : CacheControl.noStore());
        headers.setContentDisposition((shown ? ContentDisposition.inline() : ContentDisposition.attachment())
                .filename(file.name(), StandardCharsets.UTF_8)
                .build());
        headers.set("Content-Security-Policy", "default-src 'none'; style-src 'unsafe-inline'; sandbox");
        headers.set("X-Content-Type-Options", "nosniff");
        return headers;
    }
}

package org.jontrel.server.media;

import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.security.Principal;
import java.time.Duration;
import org.jontrel.core.model.Kind;
import org.jontrel.server.site.Sites;
import org.jontrel.server.web.Refusal;
import org.jontrel.site.media.MediaStore;
import org.jontrel.site.media.StoredPicture;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Pictures in and out. */
@RestController
class MediaController {
    private final Sites sites;

    MediaController(Sites sites) {
        this.sites = sites;
    }

    @Schema(requiredProperties = {"id", "width", "height", "bytes", "name", "alt", "address"})
    record PictureView(long id, int width, int height, long bytes, String name, String alt, String address) {
        static PictureView of(String site, StoredPicture picture) {
            return new PictureView(
                    picture.id(),
                    picture.width(),
                    picture.height(),
                    picture.bytes(),
                    picture.name(),
                    picture.alt(),
                    "/at/" + site + "/media/" + picture.id());
        }
    }

    /** Uploads a picture for a field; it is used once a record that names it is saved. */
    @PostMapping(
            path = "/api/sites/{site}/types/{type}/fields/{field}/pictures",
            consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    PictureView upload(
            @PathVariable String site,
            @PathVariable String type,
            @PathVariable String field,
            @RequestParam("file") MultipartFile file,
            @RequestParam(name = "alt", defaultValue = "") String alt,
            Principal principal)
            throws IOException {
        var engine = sites.engine(site);
        var wanted = engine.installed()
                .model()
                .typeByKey(type)
                .flatMap(t -> t.allFields().filter(f -> f.key().equals(field)).findFirst())
                .filter(f -> f.kind() instanceof Kind.Image)
                .orElseThrow(() -> Refusal.missing("There is no image field " + field + "."));
        if (alt.length() > 1_000) {
            throw Refusal.invalid("An alternative text has at most 1,000 characters.", java.util.List.of());
        }
        var name = file.getOriginalFilename() == null ? "picture" : file.getOriginalFilename();
        return switch (engine.media().upload(wanted, name, alt, file.getBytes(), principal.getName())) {
            case MediaStore.Uploaded.Stored(StoredPicture picture) -> PictureView.of(site, picture);
            case MediaStore.Uploaded.Refused refused ->
                throw Refusal.invalid("The picture was not stored.", refused.findings());
        };
    }

    @GetMapping("/api/sites/{site}/pictures/{id}")
    PictureView find(@PathVariable String site, @PathVariable long id) {
        return sites.engine(site)
                .media()
                .find(id)
                .map(picture -> PictureView.of(site, picture))
                .orElseThrow(() -> Refusal.missing("There is no such picture."));
    }

    /** The picture's bytes; a picture never changes, so it may be kept for a year. */
    @GetMapping("/at/{site}/media/{id}")
    ResponseEntity<byte[]> bytes(@PathVariable String site, @PathVariable long id) {
        var media = sites.engine(site).media();
        var picture = media.find(id).orElseThrow(() -> Refusal.missing("There is no such picture."));
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("image/" + picture.format()))
                .cacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable())
                .header("Content-Security-Policy", "default-src 'none'; sandbox")
                .body(media.bytes(id));
    }
}

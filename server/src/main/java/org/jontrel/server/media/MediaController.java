package org.jontrel.server.media;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.io.InputStream;
import java.security.Principal;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.Link;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.site.Sites;
import org.jontrel.site.media.Bytes;
import org.jontrel.site.media.MediaStore;
import org.jontrel.site.media.StoredFile;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Pictures and files in and out. */
@RestController
class MediaController {
    private static final int LONGEST_ALT = 1_000;
    private final Sites sites;
    private final FreeSpace space;

    MediaController(Sites sites, FreeSpace space) {
        this.sites = sites;
        this.space = space;
    }

    @Schema(
            requiredProperties = {
                "id",
                "format",
                "width",
                "height",
                "bytes",
                "name",
                "alt",
                "address",
                "focusX",
                "focusY",
                "createdBy"
            })
    record MediaView(
            long id,

            @Schema(description = "What it is by its bytes, such as jpeg or pdf")
            String format,

            @Schema(description = "In pixels; 0 for what is no picture")
            int width,

            int height,
            long bytes,
            String name,
            String alt,
            String address,
            int focusX,
            int focusY,
            String createdBy) {
        static MediaView of(String site, StoredFile file) {
            return new MediaView(
                    file.id(),
                    file.format(),
                    file.width(),
                    file.height(),
                    file.bytes(),
                    file.name(),
                    file.alt(),
                    "/at/" + site + "/media/" + file.id(),
                    file.focusX(),
                    file.focusY(),
                    file.createdBy());
        }
    }

    /** A record that uses a file. */
    @Schema(requiredProperties = {"sort", "key", "id", "title", "singular"})
    record UseView(String sort, String key, long id, String title, String singular) {}

    @Schema(requiredProperties = {"file", "uses"})
    record OpenMedia(MediaView file, List<UseView> uses) {}

    record FileDescription(
            @NotNull String alt,
            @NotNull Integer focusX,
            @NotNull Integer focusY) {}

    /** Uploads a picture or file for a field; it is used once a record that names it is saved. */
    @PostMapping(
            path = "/api/sites/{site}/{sort:types|taxonomies|values}/{key}/fields/{field}/files",
            consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    MediaView upload(
            @PathVariable String site,
            @PathVariable String sort,
            @PathVariable String key,
            @PathVariable String field,
            @RequestParam("file") MultipartFile file,
            @RequestParam(name = "alt", defaultValue = "") String alt,
            Principal principal)
            throws IOException {
        space.check(file.getSize());
        var engine = sites.engine(site);
        var wanted = Arrays.stream(Definition.Sort.values())
                .filter(each -> each.folder().equals(sort))
                .findFirst()
                .flatMap(each -> engine.installed().table(each, key))
                .flatMap(table -> table.recordType().byId().values().stream()
                        .filter(each -> each.id().equals(field) || each.key().equals(field))
                        .filter(MediaController::holdsFiles)
                        .findFirst())
                .orElseThrow(() -> Refusal.missing("There is no image or file field " + field + "."));
        if (alt.length() > LONGEST_ALT) {
            throw Refusal.invalid("An alternative text can have at most 1,000 characters.", List.of());
        }
        var name = file.getOriginalFilename() == null ? "file" : file.getOriginalFilename();
        return switch (engine.media().upload(wanted, name, alt, bytes(file), principal.getName())) {
            case MediaStore.Uploaded.StoredUpload(StoredFile stored) -> MediaView.of(site, stored);
            case MediaStore.Uploaded.RefusedUpload refused ->
                throw Refusal.invalid("The file was not stored.", refused.findings());
        };
    }

    private static Bytes bytes(MultipartFile file) {
        return new Bytes() {
            @Override
            public long size() {
                return file.getSize();
            }

            @Override
            public InputStream open() throws IOException {
                return file.getInputStream();
            }
        };
    }

    private static boolean holdsFiles(Field field) {
        return field.kind() instanceof Kind.Image || field.kind() instanceof Kind.File;
    }

    /** The pictures and files of a site, the newest first. */
    @GetMapping("/api/sites/{site}/media")
    List<MediaView> all(
            @PathVariable String site,
            @RequestParam(defaultValue = "") String search,
            @RequestParam(required = false) Long after,
            @RequestParam(defaultValue = "false") boolean pictures) {
        return sites.engine(site).media().page(search, Optional.ofNullable(after), pictures, 60).stream()
                .map(file -> MediaView.of(site, file))
                .toList();
    }

    @GetMapping("/api/sites/{site}/media/{id}")
    OpenMedia find(@PathVariable String site, @PathVariable long id) {
        return new OpenMedia(MediaView.of(site, stored(site, id)), uses(site, id));
    }

    private StoredFile stored(String site, long id) {
        return sites.engine(site)
                .media()
                .find(id)
                .orElseThrow(() -> Refusal.missing("There is no such picture or file."));
    }

    private List<UseView> uses(String site, long id) {
        var engine = sites.engine(site);
        var uses = engine.media().uses(id);
        var named = engine.records().named(new HashSet<>(uses));
        var installed = engine.installed();
        return uses.stream()
                .filter(named::containsKey)
                .flatMap(use -> installed.table(use.type()).stream()
                        .map(table -> new UseView(
                                table.recordType().definition().sort().folder(),
                                table.recordType().key(),
                                use.id(),
                                named.get(new Link(use.type(), use.id())).title(),
                                table.recordType().singular())))
                .toList();
    }

    /** Another alternative text or focal point. */
    @PutMapping("/api/sites/{site}/media/{id}")
    OpenMedia describe(@PathVariable String site, @PathVariable long id, @Valid @RequestBody FileDescription body) {
        if (body.alt().length() > LONGEST_ALT) {
            throw Refusal.invalid("An alternative text can have at most 1,000 characters.", List.of());
        }
        sites.engine(site).media().describe(id, body.alt(), body.focusX(), body.focusY());
        return find(site, id);
    }

    /** Deletes what nothing uses. */
    @DeleteMapping("/api/sites/{site}/media/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable String site, @PathVariable long id) throws IOException {
        stored(site, id);
        if (!sites.engine(site).media().remove(id)) {
            var uses = uses(site, id);
            throw Refusal.conflict(
                    "This is in use"
                            + (uses.isEmpty()
                                    ? ""
                                    : ", for example by " + uses.getFirst().title()) + ". Take it out there first.",
                    uses);
        }
    }
}

package org.jontrel.server.sample;

import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.security.Principal;
import java.util.List;
import java.util.Locale;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.site.Sites;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Models to start from: looked at, taken as packages, and their records brought onto a site. */
@RestController
class SampleController {
    private final SampleModels samples;
    private final SampleRows rows;
    private final Sites sites;

    SampleController(SampleModels samples, SampleRows rows, Sites sites) {
        this.samples = samples;
        this.rows = rows;
        this.sites = sites;
    }

    /** A definition of a sample. */
    @Schema(requiredProperties = {"sort", "key", "name"})
    record SampleDefinition(String sort, String key, String name) {}

    /** A model to start from. */
    @Schema(requiredProperties = {"name", "title", "description", "picture", "definitions", "records", "pictures"})
    record SampleView(
            String name,
            String title,
            String description,

            @Schema(description = "Address of a picture of it")
            String picture,

            List<SampleDefinition> definitions,

            @Schema(description = "Made-up records that can be brought onto a site")
            int records,

            int pictures) {
        static SampleView of(SampleModel sample) {
            return new SampleView(
                    sample.name(),
                    sample.title(),
                    sample.description(),
                    "/api/samples/" + sample.name() + "/picture",
                    sample.definitions().stream()
                            .map(each -> new SampleDefinition(
                                    each.sort().name().toLowerCase(Locale.ROOT), each.key(), each.name()))
                            .toList(),
                    sample.records(),
                    sample.pictures().size());
        }
    }

    /** The import that a sample's records wait in. */
    @Schema(requiredProperties = {"id"})
    record SentSample(long id) {}

    private SampleModel sample(String name) {
        return samples.find(name).orElseThrow(() -> Refusal.missing("There is no sample “" + name + "”."));
    }

    /** The models to start from. */
    @GetMapping("/api/samples")
    List<SampleView> all() {
        return samples.all().stream().map(SampleView::of).toList();
    }

    /** Its definitions as a package, to be compared with a draft and taken as a whole or in parts. */
    @GetMapping(path = "/api/samples/{name}/package", produces = "application/zip")
    byte[] pack(@PathVariable String name) {
        return sample(name).zip();
    }

    @GetMapping(path = "/api/samples/{name}/picture", produces = MediaType.IMAGE_PNG_VALUE)
    byte[] picture(@PathVariable String name) {
        var pictures = sample(name).pictures();
        return pictures.firstEntry().getValue();
    }

    /** Sends its made-up records to a site, as far as the site has their types; they are brought like rows of any workbook. */
    @PostMapping("/api/sites/{site}/imports/samples/{name}")
    @ResponseStatus(HttpStatus.CREATED)
    SentSample send(@PathVariable String site, @PathVariable String name, Principal principal) throws IOException {
        return new SentSample(rows.send(sites.engine(site).imports(), sample(name), principal.getName()));
    }
}

package org.jontrel.server.importer;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import org.jontrel.core.naming.VisibleText;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.site.Sites;
import org.jontrel.site.importer.KeptMappings;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Mappings that are kept with a site under a name, for workbooks that come again. */
@RestController
@RequestMapping("/api/sites/{site}/mappings")
class MappingController {
    private static final int LONGEST = 100;
    private final Sites sites;

    MappingController(Sites sites) {
        this.sites = sites;
    }

    /** A mapping in the list of them. */
    @Schema(requiredProperties = {"name", "by", "at"})
    record MappingEntry(String name, String by, Instant at) {
        static MappingEntry of(KeptMappings.NamedMapping mapping) {
            return new MappingEntry(mapping.name(), mapping.by(), mapping.at());
        }
    }

    private KeptMappings mappings(String site) {
        return sites.engine(site).imports().mappings();
    }

    static Refusal missing(String name) {
        return Refusal.missing("This site keeps no mapping under the name “" + name + "”.");
    }

    @GetMapping
    List<MappingEntry> all(@PathVariable String site) {
        return mappings(site).all().stream().map(MappingEntry::of).toList();
    }

    @GetMapping("/{name}")
    MappingView one(@PathVariable String site, @PathVariable String name) {
        return mappings(site)
                .find(name)
                .map(found -> MappingView.of(found.mapping()))
                .orElseThrow(() -> missing(name));
    }

    /** Keeps a mapping under a name, in the place of one that is there. */
    @PutMapping("/{name}")
    MappingEntry keep(
            @PathVariable String site,
            @PathVariable String name,
            @Valid @RequestBody MappingView mapping,
            Principal principal) {
        var bare = VisibleText.of(name);
        if (bare.isEmpty() || bare.length() > LONGEST) {
            throw Refusal.invalid("The name of a mapping must have 1 to " + LONGEST + " characters.", List.of());
        }
        mappings(site).keep(bare, mapping.mapping(), principal.getName());
        return mappings(site).find(bare).map(MappingEntry::of).orElseThrow();
    }

    @DeleteMapping("/{name}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void forget(@PathVariable String site, @PathVariable String name) {
        if (!mappings(site).forget(name)) {
            throw missing(name);
        }
    }
}

package org.jontrel.server.site;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.net.URI;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jontrel.core.model.Look;
import org.jontrel.core.page.look.ShippedLook;
import org.jontrel.serve.site.SiteSettings;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.trail.Trail;
import org.jontrel.server.trail.TrailAction;
import org.jontrel.server.workspace.Drafts;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** What is set for a site and belongs to no definition: its look, its address, and whether search engines show it. */
@RestController
class SiteSettingsController {
    private final Sites sites;
    private final Drafts drafts;
    private final Trail trail;

    SiteSettingsController(Sites sites, Drafts drafts, Trail trail) {
        this.sites = sites;
        this.drafts = drafts;
        this.trail = trail;
    }

    @Schema(requiredProperties = {"look", "address", "unlisted"})
    record SiteSettingsView(
            @Schema(
                    description =
                            "Id of a look of the definitions, or plain, broadsheet or night; empty for the first of"
                                    + " the definitions")
            @NotNull
            @Size(max = 40)
            String look,

            @Schema(
                    description =
                            "The address that visitors know the site by, such as https://towpath.example/; empty for"
                                    + " the one that they come by")
            @NotNull
            @Size(max = 500)
            String address,

            @Schema(description = "Whether search engines are asked to leave out the whole site")
            boolean unlisted) {}

    @Schema(requiredProperties = {"look", "title"})
    record LookOption(String look, String title) {}

    @Schema(requiredProperties = {"settings", "looks"})
    record SiteSettingsAnswer(
            SiteSettingsView settings,

            @Schema(description = "The looks that the site can have")
            List<LookOption> looks) {}

    private SiteSettingsAnswer answer(Sites.Registered site) {
        var settings = site.settings();
        var own = drafts.get(site.workspaceId()).model().all(Look.class).stream()
                .map(look -> new LookOption(look.id(), look.title()));
        var shipped = Stream.of(ShippedLook.values())
                .map(each -> new LookOption(each.code(), each.look().title()));
        return new SiteSettingsAnswer(
                new SiteSettingsView(settings.look(), settings.address(), settings.unlisted()),
                Stream.concat(own, shipped).toList());
    }

    @GetMapping("/api/sites/{site}/settings")
    SiteSettingsAnswer settings(@PathVariable String site) {
        return answer(sites.get(site));
    }

    @PutMapping("/api/sites/{site}/settings")
    SiteSettingsAnswer set(@PathVariable String site, @Valid @RequestBody SiteSettingsView body) {
        var found = sites.get(site);
        boolean known = body.look().isEmpty()
                || ShippedLook.of(body.look()).isPresent()
                || drafts.get(found.workspaceId())
                        .model()
                        .find(Look.class, body.look())
                        .isPresent();
        if (!known) {
            throw Refusal.invalid(
                    "There is no look " + body.look() + ". Choose one of the looks of the draft, or one that comes with"
                            + " the application.",
                    List.of());
        }
        var set = sites.set(site, new SiteSettings(body.look(), address(body.address()), body.unlisted()));
        trail.add(TrailAction.SITE_SET, "site " + site);
        return answer(set);
    }

    /** With a slash at its end, and without what stands behind a question mark. */
    private static String address(String given) {
        if (given.isBlank()) {
            return "";
        }
        return uri(given.strip())
                .filter(uri -> uri.getHost() != null && uri.getScheme() != null)
                .filter(uri -> uri.getScheme().matches("(?i)https?"))
                .filter(uri -> uri.getQuery() == null && uri.getFragment() == null && uri.getUserInfo() == null)
                .map(uri -> uri.toString().endsWith("/") ? uri.toString() : uri + "/")
                .orElseThrow(() -> Refusal.invalid(
                        "The address of a site begins with https:// and has nothing behind its path, such as"
                                + " https://towpath.example/.",
                        List.of()));
    }

    private static Optional<URI> uri(String given) {
        try {
            return Optional.of(URI.create(given));
        } catch (IllegalArgumentException _) {
            return Optional.empty();
        }
    }
}

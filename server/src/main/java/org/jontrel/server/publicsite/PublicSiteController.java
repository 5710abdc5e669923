package org.jontrel.server.publicsite;

import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Wording;
import org.jontrel.core.value.Values;
import org.jontrel.server.site.Sites;
import org.jontrel.site.Site;
import org.jontrel.site.media.StoredPicture;
import org.jontrel.site.record.Filter;
import org.jontrel.site.record.State;
import org.jontrel.site.record.StoredRecord;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.view.RedirectView;

/** A site's public pages in a plain default look: every filled field with its label, and no empty one. */
@Controller
class PublicSiteController {
    private static final int PAGE = 24;
    private final Sites sites;

    PublicSiteController(Sites sites) {
        this.sites = sites;
    }

    /**
     * A filled field.
     *
     * @param link where the text leads, or {@code null}
     * @param colour to show beside the text, or {@code null}
     * @param picture to show instead of the text, or {@code null}
     */
    record Line(String label, String text, boolean prose, String link, String colour, StoredPicture picture) {}

    record Section(String title, List<Line> lines) {}

    record Card(String title, String summary, String address, StoredPicture picture) {}

    @GetMapping({"/at/{site}", "/at/{site}/"})
    Object home(@PathVariable String site, Model model) {
        return site(site, model).map(_ -> (Object) "publicsite/home").orElseGet(this::missing);
    }

    @GetMapping("/at/{site}/{path}")
    ResponseEntity<Void> withSlash(@PathVariable String site, @PathVariable String path) {
        return ResponseEntity.status(HttpStatus.MOVED_PERMANENTLY)
                .location(URI.create("/at/" + encoded(site) + "/" + encoded(path) + "/"))
                .build();
    }

    @GetMapping("/at/{site}/{path}/")
    Object index(
            @PathVariable String site,
            @PathVariable String path,
            @RequestParam(defaultValue = "1") int page,
            Model model) {
        var engine = site(site, model);
        if (engine.isEmpty()) {
            return missing();
        }
        var type = type(engine.get(), path);
        if (type.isEmpty()) {
            return moved(engine.get(), site, path, "");
        }
        int number = Math.clamp(page, 1, 100_000);
        var found = engine.get()
                .records()
                .page(type.get().key(), Filter.PUBLISHED, (number - 1L) * PAGE, PAGE)
                .orElseThrow();
        model.addAttribute("type", type.get());
        model.addAttribute("empty", Wording.EMPTY.of(type.get()));
        model.addAttribute("total", found.total());
        model.addAttribute("page", number);
        model.addAttribute("pages", Math.max(1, (found.total() + PAGE - 1) / PAGE));
        model.addAttribute(
                "cards",
                found.records().stream()
                        .map(record -> card(engine.get(), type.get(), record))
                        .toList());
        return "publicsite/index";
    }

    @GetMapping("/at/{site}/{path}/{slug}")
    Object page(@PathVariable String site, @PathVariable String path, @PathVariable String slug, Model model) {
        var engine = site(site, model);
        if (engine.isEmpty()) {
            return missing();
        }
        var type = type(engine.get(), path);
        if (type.isEmpty()) {
            return moved(engine.get(), site, path, slug);
        }
        var record =
                engine.get().records().bySlug(type.get().key(), slug).filter(found -> found.state() == State.PUBLISHED);
        if (record.isEmpty()) {
            return missing();
        }
        model.addAttribute("type", type.get());
        model.addAttribute("card", card(engine.get(), type.get(), record.get()));
        model.addAttribute("body", text(record.get(), "part_body"));
        model.addAttribute("sections", sections(engine.get(), type.get(), record.get()));
        return "publicsite/page";
    }

    private Optional<Site> site(String path, Model model) {
        var registered = sites.find(path);
        registered.ifPresent(site -> {
            model.addAttribute("publicSite", site);
            model.addAttribute("types", sites.engine(path).installed().model().types());
        });
        return registered.map(_ -> sites.engine(path));
    }

    private static Optional<ContentType> type(Site site, String path) {
        return site.installed().model().types().stream()
                .filter(type -> type.path().equals(path))
                .findFirst();
    }

    /** Old addresses of a renamed type lead to the new ones for good. */
    private Object moved(Site engine, String site, String path, String slug) {
        return engine.redirected(path)
                .map(type -> {
                    var view = new RedirectView("/at/" + encoded(site) + "/" + type.path() + "/" + encoded(slug));
                    view.setStatusCode(HttpStatus.MOVED_PERMANENTLY);
                    view.setExposeModelAttributes(false);
                    return (Object) new ModelAndView(view);
                })
                .orElseGet(this::missing);
    }

    private ModelAndView missing() {
        return new ModelAndView("publicsite/missing", java.util.Map.of(), HttpStatus.NOT_FOUND);
    }

    private static String encoded(String segment) {
        return org.springframework.web.util.UriUtils.encodePathSegment(
                segment, java.nio.charset.StandardCharsets.UTF_8);
    }

    private static Card card(Site site, ContentType type, StoredRecord record) {
        return new Card(
                text(record, "part_title"),
                text(record, "part_summary"),
                record.slug(),
                picture(site, record.values().get("part_lead_image")));
    }

    private static String text(StoredRecord record, String fieldId) {
        return String.valueOf(record.values().getOrDefault(fieldId, ""));
    }

    private static StoredPicture picture(Site site, Object id) {
        return id == null ? null : site.media().find((Long) id).orElse(null);
    }

    private static List<Section> sections(Site site, ContentType type, StoredRecord record) {
        var sections = new ArrayList<Section>();
        for (var group : type.groups()) {
            var lines = group.fields().stream()
                    .filter(field -> record.values().get(field.id()) != null)
                    .map(field -> line(site, field, record.values().get(field.id())))
                    .toList();
            if (!lines.isEmpty()) {
                sections.add(new Section(group.title(), lines));
            }
        }
        return sections;
    }

    private static Line line(Site site, Field field, Object value) {
        var picture = field.kind() instanceof Kind.Image ? picture(site, value) : null;
        var text = Values.show(field.kind(), value);
        var link =
                switch (field.kind()) {
                    case Kind.Email _ -> "mailto:" + encoded(text);
                    case Kind.Phone _ -> "tel:" + text.replaceAll("[^0-9+]", "");
                    default -> null;
                };
        var colour = field.kind() instanceof Kind.Colour ? text : null;
        return new Line(field.label(), text, field.kind() instanceof Kind.LongText, link, colour, picture);
    }
}

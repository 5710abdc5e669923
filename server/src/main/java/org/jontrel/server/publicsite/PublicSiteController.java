package org.jontrel.server.publicsite;

import static org.jontrel.server.publicsite.PublicPages.encoded;

import java.net.URI;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jontrel.core.holder.Holder;
import org.jontrel.core.model.Condition;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Wording;
import org.jontrel.server.site.Sites;
import org.jontrel.site.Site;
import org.jontrel.site.record.Audience;
import org.jontrel.site.record.BadQuery;
import org.jontrel.site.record.ListQuery;
import org.jontrel.site.record.RecordStore;
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

/** A site's public pages in a plain default look. */
@Controller
class PublicSiteController {
    private static final int PER_TYPE = 24;
    private final Sites sites;

    PublicSiteController(Sites sites) {
        this.sites = sites;
    }

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

    /** The list of a type or taxonomy, or the page of what stands at an address below it. */
    @GetMapping("/at/{site}/{path}/{*below}")
    Object page(
            @PathVariable String site,
            @PathVariable String path,
            @PathVariable String below,
            @RequestParam(defaultValue = "") String after,
            Model model) {
        var engine = site(site, model);
        if (engine.isEmpty()) {
            return missing();
        }
        var address = below.replaceAll("^/+|/+$", "");
        var holder = holder(engine.get(), path);
        if (holder.isEmpty()) {
            return moved(engine.get(), site, path, address);
        }
        var pages = new PublicPages(site, engine.get(), Audience.VISITORS);
        if (address.isEmpty()) {
            return index(engine.get(), holder.get(), pages, after, model);
        }
        var found = engine.get().records().byAddress(holder.get().id(), address);
        if (found.isEmpty() || !found.get().record().visible(Instant.now())) {
            return missing();
        }
        if (found.get().moved()) {
            return redirect(pages.address(holder.get(), found.get().address()));
        }
        return holder.get().definition() instanceof ContentType type
                ? record(type, holder.get(), found.get(), pages, model)
                : term(engine.get(), holder.get(), found.get().record(), pages, model);
    }

    private Object record(ContentType type, Holder holder, RecordStore.Found found, PublicPages pages, Model model) {
        model.addAttribute("type", type);
        model.addAttribute("card", pages.cards(holder, List.of(found.record())).getFirst());
        model.addAttribute("body", String.valueOf(found.record().values().getOrDefault("part_body", "")));
        model.addAttribute("sections", pages.sections(holder, found.record()));
        return "publicsite/page";
    }

    private Object index(Site engine, Holder holder, PublicPages pages, String after, Model model) {
        if (!(holder.definition() instanceof ContentType type)) {
            var now = Instant.now();
            var terms = engine.records().all(holder.id(), 2_000).stream()
                    .filter(term -> term.visible(now))
                    .toList();
            model.addAttribute("heading", holder.plural());
            model.addAttribute("terms", pages.cards(holder, terms));
            return "publicsite/terms";
        }
        if (!type.index().on()) {
            return missing();
        }
        try {
            var query = ListQuery.ALL
                    .as(Audience.VISITORS)
                    .most(type.index().pageSize())
                    .sortedBy(order(holder, type), type.index().descending())
                    .after(after.isEmpty() ? Optional.empty() : Optional.of(after));
            var page = engine.records().page(holder.id(), query).orElseThrow();
            var count = engine.records().count(holder.id(), query);
            model.addAttribute("type", type);
            model.addAttribute("empty", Wording.EMPTY.of(type));
            model.addAttribute("total", count.records());
            model.addAttribute("first", after.isEmpty());
            model.addAttribute("next", page.next().orElse(null));
            model.addAttribute("cards", pages.cards(holder, page.records()));
            return "publicsite/index";
        } catch (BadQuery _) {
            return missing();
        }
    }

    /** What sorts the list: what the type says, where lists can be sorted by it. */
    private static String order(Holder holder, ContentType type) {
        return holder.columns("").stream()
                        .anyMatch(field -> field.id().equals(type.index().order()))
                ? type.index().order()
                : "own_updated_at";
    }

    /** Everything under a term, type by type. */
    private Object term(Site engine, Holder taxonomy, StoredRecord term, PublicPages pages, Model model) {
        var lists = new ArrayList<PublicPages.Section>();
        var byType = new java.util.LinkedHashMap<String, List<PublicPages.Card>>();
        for (var table : engine.installed().tables(Definition.Sort.TYPE)) {
            var type = (ContentType) table.holder().definition();
            boolean uses =
                    type.taxonomies().stream().anyMatch(use -> use.taxonomy().equals(taxonomy.id()));
            if (uses && type.publishing().visible()) {
                var under =
                        new Condition.TermIs(taxonomy.id(), Condition.Test.UNDER, List.of(String.valueOf(term.id())));
                var found = engine.records()
                        .page(
                                table.holder().id(),
                                ListQuery.ALL.as(Audience.VISITORS).where(under).most(PER_TYPE))
                        .orElseThrow();
                if (!found.records().isEmpty()) {
                    byType.put(type.plural(), pages.cards(table.holder(), found.records()));
                }
            }
        }
        lists.addAll(pages.sections(taxonomy, term));
        model.addAttribute("card", pages.cards(taxonomy, List.of(term)).getFirst());
        model.addAttribute("taxonomy", taxonomy.definition());
        model.addAttribute("lists", byType);
        model.addAttribute("sections", lists);
        return "publicsite/term";
    }

    private Optional<Site> site(String path, Model model) {
        var registered = sites.find(path);
        registered.ifPresent(site -> {
            model.addAttribute("publicSite", site);
            model.addAttribute(
                    "types",
                    sites.engine(path).installed().model().types().stream()
                            .filter(type -> type.publishing().visible()
                                    && type.publishing().navigation())
                            .toList());
        });
        return registered.map(_ -> sites.engine(path));
    }

    private static Optional<Holder> holder(Site site, String path) {
        return site.installed().tables().values().stream()
                .map(table -> table.holder())
                .filter(holder -> holder.path().equals(path))
                .filter(holder -> !(holder.definition() instanceof ContentType type)
                        || type.publishing().visible())
                .findFirst();
    }

    /** Old addresses of a renamed type lead to the new ones for good. */
    private Object moved(Site engine, String site, String path, String below) {
        var encoded = Arrays.stream(below.split("/")).map(PublicPages::encoded).collect(Collectors.joining("/"));
        return engine.redirected(path)
                .map(holder -> redirect("/at/" + encoded(site) + "/" + holder.path() + "/" + encoded))
                .orElseGet(this::missing);
    }

    private static Object redirect(String address) {
        var view = new RedirectView(address);
        view.setStatusCode(HttpStatus.MOVED_PERMANENTLY);
        view.setExposeModelAttributes(false);
        return new ModelAndView(view);
    }

    private ModelAndView missing() {
        return new ModelAndView("publicsite/missing", Map.of(), HttpStatus.NOT_FOUND);
    }
}

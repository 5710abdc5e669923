package org.jontrel.serve.publicsite;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Look;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.page.PageMaker;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.page.SampleData;
import org.jontrel.core.page.look.NavigationAddress;
import org.jontrel.core.page.look.SiteLooks;
import org.jontrel.core.page.node.PageAddress;
import org.jontrel.serve.publicsite.PageFrame.NavigationEntry;
import org.jontrel.serve.site.PageModels;
import org.jontrel.serve.site.ServedSite;
import org.jontrel.serve.site.SiteSettings;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.Audience;
import org.springframework.stereotype.Component;

/** What stands around the pages of a site: of real ones, of a draft, and of made-up ones. */
@Component
public class Frames {
    private final PageModels models;

    Frames(PageModels models) {
        this.models = models;
    }

    /** Of a site's real pages: it leads only to what visitors find something at. */
    public PageFrame of(ServedSite site, Site engine) {
        var model = models.of(engine);
        var frame = of(site, engine, model, site.settings().look(), Audience.VISITORS);
        var look = frame.look();
        return with(frame, look.at(frame.home() + "look.css?v=" + look.tag()));
    }

    /**
     * Of a site's records by other definitions, with the rules of the look in the page itself.
     *
     * @param look id of the look, or the word of one that comes with the application; empty for the one that the site would get
     */
    public PageFrame of(ServedSite site, Site engine, PageModel model, String look, Audience audience) {
        var filled = engine.records()
                .visible(engine.installed().model().types().stream()
                        .filter(type -> type.publishing().visible())
                        .map(ContentType::id)
                        .collect(Collectors.toSet()));
        var chosen = SiteLooks.of(model.model(), look);
        return frame(
                site,
                model.model(),
                chosen,
                type -> audience == Audience.PEOPLE || filled.contains(type.id()),
                new SitePages(engine, model, site.name(), audience).around(chosen));
    }

    /** Of made-up pages of a site that there is not. */
    public PageFrame sample(String name, PageModel model, String look) {
        var chosen = SiteLooks.of(model.model(), look);
        var data = new SampleData(model, name, model.needs(chosen));
        return frame(
                new ServedSite.NamedSite("proof", name, SiteSettings.USUAL),
                model.model(),
                chosen,
                _ -> true,
                new PageMaker(model, data, LocalDate.now(ZoneOffset.UTC)).around(chosen));
    }

    private static PageFrame with(PageFrame frame, SiteLook look) {
        return new PageFrame(
                frame.name(),
                frame.path(),
                frame.navigation(),
                frame.types(),
                frame.searchable(),
                frame.unlisted(),
                look);
    }

    private static PageFrame frame(
            ServedSite site, Model model, Look look, Predicate<ContentType> filled, PageMaker.AroundPages around) {
        var types = PageFrame.listed(model, filled);
        return new PageFrame(
                site.name(),
                site.path(),
                navigation(look, model, types, filled, PageLinks.at(site.path()).home()),
                types,
                model.types().stream()
                        .anyMatch(type ->
                                type.publishing().visible() && type.publishing().searchable()),
                site.settings().unlisted(),
                SiteLook.of(look, around.tagline(), around.footer()));
    }

    private static List<NavigationEntry> navigation(
            Look look, Model model, List<ContentType> types, Predicate<ContentType> filled, String home) {
        if (look.navigation().isEmpty()) {
            return types.stream()
                    .map(type -> entry("", PageFrame.label(type), type.path(), home))
                    .toList();
        }
        var entries = new ArrayList<NavigationEntry>();
        look.navigation().forEach(link -> entry(link, model, filled, home).ifPresent(entries::add));
        return entries;
    }

    private static Optional<NavigationEntry> entry(
            Look.NavigationLink link, Model model, Predicate<ContentType> filled, String home) {
        if (link.to().isEmpty()) {
            return NavigationAddress.of(link.address())
                    .filter(_ -> !link.label().isBlank())
                    .map(address -> new NavigationEntry(
                            link.label(),
                            new PageLinks(home).href(address),
                            address instanceof PageAddress.InsideSite(String path) ? path : ""));
        }
        return model.definition(link.to()).flatMap(target -> switch (target) {
            case ContentType type
            when type.publishing().visible() && type.index().on() && filled.test(type) ->
                Optional.of(entry(link.label(), PageFrame.label(type), type.path(), home));
            case Taxonomy taxonomy
            when !taxonomy.path().isEmpty() ->
                Optional.of(entry(link.label(), taxonomy.plural(), taxonomy.path(), home));
            default -> Optional.empty();
        });
    }

    private static NavigationEntry entry(String label, String usual, String path, String home) {
        return new NavigationEntry(label.isBlank() ? usual : label, home + PageLinks.encoded(path) + "/", path + "/");
    }
}

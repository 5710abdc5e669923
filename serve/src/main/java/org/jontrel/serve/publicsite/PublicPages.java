package org.jontrel.serve.publicsite;

import static org.jontrel.serve.publicsite.PageLinks.encoded;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Arrays;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.page.index.AskedList;
import org.jontrel.core.page.index.IndexFilters;
import org.jontrel.core.page.node.PageAddress;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.serve.site.PageModels;
import org.jontrel.serve.site.ServedSites;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.BadQuery;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.springframework.util.MultiValueMap;

/** What visitors get at each address of a site, whoever asks for it and however it is sent. */
@Component
class PublicPages {
    private static final int MOST_TERMS = 2_000;
    private static final MediaType HTML = new MediaType("text", "html", StandardCharsets.UTF_8);
    private final ServedSites sites;
    private final PageWriter writer;
    private final PageModels models;
    private final Frames frames;
    private final FrameCache known = new FrameCache();

    PublicPages(ServedSites sites, PageWriter writer, PageModels models, Frames frames) {
        this.frames = frames;
        this.sites = sites;
        this.writer = writer;
        this.models = models;
    }

    private interface PageRenderer {
        /** Empty where there is nothing for visitors. */
        Optional<ResponseEntity<String>> of(ShownSite view);
    }

    /**
     * The page at an address, or where it has moved to, or that there is none.
     *
     * @param base the whole address of the home page, with a slash at its end
     * @param address below the site, as {@code locks/bottom-lock}; that of the home page is empty
     */
    ResponseEntity<String> at(String site, String base, String address, MultiValueMap<String, String> parameters) {
        return answer(site, base, view -> {
            if (address.isEmpty()) {
                return Optional.of(html(home(view, first(parameters, "q"))));
            }
            int slash = address.indexOf('/');
            var path = slash < 0 ? address : address.substring(0, slash);
            var below = slash < 0 ? "" : address.substring(slash).replaceAll("^/+|/+$", "");
            var recordType = PublicLists.recordType(view.engine(), path);
            return recordType.isEmpty()
                    ? moved(view.engine(), site, path, below)
                    : page(view, recordType.get(), below, parameters);
        });
    }

    private static String first(MultiValueMap<String, String> parameters, String name) {
        var value = parameters.getFirst(name);
        return value == null ? "" : value.strip();
    }

    /** A site as it is shown. */
    private record ShownSite(Site engine, SitePages pages, PageFrame frame, RecordHeads heads) {
        PageHead head(String name, String description, String path) {
            return new PageHead(name + " · " + frame().name(), description, "")
                    .at(path, heads.whole(new PageAddress.InsideSite(path)));
        }
    }

    private String home(ShownSite view, String words) {
        if (!words.isEmpty() && view.frame().searchable()) {
            return found(view, words);
        }
        var head = PageHead.of(view.frame().name()).at("", view.heads().whole(new PageAddress.InsideSite("")));
        return view.pages()
                .home()
                .map(nodes -> writer.page(view.frame(), head, nodes))
                .orElseGet(() -> writer.home(view.frame(), head));
    }

    private String found(ShownSite view, String words) {
        var nodes = SitePages.headed(
                "Search for “" + words + "”", "", PublicLists.found(view.engine(), view.pages(), words));
        var head = new PageHead("Search · " + view.frame().name(), "", words).hidden(true);
        return writer.page(view.frame(), head, nodes);
    }

    private Optional<ResponseEntity<String>> page(
            ShownSite view, RecordType recordType, String address, MultiValueMap<String, String> parameters) {
        if (address.isEmpty()) {
            return index(view, recordType, parameters);
        }
        return view.engine()
                .records()
                .byAddress(recordType.id(), address)
                .filter(found -> found.record().visible(Instant.now()))
                .flatMap(found -> found.moved()
                        ? Optional.of(redirect(view.frame().index(recordType.path()) + found.address()))
                        : view.pages()
                                .page(recordType, found.record())
                                .map(page -> html(writer.page(
                                        view.frame(),
                                        view.heads().of(page.head(), recordType.path() + "/" + found.address()),
                                        page.nodes()))))
                .or(() -> elsewhere(view.engine(), view.frame().home(), recordType.path(), address));
    }

    /** A record that has become one of another type is found at its old address too. */
    private static Optional<ResponseEntity<String>> elsewhere(Site engine, String home, String path, String below) {
        return engine.moved(path, below)
                .filter(found -> found.record().visible(Instant.now()))
                .map(found -> redirect(home + encoded(found.type().path()) + "/" + encodedParts(found.address())));
    }

    private static String encodedParts(String address) {
        return Arrays.stream(address.split("/")).map(PageLinks::encoded).collect(Collectors.joining("/"));
    }

    /** The whole page is read in one transaction. */
    private ResponseEntity<String> answer(String path, String base, PageRenderer page) {
        var site = sites.find(path);
        if (site.isEmpty()) {
            return missing(PageFrame.NOWHERE);
        }
        var engine = sites.engine(path);
        return engine.together(() -> {
            var tag = PageTags.of(site.get(), engine);
            var frame = known.get(path, tag, () -> frames.of(site.get(), engine));
            var pages = new SitePages(engine, models.of(engine), frame.name(), Audience.VISITORS);
            var made = page.of(new ShownSite(engine, pages, frame, new RecordHeads(base, frame.name(), frame.links())))
                    .orElseGet(() -> missing(frame));
            return made.getStatusCode() == HttpStatus.OK
                    ? ResponseEntity.ok()
                            .contentType(HTML)
                            .eTag(tag)
                            .cacheControl(PageTags.ASK_AGAIN)
                            .body(made.getBody())
                    : made;
        });
    }

    /** The rules of the site's look. */
    Optional<SiteLook> look(String path) {
        return sites.find(path).map(site -> {
            var engine = sites.engine(path);
            return engine.together(() -> known.get(path, PageTags.of(site, engine), () -> frames.of(site, engine))
                    .look());
        });
    }

    private static ResponseEntity<String> html(String page) {
        return ResponseEntity.ok(page);
    }

    private Optional<ResponseEntity<String>> index(
            ShownSite view, RecordType recordType, MultiValueMap<String, String> parameters) {
        if (!(recordType.definition() instanceof ContentType type)) {
            return Optional.of(html(terms(view, recordType)));
        }
        if (!type.index().on()) {
            return Optional.empty();
        }
        var asked = AskedList.of(IndexFilters.of(models.of(view.engine()), type), parameters);
        if (asked.isUntidy(parameters)) {
            // a form without script sends what was left empty too: the address to share is the one without
            return Optional.of(ResponseEntity.status(HttpStatus.FOUND)
                    .location(URI.create(view.frame().home() + asked.address(PageLinks.encoded(type.path()))))
                    .build());
        }
        try {
            var known = asked.narrows() ? type.path() + "/" : asked.address(type.path());
            var head = view.head(type.plural(), type.description(), known)
                    .hidden(type.head().hidden() || asked.narrows())
                    .withFeed(type.head().hidden() ? "" : view.frame().index(type.path()) + FeedController.FEED);
            return Optional.of(html(writer.page(view.frame(), head, view.pages().index(type, parameters))));
        } catch (BadQuery _) {
            return Optional.empty();
        }
    }

    private String terms(ShownSite view, RecordType recordType) {
        var taxonomy = (Taxonomy) recordType.definition();
        var now = Instant.now();
        var terms = view.engine().records().all(recordType.id(), MOST_TERMS).stream()
                .filter(term -> term.visible(now))
                .toList();
        return writer.page(
                view.frame(),
                view.head(taxonomy.plural(), taxonomy.description(), taxonomy.path() + "/")
                        .hidden(taxonomy.head().hidden()),
                SitePages.headed(
                        taxonomy.plural(), taxonomy.description(), view.pages().tree(recordType, terms)));
    }

    /** Old addresses of a renamed type lead to the new ones for good. */
    private static Optional<ResponseEntity<String>> moved(Site engine, String site, String path, String below) {
        var home = "/at/" + encoded(site) + "/";
        return elsewhere(engine, home, path, below)
                .or(() -> engine.redirected(path)
                        .map(recordType -> redirect(home + recordType.path() + "/" + encodedParts(below))));
    }

    private static ResponseEntity<String> redirect(String address) {
        return ResponseEntity.status(HttpStatus.MOVED_PERMANENTLY)
                .location(URI.create(address))
                .build();
    }

    private ResponseEntity<String> missing(PageFrame frame) {
        return ResponseEntity.status(HttpStatus.NOT_FOUND).contentType(HTML).body(writer.missing(frame));
    }
}

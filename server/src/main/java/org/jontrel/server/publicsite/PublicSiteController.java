package org.jontrel.server.publicsite;

import static org.jontrel.server.publicsite.PageLinks.encoded;

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
import org.jontrel.server.site.Sites;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.BadQuery;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/**
 * A site's public pages in a plain default look. Each carries a tag of the state that the whole site was in; see
 * {@link PageTags}.
 */
@RestController
class PublicSiteController {
    private static final int MOST_TERMS = 2_000;
    private static final MediaType HTML = new MediaType("text", "html", StandardCharsets.UTF_8);
    private final Sites sites;
    private final PageWriter writer;
    private final PageModels models;
    private final FrameCache frames = new FrameCache();

    PublicSiteController(Sites sites, PageWriter writer, PageModels models) {
        this.sites = sites;
        this.writer = writer;
        this.models = models;
    }

    private interface PageRenderer {
        /** Empty where there is nothing for visitors. */
        Optional<ResponseEntity<String>> of(Site engine, PageFrame frame);
    }

    @GetMapping({"/at/{site}", "/at/{site}/"})
    ResponseEntity<String> home(@PathVariable String site, @RequestParam(name = "q", defaultValue = "") String words) {
        return answer(
                site,
                (engine, frame) -> Optional.of(html(
                        words.isBlank() || !frame.searchable()
                                ? home(frame, pages(engine, frame))
                                : found(engine, frame, words.strip()))));
    }

    private SitePages pages(Site engine, PageFrame frame) {
        return new SitePages(engine, models.of(engine), frame.name(), Audience.VISITORS);
    }

    private String home(PageFrame frame, SitePages pages) {
        return pages.home()
                .map(nodes -> writer.page(
                        frame, PageHead.of(frame.name()).at(heads(frame).whole(new PageAddress.InsideSite(""))), nodes))
                .orElseGet(() -> writer.home(frame));
    }

    private String found(Site engine, PageFrame frame, String words) {
        var nodes = SitePages.headed(
                "Search for “" + words + "”", "", PublicLists.found(engine, pages(engine, frame), words));
        return writer.page(frame, new PageHead("Search · " + frame.name(), "", words).hidden(true), nodes);
    }

    @GetMapping("/at/{site}/{path}")
    ResponseEntity<Void> withSlash(@PathVariable String site, @PathVariable String path) {
        return ResponseEntity.status(HttpStatus.MOVED_PERMANENTLY)
                .location(URI.create("/at/" + encoded(site) + "/" + encoded(path) + "/"))
                .build();
    }

    /** The list of a type or taxonomy, or the page of what stands at an address below it. */
    @GetMapping("/at/{site}/{path}/{*below}")
    ResponseEntity<String> page(
            @PathVariable String site,
            @PathVariable String path,
            @PathVariable String below,
            @RequestParam MultiValueMap<String, String> parameters) {
        var address = below.replaceAll("^/+|/+$", "");
        return answer(site, (engine, frame) -> {
            var recordType = PublicLists.recordType(engine, path);
            return recordType.isEmpty()
                    ? moved(engine, site, path, address)
                    : page(engine, frame, recordType.get(), address, parameters);
        });
    }

    private Optional<ResponseEntity<String>> page(
            Site engine,
            PageFrame frame,
            RecordType recordType,
            String address,
            MultiValueMap<String, String> parameters) {
        var pages = pages(engine, frame);
        if (address.isEmpty()) {
            return index(engine, frame, recordType, pages, parameters);
        }
        return engine.records()
                .byAddress(recordType.id(), address)
                .filter(found -> found.record().visible(Instant.now()))
                .flatMap(found -> found.moved()
                        ? Optional.of(redirect(frame.index(recordType.path()) + found.address()))
                        : pages.page(recordType, found.record())
                                .map(page -> html(writer.page(
                                        frame,
                                        heads(frame).of(page.head(), recordType.path() + "/" + found.address()),
                                        page.nodes()))));
    }

    /** Heads with the address that the visitor came by. */
    private static RecordHeads heads(PageFrame frame) {
        return new RecordHeads(
                ServletUriComponentsBuilder.fromCurrentContextPath().toUriString(), frame);
    }

    private static PageHead headOf(PageFrame frame, String name, String description, String path) {
        return new PageHead(name + " · " + frame.name(), description, "")
                .at(heads(frame).whole(new PageAddress.InsideSite(path)));
    }

    /** The whole page is read in one transaction. */
    private ResponseEntity<String> answer(String path, PageRenderer page) {
        var site = sites.find(path);
        if (site.isEmpty()) {
            return missing(PageFrame.NOWHERE);
        }
        var engine = sites.engine(path);
        return engine.together(() -> {
            var tag = PageTags.of(path, engine);
            var frame = frames.get(path, tag, () -> Frames.of(site.get().name(), path, engine));
            var made = page.of(engine, frame).orElseGet(() -> missing(frame));
            return made.getStatusCode() == HttpStatus.OK
                    ? ResponseEntity.ok()
                            .contentType(HTML)
                            .eTag(tag)
                            .cacheControl(PageTags.ASK_AGAIN)
                            .body(made.getBody())
                    : made;
        });
    }

    private static ResponseEntity<String> html(String page) {
        return ResponseEntity.ok(page);
    }

    private Optional<ResponseEntity<String>> index(
            Site engine,
            PageFrame frame,
            RecordType recordType,
            SitePages pages,
            MultiValueMap<String, String> parameters) {
        if (!(recordType.definition() instanceof ContentType type)) {
            return Optional.of(html(terms(engine, frame, recordType, pages)));
        }
        if (!type.index().on()) {
            return Optional.empty();
        }
        var asked = AskedList.of(IndexFilters.of(models.of(engine), type), parameters);
        if (asked.isUntidy(parameters)) {
            // a form without script sends what was left empty too: the address to share is the one without
            return Optional.of(ResponseEntity.status(HttpStatus.FOUND)
                    .location(URI.create(frame.home() + asked.address(PageLinks.encoded(type.path()))))
                    .build());
        }
        try {
            var head = headOf(frame, type.plural(), type.description(), type.path() + "/")
                    .hidden(type.head().hidden() || asked.narrows())
                    .withFeed(frame.index(type.path()) + FeedController.FEED);
            return Optional.of(html(writer.page(frame, head, pages.index(type, parameters))));
        } catch (BadQuery _) {
            return Optional.empty();
        }
    }

    private String terms(Site engine, PageFrame frame, RecordType recordType, SitePages pages) {
        var taxonomy = (Taxonomy) recordType.definition();
        var now = Instant.now();
        var terms = engine.records().all(recordType.id(), MOST_TERMS).stream()
                .filter(term -> term.visible(now))
                .toList();
        return writer.page(
                frame,
                headOf(frame, taxonomy.plural(), taxonomy.description(), taxonomy.path() + "/")
                        .hidden(taxonomy.head().hidden()),
                SitePages.headed(taxonomy.plural(), taxonomy.description(), pages.tree(recordType, terms)));
    }

    /** Old addresses of a renamed type lead to the new ones for good. */
    private static Optional<ResponseEntity<String>> moved(Site engine, String site, String path, String below) {
        var encoded = Arrays.stream(below.split("/")).map(PageLinks::encoded).collect(Collectors.joining("/"));
        return engine.redirected(path)
                .map(recordType -> redirect("/at/" + encoded(site) + "/" + recordType.path() + "/" + encoded));
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

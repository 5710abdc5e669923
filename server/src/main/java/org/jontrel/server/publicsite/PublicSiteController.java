package org.jontrel.server.publicsite;

import static org.jontrel.server.publicsite.PublicPages.encoded;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.naming.Wording;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.server.site.Sites;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.BadQuery;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.StoredRecord;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

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
    private final FrameCache frames = new FrameCache();

    PublicSiteController(Sites sites, PageWriter writer) {
        this.sites = sites;
        this.writer = writer;
    }

    /** The frame of each site's pages, for as long as nothing on it has changed. */
    private static final class FrameCache {
        private record Framed(String tag, PageFrame frame) {}

        private final Map<String, Framed> bySite = new ConcurrentHashMap<>();

        PageFrame get(String path, String tag, Supplier<PageFrame> make) {
            var known = bySite.get(path);
            if (known != null && known.tag().equals(tag)) {
                return known.frame();
            }
            var made = make.get();
            bySite.put(path, new Framed(tag, made));
            return made;
        }
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
                                ? writer.home(frame)
                                : writer.found(frame, words.strip(), PublicLists.found(engine, frame, words)))));
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
            @RequestParam(defaultValue = "") String after) {
        var address = below.replaceAll("^/+|/+$", "");
        return answer(site, (engine, frame) -> {
            var recordType = PublicLists.recordType(engine, path);
            return recordType.isEmpty()
                    ? moved(engine, site, path, address)
                    : page(engine, frame, recordType.get(), address, after);
        });
    }

    private Optional<ResponseEntity<String>> page(
            Site engine, PageFrame frame, RecordType recordType, String address, String after) {
        var pages = new PublicPages(frame.path(), engine, Audience.VISITORS);
        if (address.isEmpty()) {
            return index(engine, frame, recordType, pages, after);
        }
        return engine.records()
                .byAddress(recordType.id(), address)
                .filter(found -> found.record().visible(Instant.now()))
                .map(found -> {
                    if (found.moved()) {
                        return redirect(pages.address(recordType, found.address()));
                    }
                    return html(
                            recordType.definition() instanceof ContentType type
                                    ? record(frame, type, recordType, found.record(), pages)
                                    : term(engine, frame, recordType, found.record(), pages));
                });
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

    private String record(
            PageFrame frame, ContentType type, RecordType recordType, StoredRecord record, PublicPages pages) {
        return writer.record(
                frame,
                type,
                pages.cards(recordType, List.of(record)).getFirst(),
                String.valueOf(record.values().getOrDefault("part_body", "")),
                pages.sections(recordType, record));
    }

    private Optional<ResponseEntity<String>> index(
            Site engine, PageFrame frame, RecordType recordType, PublicPages pages, String after) {
        if (!(recordType.definition() instanceof ContentType type)) {
            var now = Instant.now();
            var terms = engine.records().all(recordType.id(), MOST_TERMS).stream()
                    .filter(term -> term.visible(now))
                    .toList();
            return Optional.of(
                    html(writer.terms(frame, (Taxonomy) recordType.definition(), pages.tree(recordType, terms))));
        }
        if (!type.index().on()) {
            return Optional.empty();
        }
        try {
            var query = ListQuery.ALL
                    .as(Audience.VISITORS)
                    .most(type.index().pageSize())
                    .only(PublicPages.onCards(recordType))
                    .sortedBy(PublicLists.order(recordType, type), type.index().descending())
                    .after(after.isEmpty() ? Optional.empty() : Optional.of(after));
            var page = engine.records().page(recordType.id(), query).orElseThrow();
            return Optional.of(html(writer.index(
                    frame,
                    type,
                    pages.cards(recordType, page.records()),
                    page.records().isEmpty() ? Wording.EMPTY.of(type) : "",
                    after.isEmpty(),
                    page.next().orElse(null))));
        } catch (BadQuery _) {
            return Optional.empty();
        }
    }

    /** Everything under a term, type by type. */
    private String term(Site engine, PageFrame frame, RecordType taxonomy, StoredRecord term, PublicPages pages) {
        var under = PublicLists.under(engine.records().all(taxonomy.id(), MOST_TERMS), term);
        return writer.term(
                frame,
                (Taxonomy) taxonomy.definition(),
                pages.cards(taxonomy, List.of(term)).getFirst(),
                PublicLists.lists(
                        engine, frame.path(), recordType -> PublicLists.uses(recordType, taxonomy.id(), under)),
                pages.sections(taxonomy, term));
    }

    /** Old addresses of a renamed type lead to the new ones for good. */
    private static Optional<ResponseEntity<String>> moved(Site engine, String site, String path, String below) {
        var encoded = Arrays.stream(below.split("/")).map(PublicPages::encoded).collect(Collectors.joining("/"));
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

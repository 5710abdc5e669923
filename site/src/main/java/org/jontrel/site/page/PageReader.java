package org.jontrel.site.page;

import java.time.Instant;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.page.PageData;
import org.jontrel.core.page.PageFile;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.page.PageNeeds;
import org.jontrel.core.page.PageRecord;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Leaves;
import org.jontrel.core.value.Link;
import org.jontrel.site.Site;
import org.jontrel.site.media.StoredFile;
import org.jontrel.site.record.RecordReader;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.StoredRecord;

/** Reads what a page needs, level by level. */
public final class PageReader {
    /** So many records of a level have lists of their own, and so many are read for one list or relation of a level. */
    private static final int MOST_OWNERS = 500;

    private static final int MOST_READ = 2_000;

    /** Texts show listings of records with texts, and so on, so deep at most. */
    private static final int MOST_ROUNDS = 3;

    /** Records stand within one another so deep at most. */
    private static final int DEEPEST = 12;

    private final Site site;
    private final PageModel model;
    private final Audience audience;
    private final Instant now;
    private final ReadData data;
    private final PageLists lists;

    private PageReader(Site site, PageModel model, Audience audience, String siteName) {
        this.site = site;
        this.model = model;
        this.audience = audience;
        this.now = Instant.now();
        this.data = new ReadData(siteName);
        this.lists = new PageLists(site, model, audience);
    }

    /**
     * What a page needs.
     *
     * @param type id of the type of the records that the page is about; they were read already, with the fields it needs
     * @param needs of these records, and of the site
     */
    public static PageData read(
            Site site,
            PageModel model,
            Audience audience,
            String siteName,
            String type,
            Collection<StoredRecord> records,
            PageNeeds needs) {
        return read(site, model, audience, siteName, new Given(type, records, false), needs);
    }

    /**
     * The records that a page is about.
     *
     * @param type id of their type
     * @param whole whether they have all of their fields, stored or not; otherwise more of them may be read
     */
    public record Given(String type, Collection<StoredRecord> records, boolean whole) {
        private Set<Link> links() {
            return records.stream().map(record -> new Link(type, record.id())).collect(Collectors.toSet());
        }
    }

    public static PageData read(
            Site site, PageModel model, Audience audience, String siteName, Given given, PageNeeds needs) {
        var reader = new PageReader(site, model, audience, siteName);
        reader.add(given.type(), given.records());
        reader.level(needs, given.links());
        reader.inTexts(given.whole() ? given.links() : Set.of());
        reader.files();
        return reader.data;
    }

    /** What texts hold, and the texts of what their listings find: as many questions as the model has such things. */
    private void inTexts(Set<Link> whole) {
        var texts = new TextInsertions(model);
        for (int round = 0; round < MOST_ROUNDS; round++) {
            var found = texts.next(data.records());
            if (found.isEmpty()) {
                return;
            }
            found.forEach((type, held) -> {
                var needs = model.needs(type, held.insertions());
                var links = new LinkedHashSet<>(held.holders());
                links.removeAll(whole);
                load(links, needs.fields());
                level(needs, held.holders());
            });
        }
    }

    /** A condition of a definition as lists of the site want it: with the numbers of its terms. */
    public static Condition ofSite(Site site, PageModel model, Condition condition) {
        return new SiteTerms(site, model).numbered(condition);
    }

    private RecordReader records() {
        return site.records();
    }

    private void add(String type, Collection<StoredRecord> records) {
        var there =
                records.stream().filter(record -> audience.reads(record, now)).toList();
        Map<Long, String> addresses = model.hasPages(type) ? records().addresses(type, there) : Map.of();
        var path = model.recordType(type).map(each -> each.path()).orElse("");
        var hidden = hidden(type);
        there.forEach(record -> data.add(new PageRecord(
                new Link(type, record.id()),
                record.title().isEmpty() ? record.slug() : record.title(),
                record.slug(),
                addresses.containsKey(record.id()) ? path + "/" + addresses.get(record.id()) : "",
                record.parent(),
                record.state(),
                record.origin(),
                record.updatedAt(),
                without(record.values(), hidden))));
    }

    /** Ids of the fields that the audience may not read. */
    private List<String> hidden(String type) {
        return audience.everyField()
                ? List.of()
                : model.recordType(type).stream()
                        .flatMap(RecordType::fields)
                        .filter(field -> !audience.reads(field))
                        .map(Field::id)
                        .toList();
    }

    private static Map<String, Object> without(Map<String, Object> values, List<String> hidden) {
        if (hidden.isEmpty()) {
            return values;
        }
        var left = new LinkedHashMap<>(values);
        left.keySet().removeAll(hidden);
        return left;
    }

    /** Reads records that are needed on a level; those that may not be seen are left out. */
    private void load(Collection<Link> links, Set<String> fields) {
        var byType = new LinkedHashMap<String, Set<Long>>();
        links.forEach(link ->
                byType.computeIfAbsent(link.type(), _ -> new LinkedHashSet<>()).add(link.id()));
        byType.forEach((type, ids) -> {
            if (model.recordType(type).filter(audience::reads).isPresent()) {
                add(type, records().byIds(type, ids, fields));
            }
        });
    }

    private void level(PageNeeds needs, Set<Link> links) {
        over(needs, links);
        lists(needs, links);
        if (needs.above() != null) {
            above(needs.above(), links);
        }
        needs.siteValues().forEach((values, of) -> {
            var one = Set.of(new Link(values, PageData.SINGLE));
            load(one, of.fields());
            level(of, one);
        });
    }

    private void over(PageNeeds needs, Set<Link> links) {
        needs.over().forEach((field, of) -> {
            var wanted = new LinkedHashSet<Link>();
            links.forEach(link -> data.record(link).ifPresent(record -> linked(record, field, wanted)));
            var some = first(wanted, MOST_READ);
            load(some, of.fields());
            level(of, some);
        });
    }

    /** Notes where a field of a record leads, also one within rows. */
    private void linked(PageRecord record, String fieldId, Set<Link> wanted) {
        var fields =
                model.recordType(record.link().type()).orElseThrow().fields().toList();
        Leaves.of(fields, record.values(), (field, value) -> {
            if (field.id().equals(fieldId)) {
                switch (value) {
                    case Link link -> wanted.add(link);
                    case Long term
                    when field.kind() instanceof Kind.TermPick pick -> wanted.add(new Link(pick.taxonomy(), term));
                    default -> {}
                }
            }
        });
    }

    private static Set<Link> first(Set<Link> links, int most) {
        return links.size() <= most
                ? links
                : links.stream().limit(most).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    private void lists(PageNeeds needs, Set<Link> links) {
        var owners = first(links, MOST_OWNERS);
        needs.lists().values().forEach(list -> {
            var found = new LinkedHashSet<Link>();
            lists.of(list, owners).forEach((owner, some) -> {
                data.add(owner, list.name(), some);
                found.addAll(some);
            });
            var wanted = first(found, MOST_READ);
            load(wanted, list.needs().fields());
            level(list.needs(), wanted);
        });
    }

    private void above(PageNeeds needs, Set<Link> links) {
        var all = new LinkedHashSet<Link>();
        var next = parents(links, all);
        for (int depth = 0; depth < DEEPEST && !next.isEmpty(); depth++) {
            load(next, needs.fields());
            all.addAll(next);
            next = parents(next, all);
        }
        level(needs, all);
    }

    private Set<Link> parents(Set<Link> links, Set<Link> known) {
        return links.stream()
                .flatMap(link -> data.record(link).stream())
                .flatMap(record -> record.parent().stream())
                .filter(parent -> !known.contains(parent))
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    private void files() {
        var wanted = new LinkedHashSet<Long>();
        data.records()
                .forEach(record -> Leaves.of(
                        model.recordType(record.link().type())
                                .orElseThrow()
                                .fields()
                                .toList(),
                        record.values(),
                        (field, value) -> {
                            if (field.kind() instanceof Kind.Image || field.kind() instanceof Kind.File) {
                                wanted.add((Long) value);
                            }
                        }));
        site.media().find(wanted).values().forEach(file -> data.add(file(file)));
    }

    private static PageFile file(StoredFile file) {
        return new PageFile(
                file.id(),
                file.name(),
                file.format(),
                file.bytes(),
                file.picture()
                        ? new PageNode.PictureFacts(
                                file.id(), file.width(), file.height(), file.alt(), file.focusX(), file.focusY())
                        : null);
    }
}

package org.jontrel.serve.publicsite;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Stream;
import javax.xml.stream.XMLStreamException;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.page.node.PageAddress;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.SystemField;

/** The addresses of a site's pages, as search engines read them. */
final class SiteMaps {
    /** As many times records are asked for, for one map: it has some ten thousand addresses. */
    private static final int BATCHES = 20;

    static final String NAMESPACE = "http://www.sitemaps.org/schemas/sitemap/0.9";
    private static final String NUMBER = SystemField.ID.field().id();
    private final Site site;
    private final PageModel model;
    private final RecordHeads heads;

    SiteMaps(Site site, PageModel model, RecordHeads heads) {
        this.site = site;
        this.model = model;
        this.heads = heads;
    }

    /** What has pages that search engines may show. */
    private Stream<RecordType> mapped() {
        return site.installed().tables().values().stream()
                .map(table -> table.recordType())
                .filter(recordType -> model.hasPages(recordType.id()))
                .filter(recordType -> !model.head(recordType.id()).hidden());
    }

    /** Where the maps of a site are. */
    String index() {
        return SiteXml.document("sitemapindex", NAMESPACE, xml -> {
            for (var recordType : mapped().toList()) {
                for (long after : beginnings(recordType)) {
                    var path = "sitemap.xml?of=" + PageLinks.encoded(recordType.path()) + "&after=" + after;
                    xml.element("sitemap", within -> within.text("loc", whole(path)));
                }
            }
        });
    }

    private String whole(String path) {
        return heads.whole(new PageAddress.InsideSite(path));
    }

    /** Behind which records the maps of a type begin. */
    private List<Long> beginnings(RecordType recordType) {
        var beginnings = new ArrayList<>(List.of(0L));
        var whole = batches(recordType, 0)
                .filter(some -> some.size() == ListQuery.MOST)
                .map(List::getLast)
                .toList();
        for (int i = BATCHES; i <= whole.size(); i += BATCHES) {
            beginnings.add(whole.get(i - 1));
        }
        return beginnings;
    }

    /** Numbers of the records behind one that visitors see, some hundred at a time. */
    private Stream<List<Long>> batches(RecordType recordType, long after) {
        return Stream.iterate(
                behind(recordType, after), some -> !some.isEmpty(), some -> behind(recordType, some.getLast()));
    }

    private List<Long> behind(RecordType recordType, long after) {
        var query = ListQuery.ALL
                .as(Audience.VISITORS)
                .where(new Condition.FieldIs(NUMBER, Condition.Test.ABOVE, List.of(String.valueOf(after))))
                .sortedBy(NUMBER, false)
                .most(ListQuery.MOST);
        return site.records().lists(recordType.id(), Map.of(after, query)).getOrDefault(after, List.of());
    }

    /** The addresses of one map of a type or taxonomy; empty where there is none such. */
    Optional<String> part(String path, long after) {
        return mapped().filter(recordType -> recordType.path().equals(path))
                .findFirst()
                .map(recordType -> SiteXml.document("urlset", NAMESPACE, xml -> {
                    boolean hasIndex = !(recordType.definition() instanceof ContentType type)
                            || type.index().on();
                    if (after == 0 && hasIndex) {
                        xml.element("url", within -> within.text("loc", whole(recordType.path() + "/")));
                    }
                    for (var address : addresses(recordType, after)) {
                        xml.element("url", within -> entry(within, address));
                    }
                }));
    }

    private record MappedAddress(String path, String changed) {}

    private void entry(SiteXml xml, MappedAddress address) throws XMLStreamException {
        xml.text("loc", whole(address.path()));
        xml.text("lastmod", address.changed());
    }

    private List<MappedAddress> addresses(RecordType recordType, long after) {
        return batches(recordType, after)
                .limit(BATCHES)
                .flatMap(some -> addresses(recordType, some).stream())
                .toList();
    }

    /** Where a record says itself that it is left out, its head is asked. */
    private List<MappedAddress> addresses(RecordType recordType, List<Long> some) {
        boolean isAsked = !model.head(recordType.id()).hiddenWhen().equals(Condition.ALWAYS);
        var records = site.records()
                .byIds(
                        recordType.id(),
                        some,
                        isAsked ? model.headNeeds(recordType.id()).fields() : Set.of());
        if (isAsked) {
            return new SitePages(site, model, heads.siteName(), Audience.VISITORS)
                    .heads(recordType, records).stream()
                            .filter(each -> !each.head().hidden())
                            .map(each -> new MappedAddress(
                                    each.record().address(),
                                    each.record().updatedAt().toString()))
                            .toList();
        }
        var addresses = site.records().addresses(recordType.id(), records);
        return records.stream()
                .map(record -> new MappedAddress(
                        recordType.path() + "/" + addresses.get(record.id()),
                        record.updatedAt().toString()))
                .toList();
    }

    /** The addresses of all records and terms, also of those that search engines leave out. */
    void each(RecordType recordType, Consumer<String> address) {
        batches(recordType, 0).forEach(some -> {
            var records = site.records().byIds(recordType.id(), some, Set.of());
            site.records()
                    .addresses(recordType.id(), records)
                    .values()
                    .forEach(each -> address.accept(recordType.path() + "/" + each));
        });
    }
}

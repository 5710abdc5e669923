package org.jontrel.server.publicsite;

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
import org.jontrel.site.page.PageReader;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.SystemField;

/** The addresses of a site's pages, as search engines read them. */
final class SiteMaps {
    /** Addresses of one map, at most; as many as can be asked for some hundred times. */
    private static final int MOST = 20 * ListQuery.MOST;

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
        long last = 0;
        int since = 0;
        for (var some = behind(recordType, last); !some.isEmpty(); some = behind(recordType, last)) {
            last = some.getLast();
            since += some.size();
            if (since == MOST) {
                beginnings.add(last);
                since = 0;
            }
        }
        return beginnings;
    }

    /** Numbers of the next records that search engines may show. */
    private List<Long> behind(RecordType recordType, long after) {
        return behind(recordType, after, model.head(recordType.id()).hiddenWhen());
    }

    private List<Long> behind(RecordType recordType, long after, Condition hidden) {
        var where = new ArrayList<Condition>();
        where.add(new Condition.FieldIs(NUMBER, Condition.Test.ABOVE, List.of(String.valueOf(after))));
        if (!hidden.equals(Condition.ALWAYS)) {
            where.add(new Condition.Not(PageReader.ofSite(site, model, hidden)));
        }
        var query = ListQuery.ALL
                .as(Audience.VISITORS)
                .where(new Condition.All(where))
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
        var all = new ArrayList<MappedAddress>();
        long last = after;
        for (var some = behind(recordType, last);
                !some.isEmpty() && all.size() < MOST;
                some = behind(recordType, last)) {
            last = some.getLast();
            var records = site.records().byIds(recordType.id(), some, Set.of());
            var addresses = site.records().addresses(recordType.id(), records);
            records.forEach(record -> all.add(new MappedAddress(
                    recordType.path() + "/" + addresses.get(record.id()),
                    record.updatedAt().toString())));
        }
        return all;
    }

    /** The addresses of all records and terms, also of those that search engines leave out. */
    void each(RecordType recordType, Consumer<String> address) {
        long last = 0;
        for (var some = behind(recordType, last, Condition.ALWAYS);
                !some.isEmpty();
                some = behind(recordType, last, Condition.ALWAYS)) {
            last = some.getLast();
            var records = site.records().byIds(recordType.id(), some, Set.of());
            site.records()
                    .addresses(recordType.id(), records)
                    .values()
                    .forEach(each -> address.accept(recordType.path() + "/" + each));
        }
    }
}

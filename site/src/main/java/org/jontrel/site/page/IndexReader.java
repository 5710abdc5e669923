package org.jontrel.site.page;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.page.PageData;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.page.PageRecord;
import org.jontrel.core.page.index.AskedList;
import org.jontrel.core.page.index.FilterTerm;
import org.jontrel.core.page.index.FoundList;
import org.jontrel.core.page.index.IndexFilter;
import org.jontrel.core.page.index.IndexFilters;
import org.jontrel.core.page.index.IndexGroups;
import org.jontrel.core.page.index.ListFacts;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.RecordList;
import org.jontrel.site.record.read.StoredRecord;

/**
 * Reads what the index of a type shows: terms, counts and records. The number of statements depends on its filters and on
 * what it shows of each record, not on how many there are.
 */
public final class IndexReader {
    private final Site site;
    private final PageModel model;
    private final Audience audience;
    private final String siteName;
    private final ContentType type;
    private final RecordType recordType;

    public IndexReader(Site site, PageModel model, Audience audience, String siteName, ContentType type) {
        this.site = site;
        this.model = model;
        this.audience = audience;
        this.siteName = siteName;
        this.type = type;
        this.recordType = model.recordType(type.id()).orElseThrow();
    }

    /**
     * @param facts what the filters have to say
     * @param data all that the records need
     */
    public record ReadIndex(AskedList asked, FoundList found, ListFacts facts, PageData data) {}

    /** What visitors can narrow the list by, with conditions as this site has them. */
    public IndexFilters filters() {
        return IndexFilters.of(model, type).with(condition -> PageReader.ofSite(site, model, condition));
    }

    public ReadIndex read(AskedList as) {
        var terms = new AskedTerms(site, model, audience);
        var asked = terms.read(as, type);
        var facts = facts(asked, terms.byTaxonomy());
        var group = IndexGroups.by(type, asked);
        var groups = group.map(filter -> IndexGroups.of(filter, asked, facts)).orElse(List.of());
        return groups.isEmpty() ? paged(asked, facts) : grouped(asked, facts, group.orElseThrow(), groups);
    }

    private ListQuery query(AskedList asked, Condition where) {
        var order = IndexNeighbours.indexOrder(recordType, type);
        return ListQuery.ALL
                .as(audience)
                .where(where)
                .search(asked.words())
                .most(type.index().pageSize())
                .only(model.indexNeeds(type).fields())
                .sortedBy(order.field(), order.descending());
    }

    private ReadIndex paged(AskedList asked, ListFacts facts) {
        var query = query(asked, asked.where(facts, Optional.empty()));
        var page = site.records()
                .page(type.id(), asked.after().isEmpty() ? query : query.after(Optional.of(asked.after())))
                .orElseThrow();
        var data = data(page.records());
        var count = count(asked, query);
        return new ReadIndex(
                asked,
                new FoundList(count.records(), count.exact(), seen(data, page.records()), page.next(), List.of()),
                facts,
                data);
    }

    /** How many there are is told only beside filters. */
    private RecordList.Count count(AskedList asked, ListQuery query) {
        return asked.filters().none() && !asked.narrows()
                ? new RecordList.Count(0, true)
                : site.records().count(type.id(), query);
    }

    private ReadIndex grouped(
            AskedList asked, ListFacts facts, IndexFilter filter, List<IndexGroups.IndexGroup> groups) {
        var where = asked.where(facts, Optional.empty());
        var queries = new LinkedHashMap<String, ListQuery>();
        groups.forEach(group ->
                queries.put(group.value(), query(asked, new Condition.All(List.of(where, group.where())))));
        var ids = site.records().lists(type.id(), queries);
        var wanted = ids.values().stream().flatMap(List::stream).distinct().toList();
        var records =
                site.records().byIds(type.id(), wanted, model.indexNeeds(type).fields());
        var data = data(records);
        var counts = IndexGroups.counts(filter, groups, facts);
        var found = new ArrayList<FoundList.FoundGroup>();
        for (var group : groups) {
            var some = ids.getOrDefault(group.value(), List.of()).stream()
                    .flatMap(id -> data.record(new Link(type.id(), id)).stream())
                    .toList();
            if (!some.isEmpty()) {
                found.add(new FoundList.FoundGroup(
                        group.value(), group.label(), counts.getOrDefault(group.value(), 0L), some));
            }
        }
        var count = count(asked, query(asked, where));
        return new ReadIndex(
                asked, new FoundList(count.records(), count.exact(), List.of(), Optional.empty(), found), facts, data);
    }

    private PageData data(List<StoredRecord> records) {
        return PageReader.read(site, model, audience, siteName, type.id(), records, model.indexNeeds(type));
    }

    private List<PageRecord> seen(PageData data, List<StoredRecord> records) {
        return records.stream()
                .flatMap(record -> data.record(new Link(type.id(), record.id())).stream())
                .toList();
    }

    // What filters have to say

    private ListFacts facts(AskedList asked, Map<String, List<FilterTerm>> terms) {
        var known = new ListFacts(terms, Map.of(), Map.of());
        var counts = new HashMap<String, Map<String, Long>>();
        for (var filter : asked.filters().counted(type)) {
            var others = query(asked, asked.where(known, Optional.of(filter)));
            counts.put(filter.id(), site.records().counts(type.id(), others, filter.id()));
        }
        return new ListFacts(terms, counts, bounds(asked));
    }

    private Map<String, ListFacts.ValueBounds> bounds(AskedList asked) {
        var all = ListQuery.ALL.as(audience);
        var bounds = new HashMap<String, ListFacts.ValueBounds>();
        if (!asked.filters().ranges().isEmpty()) {
            site.records()
                    .bounds(type.id(), all, asked.filters().ranges())
                    .forEach((id, each) -> bounds.put(id, new ListFacts.ValueBounds(each.least(), each.most())));
        }
        return bounds;
    }
}

package org.jontrel.site.page;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.block.RecordsForm;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.page.PageData;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.page.PageNeeds;
import org.jontrel.core.record.Conditions;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.BadQuery;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.SystemField;

/** The lists of a page: for each record that has one, what stands in it; one statement for all of them and each type. */
final class PageLists {
    private final Site site;
    private final PageModel model;
    private final Audience audience;
    private final SiteTerms terms;
    private final IndexNeighbours neighbours;

    PageLists(Site site, PageModel model, Audience audience) {
        this.site = site;
        this.model = model;
        this.audience = audience;
        this.terms = new SiteTerms(site, model);
        this.neighbours = new IndexNeighbours(site, model, audience);
    }

    Map<Link, List<Link>> of(PageNeeds.ListNeeds list, Set<Link> owners) {
        return switch (list.source()) {
            case PageNeeds.LeadingHere(var relation) ->
                found(
                        relation.from().id(),
                        list,
                        owners,
                        owner -> is(relation.relation().id(), owner));
            case PageNeeds.StandingBelow(List<String> types) -> below(types, list, owners);
            case PageNeeds.HavingTerm(String type) ->
                found(type, list, owners, owner -> having(type, owner.type(), List.of(String.valueOf(owner.id()))));
            case PageNeeds.FoundBy(Listing listing) -> listing(listing, list, owners);
            case PageNeeds.OneBefore _ -> neighbours.beside(owners, true);
            case PageNeeds.OneAfter _ -> neighbours.beside(owners, false);
        };
    }

    /** What one owner's list is asked for by. */
    private interface OwnersCondition {
        Condition of(Link owner);
    }

    private static Condition is(String field, Link link) {
        return new Condition.FieldIs(field, Condition.Test.IS, List.of(String.valueOf(link.id())));
    }

    private Map<Link, List<Link>> found(
            String type, PageNeeds.ListNeeds list, Collection<Link> owners, OwnersCondition condition) {
        var recordType = model.recordType(type);
        if (recordType.filter(audience::reads).isEmpty()) {
            return Map.of();
        }
        var queries = new LinkedHashMap<Link, ListQuery>();
        owners.forEach(owner -> queries.put(
                owner,
                new ListQuery(
                        condition.of(owner),
                        "",
                        sort(recordType.get(), list.order()),
                        Optional.empty(),
                        list.limit(),
                        Set.of(),
                        audience)));
        var links = new LinkedHashMap<Link, List<Link>>();
        lists(type, queries)
                .forEach((owner, ids) -> links.put(
                        owner, ids.stream().map(id -> new Link(type, id)).toList()));
        return links;
    }

    /** A condition on what the site does not have, as with the layouts of a draft, holds for nothing. */
    private Map<Link, List<Long>> lists(String type, Map<Link, ListQuery> queries) {
        try {
            return site.records().lists(type, queries);
        } catch (BadQuery _) {
            return Map.of();
        }
    }

    /** As the block says; else terms in their order, records by title, or the last changed first where there is none. */
    private static List<ListQuery.SortOrder> sort(RecordType recordType, List<RecordsForm.Order> order) {
        var sort = order.stream()
                .filter(each -> SystemField.of(each.field()).isPresent()
                        || recordType.columns("").stream()
                                .anyMatch(field ->
                                        field.id().equals(each.field()) && Conditions.isSortable(field.kind())))
                .map(each -> new ListQuery.SortOrder(each.field(), each.descending()))
                .toList();
        if (!sort.isEmpty()) {
            return sort;
        }
        if (recordType.definition() instanceof Taxonomy) {
            return List.of(new ListQuery.SortOrder(SystemField.POSITION.field().id(), false));
        }
        return recordType.title().isPresent()
                ? List.of(new ListQuery.SortOrder("part_title", false))
                : List.of(new ListQuery.SortOrder(SystemField.UPDATED_AT.field().id(), true));
    }

    private Map<Link, List<Link>> below(List<String> types, PageNeeds.ListNeeds list, Set<Link> owners) {
        var order = list.order().isEmpty()
                ? List.of(new RecordsForm.Order(SystemField.POSITION.field().id(), false))
                : list.order();
        var all = new LinkedHashMap<Link, List<Link>>();
        for (var type : types) {
            var parent = SystemField.PARENT.field().id();
            found(
                            type,
                            new PageNeeds.ListNeeds(list.name(), list.source(), order, list.limit(), list.needs()),
                            owners,
                            owner -> is(parent, owner))
                    .forEach((owner, links) ->
                            all.computeIfAbsent(owner, _ -> new ArrayList<>()).addAll(links));
        }
        all.replaceAll((_, links) -> links.subList(0, Math.min(links.size(), list.limit())));
        return all;
    }

    /** Records of a type that have one of these terms, or one under it, wherever they hold terms of the taxonomy. */
    private Condition having(String type, String taxonomy, List<String> numbers) {
        var ways = model.recordType(type).stream()
                .flatMap(recordType -> recordType.byId().values().stream())
                .filter(field -> field.kind() instanceof Kind.TermPick pick
                        && pick.taxonomy().equals(taxonomy))
                .map(field -> field.id().equals(taxonomy)
                        ? (Condition) new Condition.TermIs(taxonomy, Condition.Test.UNDER, numbers)
                        : new Condition.FieldIs(field.id(), Condition.Test.IS, numbers))
                .toList();
        return new Condition.Any(ways);
    }

    private Map<Link, List<Link>> listing(Listing listing, PageNeeds.ListNeeds list, Set<Link> owners) {
        if (!new ReadableListings(model, audience).reads(listing)) {
            return Map.of();
        }
        var where = terms.numbered(listing.where());
        if (listing.about().isEmpty()) {
            return found(listing.type(), list, List.of(PageData.NOWHERE), _ -> where);
        }
        var related = new RelatedTerms(site, model).of(listing, owners);
        return found(
                listing.type(),
                list,
                owners.stream()
                        .filter(owner -> about(listing, owner, related).isPresent())
                        .toList(),
                owner -> new Condition.All(List.of(
                        where,
                        about(listing, owner, related).orElseThrow(),
                        new Condition.Not(is(SystemField.ID.field().id(), owner)))));
    }

    /** What makes a record one about another; empty where none can be. */
    private Optional<Condition> about(Listing listing, Link owner, Map<Link, List<String>> terms) {
        boolean ofTaxonomy = model.recordType(listing.about())
                .filter(each -> each.definition() instanceof Taxonomy)
                .isPresent();
        if (!ofTaxonomy) {
            return Optional.of(is(listing.about(), owner));
        }
        if (owner.type().equals(listing.about())) {
            return Optional.of(having(listing.type(), owner.type(), List.of(String.valueOf(owner.id()))));
        }
        var own = terms.getOrDefault(owner, List.of());
        return own.isEmpty()
                ? Optional.empty()
                : Optional.of(new Condition.TermIs(listing.about(), Condition.Test.IS, own));
    }
}

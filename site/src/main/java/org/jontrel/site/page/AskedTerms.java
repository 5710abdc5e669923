package org.jontrel.site.page;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.page.index.AskedList;
import org.jontrel.core.page.index.FilterTerm;
import org.jontrel.core.page.index.IndexFilter;
import org.jontrel.core.value.Link;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.StoredRecord;

/** The terms that a list can be narrowed by, and those that somebody asks for. */
final class AskedTerms {
    private static final int MOST_TERMS = 2_000;
    /** Addresses that are looked up one by one: whoever asks for more nonsense is told that it is not known. */
    private static final int MOST_LOOKED_UP = 5;

    private final Site site;
    private final PageModel model;
    private final Audience audience;
    private final Map<String, List<FilterTerm>> terms = new HashMap<>();

    AskedTerms(Site site, PageModel model, Audience audience) {
        this.site = site;
        this.model = model;
        this.audience = audience;
    }

    /** Reads the terms of the taxonomies that are counted or asked for. @return what is asked, by present addresses */
    AskedList read(AskedList asked, ContentType type) {
        var counted = asked.filters().counted(type);
        asked.filters().accepted().stream()
                .filter(filter ->
                        counted.contains(filter) || !asked.values(filter).isEmpty())
                .map(IndexFilter::taxonomy)
                .filter(taxonomy -> !taxonomy.isEmpty())
                .forEach(taxonomy -> terms.computeIfAbsent(taxonomy, this::terms));
        return found(asked);
    }

    Map<String, List<FilterTerm>> byTaxonomy() {
        return terms;
    }

    /** Looks up what is asked by addresses that are not among the terms: former ones, and those of very many terms. */
    private AskedList found(AskedList as) {
        var asked = as;
        int looked = 0;
        for (var filter : as.filters().accepted()) {
            var there = terms.get(filter.taxonomy());
            for (var value : there == null ? List.<String>of() : as.values(filter)) {
                if (there.stream().noneMatch(term -> term.address().equals(value)) && looked++ < MOST_LOOKED_UP) {
                    var found = term(filter.taxonomy(), value);
                    if (found.isPresent()
                            && there.stream()
                                    .noneMatch(term -> term.id() == found.get().id())) {
                        terms.put(filter.taxonomy(), with(there, found.get()));
                        there = terms.get(filter.taxonomy());
                    }
                    asked = found.isPresent()
                            ? asked.renamed(filter, value, found.get().address())
                            : asked;
                }
            }
        }
        return asked;
    }

    private static List<FilterTerm> with(List<FilterTerm> terms, FilterTerm more) {
        var all = new ArrayList<>(terms);
        all.add(more);
        return all;
    }

    private Optional<FilterTerm> term(String taxonomyId, String address) {
        var now = Instant.now();
        return site.records()
                .byAddress(taxonomyId, address)
                .filter(found -> audience.reads(found.record(), now))
                .map(found -> term(taxonomyId, found.record(), found.address()));
    }

    /** The terms of a taxonomy that the audience may see, by place and position. */
    private List<FilterTerm> terms(String taxonomyId) {
        var now = Instant.now();
        var terms = site.records().all(taxonomyId, MOST_TERMS).stream()
                .filter(term -> audience.reads(term, now))
                .toList();
        var addresses = site.records().addresses(taxonomyId, terms);
        return terms.stream()
                .map(term -> term(taxonomyId, term, addresses.getOrDefault(term.id(), term.slug())))
                .toList();
    }

    private FilterTerm term(String taxonomyId, StoredRecord term, String address) {
        return new FilterTerm(
                term.id(),
                address,
                term.title().isEmpty() ? term.slug() : term.title(),
                term.parent().map(Link::id).orElse(0L),
                model.colour(taxonomyId)
                        .map(field -> term.values().get(field.id()))
                        .map(String::valueOf)
                        .orElse(""));
    }
}

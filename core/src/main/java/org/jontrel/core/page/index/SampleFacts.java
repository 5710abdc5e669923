package org.jontrel.core.page.index;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.Term;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.page.PageRecord;

/** Made-up counts for the filters of a type that no site has yet; always the same ones. */
public final class SampleFacts {
    private SampleFacts() {}

    public static ListFacts of(PageModel model, ContentType type, IndexFilters filters) {
        var terms = new HashMap<String, List<FilterTerm>>();
        filters.taxonomies()
                .forEach(taxonomy -> model.model()
                        .find(Taxonomy.class, taxonomy)
                        .ifPresent(found -> terms.put(taxonomy, terms(model, found))));
        var counts = new HashMap<String, Map<String, Long>>();
        for (var filter : filters.counted(type)) {
            var values = new ArrayList<String>();
            switch (filter.kind()) {
                case TERMS ->
                    terms.getOrDefault(filter.taxonomy(), List.of())
                            .forEach(term -> values.add(String.valueOf(term.id())));
                case OPTIONS -> filter.options().forEach(option -> values.add(option.key()));
                case YES_NO -> values.addAll(List.of("true", "false"));
                case RANGE -> {}
            }
            var each = new LinkedHashMap<String, Long>();
            for (int i = 0; i < values.size(); i++) {
                each.put(values.get(i), 1L + i % 4);
            }
            counts.put(filter.id(), each);
        }
        return new ListFacts(terms, counts, Map.of());
    }

    private static List<FilterTerm> terms(PageModel model, Taxonomy taxonomy) {
        var all = new ArrayList<FilterTerm>();
        var colour = model.colour(taxonomy.id()).map(field -> field.id()).orElse("");
        add(all, taxonomy.terms(), 0, colour);
        return all;
    }

    private static void add(List<FilterTerm> all, List<Term> terms, long parent, String colour) {
        for (var term : terms) {
            long id = all.size() + 1L;
            all.add(new FilterTerm(
                    id, term.key(), term.label(), parent, term.values().getOrDefault(colour, "")));
            add(all, term.children(), id, colour);
        }
    }

    /** The records of a page, as if there were no others. */
    public static FoundList found(List<PageRecord> records) {
        return new FoundList(records.size(), true, records, Optional.empty(), List.of());
    }
}

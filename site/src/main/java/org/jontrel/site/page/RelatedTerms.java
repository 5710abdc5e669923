package org.jontrel.site.page;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.model.Listing;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.value.Link;
import org.jontrel.site.Site;

/** The terms of records that listings are about. */
record RelatedTerms(Site site, PageModel model) {
    /** Numbers of the terms that each owner has of the taxonomy that a listing is about. */
    Map<Link, List<String>> of(Listing listing, Collection<Link> owners) {
        var byType = new LinkedHashMap<String, Set<Long>>();
        owners.stream()
                .filter(owner -> model.recordType(owner.type())
                        .flatMap(recordType -> recordType.field(listing.about()))
                        .isPresent())
                .forEach(owner -> byType.computeIfAbsent(owner.type(), _ -> new LinkedHashSet<>())
                        .add(owner.id()));
        var terms = new HashMap<Link, List<String>>();
        byType.forEach((type, ids) -> site.records()
                .byIds(type, ids, Set.of(listing.about()))
                .forEach(record -> terms.put(
                        new Link(type, record.id()),
                        record.values().get(listing.about()) instanceof Collection<?> some
                                ? some.stream().map(String::valueOf).toList()
                                : List.of())));
        return terms;
    }
}

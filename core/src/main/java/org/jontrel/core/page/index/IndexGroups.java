package org.jontrel.core.page.index;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.condition.Condition;

/** The groups that the index of a type has: one for each value that records have, and one for those without. */
public final class IndexGroups {
    private static final int MOST = 40;

    private IndexGroups() {}

    /**
     * A group before its records were read.
     *
     * @param value as addresses have it
     * @param where which records are in it, of those that the list has
     */
    public record IndexGroup(String value, String label, Condition where) {}

    /**
     * What the list is grouped by; empty where it is not, or shows one group alone: that one has pages.
     */
    public static Optional<IndexFilter> by(ContentType type, AskedList asked) {
        return asked.filters()
                .byId(type.index().group())
                .filter(filter -> IndexFilter.groups(filter.field()))
                .filter(filter -> asked.values(filter).size() != 1);
    }

    /** In the order of the terms or options; empty where there are too many, so that the list has pages instead. */
    public static List<IndexGroup> of(IndexFilter filter, AskedList asked, ListFacts facts) {
        var chosen = asked.values(filter);
        var values = new LinkedHashMap<String, String>();
        if (filter.kind() == IndexFilter.FilterKind.TERMS) {
            var there = facts.terms(filter).stream().map(FilterTerm::id).collect(Collectors.toSet());
            facts.terms(filter).stream()
                    .filter(term -> !chosen.isEmpty() || !there.contains(term.parent()) || !filter.ofUse())
                    .forEach(term -> values.put(term.address(), term.label()));
        } else {
            filter.options().forEach(option -> values.put(option.key(), option.label()));
        }
        if (!chosen.isEmpty()) {
            values.keySet().retainAll(chosen);
        }
        var groups = new ArrayList<IndexGroup>();
        values.forEach((value, label) -> add(groups, filter, facts, value, label));
        if (chosen.isEmpty() || chosen.contains(IndexFilter.NONE)) {
            groups.add(new IndexGroup(IndexFilter.NONE, filter.without(), filter.isEmpty()));
        }
        return groups.size() > MOST ? List.of() : groups;
    }

    private static void add(List<IndexGroup> groups, IndexFilter filter, ListFacts facts, String value, String label) {
        var stored = facts.stored(filter, value).orElseThrow();
        if (facts.count(filter, stored) > 0) {
            groups.add(new IndexGroup(value, label, filter.shown(filter.is(List.of(stored)))));
        }
    }

    /** How many records each group has, by its value. */
    public static Map<String, Long> counts(IndexFilter filter, List<IndexGroup> groups, ListFacts facts) {
        var counts = new LinkedHashMap<String, Long>();
        groups.forEach(group -> counts.put(
                group.value(),
                facts.stored(filter, group.value())
                        .map(stored -> facts.count(filter, stored))
                        .orElse(0L)));
        return counts;
    }
}

package org.jontrel.core.page.index;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.model.Kind;
import org.jontrel.core.naming.Nouns;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.page.node.FilterForm;
import org.jontrel.core.page.node.InlineNode;
import org.jontrel.core.page.node.PageAddress;
import org.jontrel.core.page.node.ReadableInk;

/** Makes the controls in which values are chosen: those that some record has, with how many have them. */
final class FilterTicks {
    private static final int MOST_TICKS = 60;
    private final PageModel model;
    private final AskedList asked;
    private final ListFacts facts;

    FilterTicks(PageModel model, AskedList asked, ListFacts facts) {
        this.model = model;
        this.asked = asked;
        this.facts = facts;
    }

    /** Empty where there is nothing to choose. */
    Optional<FilterForm.FilterControl> of(IndexFilter filter) {
        return switch (filter.kind()) {
            case TERMS -> ticks(filter, terms(filter));
            case OPTIONS ->
                ticks(
                        filter,
                        filter.options().stream()
                                .map(option -> tick(filter, option.key(), word(option.label()), 0))
                                .toList());
            case YES_NO ->
                ticks(
                        filter,
                        Stream.of(IndexFilter.YES, IndexFilter.NO)
                                .map(value -> tick(filter, value, word(label(filter, value, facts)), 0))
                                .toList());
            case RANGE -> Optional.empty();
        };
    }

    /** What a value of an address is called. */
    static String label(IndexFilter filter, String value, ListFacts facts) {
        return switch (filter.kind()) {
            case TERMS -> facts.term(filter, value).map(FilterTerm::label).orElse(value);
            case OPTIONS ->
                filter.options().stream()
                        .filter(option -> option.key().equals(value))
                        .map(Kind.Option::label)
                        .findFirst()
                        .orElse(value);
            case YES_NO -> yesNo(filter, value.equals(IndexFilter.YES));
            case RANGE -> value;
        };
    }

    private static String yesNo(IndexFilter filter, boolean yes) {
        var kind = (Kind.YesNo) filter.field().kind();
        var own = yes ? kind.yes() : kind.no();
        return own.isEmpty() ? yes ? "Yes" : "No" : own;
    }

    private static InlineNode word(String text) {
        return new InlineNode.WordRun(text);
    }

    private FilterForm.Tick tick(IndexFilter filter, String value, InlineNode label, int depth) {
        var count = facts.stored(filter, value)
                .map(stored -> facts.count(filter, stored))
                .orElse(0L);
        return new FilterForm.Tick(value, label, count, asked.values(filter).contains(value), depth);
    }

    /** Only what some record has, or what was chosen; of too many those that most have. */
    private Optional<FilterForm.FilterControl> ticks(IndexFilter filter, List<FilterForm.Tick> all) {
        var there =
                all.stream().filter(tick -> tick.count() > 0 || tick.chosen()).toList();
        if (there.isEmpty()) {
            return Optional.empty();
        }
        if (there.size() <= MOST_TICKS) {
            return Optional.of(new FilterForm.TickControl(filter.name(), filter.label(), there, Optional.empty()));
        }
        Set<FilterForm.Tick> most = there.stream()
                .sorted(Comparator.comparing(FilterForm.Tick::chosen)
                        .thenComparingLong(FilterForm.Tick::count)
                        .reversed())
                .limit(MOST_TICKS)
                .collect(Collectors.toCollection(HashSet::new));
        return Optional.of(new FilterForm.TickControl(
                filter.name(),
                filter.label(),
                there.stream().filter(most::contains).toList(),
                all(filter)));
    }

    private Optional<InlineNode> all(IndexFilter filter) {
        return model.recordType(filter.taxonomy())
                .map(taxonomy -> new InlineNode.LinkRun(
                        "All " + Nouns.inSentence(taxonomy.plural()),
                        new PageAddress.InsideSite(taxonomy.path() + "/"),
                        false));
    }

    /** Each term behind the one above it. */
    private List<FilterForm.Tick> terms(IndexFilter filter) {
        var below = new HashMap<Long, List<FilterTerm>>();
        var there = facts.terms(filter).stream().map(FilterTerm::id).collect(Collectors.toSet());
        facts.terms(filter)
                .forEach(term -> below.computeIfAbsent(
                                there.contains(term.parent()) ? term.parent() : 0L, _ -> new ArrayList<>())
                        .add(term));
        var ticks = new ArrayList<FilterForm.Tick>();
        add(ticks, filter, below, 0, 0);
        return ticks;
    }

    private void add(
            List<FilterForm.Tick> ticks,
            IndexFilter filter,
            Map<Long, List<FilterTerm>> below,
            long parent,
            int depth) {
        for (var term : below.getOrDefault(parent, List.of())) {
            var ink = ReadableInk.on(term.colour());
            InlineNode label = ink.isPresent()
                    ? new InlineNode.LabelRun(term.label(), term.colour(), ink.get(), Optional.empty())
                    : word(term.label());
            ticks.add(tick(filter, term.address(), label, depth));
            add(ticks, filter, below, term.id(), depth + 1);
        }
    }
}

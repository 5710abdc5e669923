package org.jontrel.core.identity;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiPredicate;
import org.jontrel.core.model.Group;

/** Pairs of things without keys, found by what they say and between which neighbours they stand. */
final class ContentPairs {
    private final ContentMatching contents;
    private final List<Object> items;
    private final List<Object> beside;
    private final Map<String, Object> pairs;
    private final BiPredicate<Object, Object> matchable;
    private final Map<Object, Integer> places = new IdentityHashMap<>();
    private final boolean[] taken;

    ContentPairs(
            ContentMatching contents,
            List<Object> items,
            List<Object> beside,
            Map<String, Object> pairs,
            BiPredicate<Object, Object> matchable) {
        this.contents = contents;
        this.items = items;
        this.beside = beside;
        this.pairs = pairs;
        this.matchable = matchable;
        this.taken = new boolean[beside.size()];
        for (int i = 0; i < beside.size(); i++) {
            places.put(beside.get(i), i);
            taken[i] = pairs.containsValue(beside.get(i));
        }
    }

    private boolean paired(Object item) {
        return pairs.containsKey(Identities.idOf(item));
    }

    private boolean pair(Object item, Object known) {
        if (paired(item)
                || taken[places.get(known)]
                || item.getClass() != known.getClass()
                || !matchable.test(item, known)) {
            return false;
        }
        pairs.put(Identities.idOf(item), known);
        taken[places.get(known)] = true;
        return true;
    }

    /** Groups of which both sides have the same, each once, are known by their titles. */
    void titles() {
        var titles = titles(items);
        var others = titles(beside);
        if (titles != null && others != null && titles.keySet().equals(others.keySet())) {
            titles.forEach((title, item) -> pair(item, others.get(title)));
        }
    }

    private static Map<String, Object> titles(List<Object> things) {
        var titles = new HashMap<String, Object>();
        for (var thing : things) {
            if (!(thing instanceof Group group) || titles.put(group.title(), thing) != null) {
                return null;
            }
        }
        return titles;
    }

    /** What is the same from the beginning on, and from the end back. */
    void ends() {
        if (items.stream().allMatch(this::paired)) {
            return;
        }
        int most = Math.min(items.size(), beside.size());
        int first = 0;
        while (first < most && same(items.get(first), beside.get(first))) {
            first++;
        }
        for (int i = 1; i <= most - first; i++) {
            if (!same(items.get(items.size() - i), beside.get(beside.size() - i))) {
                break;
            }
        }
    }

    private boolean same(Object item, Object known) {
        return pairs.get(Identities.idOf(item)) == known
                || (contents.of(item, true).equals(contents.of(known, false)) && pair(item, known));
    }

    void unique(ContentMatching.ContentTrait sign) {
        if (items.stream().allMatch(this::paired)) {
            return;
        }
        var left = new HashMap<String, List<Object>>();
        var right = new HashMap<String, List<Object>>();
        items.stream()
                .filter(item -> !paired(item))
                .forEach(item -> left.computeIfAbsent(sign.of(item, true), _ -> new ArrayList<>())
                        .add(item));
        beside.stream()
                .filter(each -> !taken[places.get(each)])
                .forEach(each -> right.computeIfAbsent(sign.of(each, false), _ -> new ArrayList<>())
                        .add(each));
        left.forEach((text, some) -> {
            var others = right.getOrDefault(text, List.of());
            if (some.size() == 1 && others.size() == 1) {
                pair(some.getFirst(), others.getFirst());
            }
        });
    }

    /** Between the same neighbours, as many as there were, one after another, where each is alike. */
    void gaps() {
        for (int i = 0; i < items.size(); i++) {
            int from = i;
            while (i < items.size() && !paired(items.get(i))) {
                i++;
            }
            if (i > from) {
                gap(
                        items.subList(from, i),
                        from == 0 ? -1 : place(from - 1),
                        i == items.size() ? beside.size() : place(i));
            }
        }
    }

    private int place(int item) {
        return places.get(pairs.get(Identities.idOf(items.get(item))));
    }

    private void gap(List<Object> open, int after, int until) {
        if (after >= until) {
            return;
        }
        var known = beside.subList(after + 1, until).stream()
                .filter(each -> !taken[places.get(each)])
                .toList();
        if (known.size() != open.size()) {
            return;
        }
        for (int i = 0; i < open.size(); i++) {
            if (!contents.alike(open.get(i), known.get(i)) && !itselfSame(open.get(i), known.get(i))) {
                return;
            }
        }
        for (int i = 0; i < open.size(); i++) {
            pair(open.get(i), known.get(i));
        }
    }

    private boolean itselfSame(Object a, Object b) {
        return a.getClass() == b.getClass()
                && contents.text(a, true)
                        .itself()
                        .equals(contents.text(b, false).itself());
    }
}

package org.jontrel.core.merge;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Orders brought together. Elements are compared with {@code equals}, and each stands in a list at most once. */
final class Sequences {
    /** Above so many, orders that both sides changed are not brought together: every pair is looked at. */
    private static final int MOST = 1_000;

    private Sequences() {}

    /**
     * An order.
     *
     * @param clash whether both sides moved the same things differently; the order is that of ours then
     */
    record MergedOrder<T>(List<T> order, boolean clash) {}

    /**
     * All of {@code kept}. What both sides have stands as the side has it that changed it, pair by pair; what only one has
     * stands behind the element it stands behind there.
     */
    static <T> MergedOrder<T> merge(List<T> base, List<T> ours, List<T> theirs, Set<T> kept) {
        var here = kept(ours, kept);
        var there = kept(theirs, kept);
        boolean oursMoved = moved(base, here);
        boolean theirsMoved = moved(base, there);
        if (!oursMoved || !theirsMoved || sameOrder(here, there)) {
            return new MergedOrder<>(oursMoved || !theirsMoved ? inserted(here, there) : inserted(there, here), false);
        }
        var common = common(base, here, there);
        return common == null
                ? new MergedOrder<>(inserted(here, there), true)
                : new MergedOrder<>(inserted(inserted(common, here), there), false);
    }

    private static <T> List<T> kept(List<T> side, Set<T> kept) {
        return side.stream().filter(kept::contains).toList();
    }

    private static <T> boolean sameOrder(List<T> a, List<T> b) {
        var inA = new HashSet<>(a);
        var inB = new HashSet<>(b);
        return a.stream()
                .filter(inB::contains)
                .toList()
                .equals(b.stream().filter(inA::contains).toList());
    }

    private static <T> boolean moved(List<T> base, List<T> side) {
        return !sameOrder(base, side);
    }

    /** The first, with what only the second has behind the element that it stands behind there. */
    private static <T> List<T> inserted(List<T> first, List<T> second) {
        var there = new HashSet<>(first);
        var begin = new ArrayList<T>();
        var behind = new HashMap<T, List<T>>();
        List<T> place = begin;
        for (var element : second) {
            if (there.contains(element)) {
                place = behind.computeIfAbsent(element, _ -> new ArrayList<>());
            } else {
                place.add(element);
            }
        }
        var merged = new ArrayList<>(begin);
        for (var element : first) {
            merged.add(element);
            merged.addAll(behind.getOrDefault(element, List.of()));
        }
        return merged;
    }

    /** The order of what both sides have, or {@code null} where they contradict each other. */
    private static <T> List<T> common(List<T> base, List<T> ours, List<T> theirs) {
        var there = places(theirs);
        var both = ours.stream().filter(there::containsKey).toList();
        if (both.size() > MOST) {
            return null;
        }
        var order = new Pairs<>(places(base), there, both);
        if (order.contradict) {
            return null;
        }
        var all = order.sorted(true);
        return all != null ? all : order.sorted(false);
    }

    private static <T> Map<T, Integer> places(List<T> list) {
        var places = new LinkedHashMap<T, Integer>();
        list.forEach(element -> places.putIfAbsent(element, places.size()));
        return places;
    }

    /** For each pair which comes first, and whether a side wants it so. */
    private static final class Pairs<T> {
        private final List<T> elements;
        private final int[] base;
        private final boolean[][] before;
        private final boolean[][] wanted;
        private boolean contradict;

        Pairs(Map<T, Integer> was, Map<T, Integer> theirs, List<T> ours) {
            int n = ours.size();
            elements = ours;
            base = ours.stream()
                    .mapToInt(element -> was.getOrDefault(element, Integer.MAX_VALUE))
                    .toArray();
            before = new boolean[n][n];
            wanted = new boolean[n][n];
            for (int i = 0; i < n; i++) {
                for (int j = i + 1; j < n; j++) {
                    boolean there = theirs.get(ours.get(i)) < theirs.get(ours.get(j));
                    boolean known = was.containsKey(ours.get(i)) && was.containsKey(ours.get(j));
                    boolean then = known ? base[i] < base[j] : there;
                    contradict |= !known && !there;
                    // ours has i before j; where theirs has not, the side counts that differs from before
                    boolean first = there || !then;
                    before[first ? i : j][first ? j : i] = true;
                    boolean changed = known && first != then;
                    wanted[i][j] = changed;
                    wanted[j][i] = changed;
                }
            }
        }

        /** @param all whether pairs count that no side changed; {@code null} where the pairs go in a circle */
        List<T> sorted(boolean all) {
            int n = elements.size();
            var left = new boolean[n];
            var sorted = new ArrayList<T>();
            for (int step = 0; step < n; step++) {
                int next = -1;
                for (int i = 0; i < n; i++) {
                    if (!left[i] && (next < 0 || base[i] < base[next]) && free(i, left, all)) {
                        next = i;
                    }
                }
                if (next < 0) {
                    return null;
                }
                left[next] = true;
                sorted.add(elements.get(next));
            }
            return sorted;
        }

        private boolean free(int element, boolean[] left, boolean all) {
            for (int i = 0; i < left.length; i++) {
                if (!left[i] && before[i][element] && (all || wanted[i][element])) {
                    return false;
                }
            }
            return true;
        }
    }
}

package org.jontrel.core.merge;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** Orders brought together by neighbours. Elements are compared with {@code equals}. */
final class Sequences {
    private Sequences() {}

    /**
     * All of {@code kept}, in the order of the side that changed it (ours where both did); what only the other side has
     * stands behind the element it stands behind there.
     */
    static <T> List<T> merge(List<T> base, List<T> ours, List<T> theirs, Set<T> kept) {
        boolean oursMoved = moved(base, ours);
        var first = oursMoved || !moved(base, theirs) ? ours : theirs;
        var second = first == ours ? theirs : ours;
        var merged = first.stream().filter(kept::contains).collect(Collectors.toCollection(ArrayList::new));
        for (int i = 0; i < second.size(); i++) {
            var element = second.get(i);
            if (kept.contains(element) && !merged.contains(element)) {
                merged.add(behind(merged, second, i), element);
            }
        }
        return merged;
    }

    private static <T> int behind(List<T> merged, List<T> order, int at) {
        for (int i = at - 1; i >= 0; i--) {
            int found = merged.indexOf(order.get(i));
            if (found >= 0) {
                return found + 1;
            }
        }
        return 0;
    }

    private static <T> boolean moved(List<T> base, List<T> side) {
        var common = base.stream().filter(side::contains).toList();
        return !common.equals(side.stream().filter(base::contains).toList());
    }
}

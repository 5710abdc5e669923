package org.jontrel.core.merge;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.format.Located;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;

/**
 * What both sides may have renamed, each in another way, in files without ids: it is gone from both, and each has something
 * new of its sort between the same neighbours.
 */
final class Renames {
    private final Map<String, Located> was;
    private final Map<String, Located> here;
    private final Map<String, Located> there;
    private final Set<String> madeUp;
    private final Map<SideSlot, Items> found = new HashMap<>();

    Renames(Map<String, Located> was, Map<String, Located> here, Map<String, Located> there, Set<String> madeUp) {
        this.was = was;
        this.here = here;
        this.there = there;
        this.madeUp = madeUp;
    }

    /** Gets what was, and what may have become of it on either side. */
    interface RenameListener {
        void both(Located before, Located mine, Located other);
    }

    void run(RenameListener found) {
        for (var before : was.values()) {
            boolean gone = !here.containsKey(before.key()) && !there.containsKey(before.key());
            if (gone && before.owner() != null && madeUp.contains(before.key())) {
                var mine = now(before, here);
                var other = mine == null ? null : now(before, there);
                if (other != null && !mine.key().equals(other.key())) {
                    found.both(before, mine, other);
                }
            }
        }
    }

    /** What is new between the same neighbours, one for one with what is gone there; else {@code null}. */
    private Located now(Located before, Map<String, Located> side) {
        var owner = side.get(before.owner().key());
        if (owner == null) {
            return null;
        }
        var olds = items(was, before.owner(), before.slot());
        var news = items(side, owner, before.slot());
        int at = olds.places.get(before.key());
        int first = at;
        int last = at;
        while (first > 0 && !news.places.containsKey(olds.items.get(first - 1).key())) {
            first--;
        }
        while (last < olds.items.size() - 1
                && !news.places.containsKey(olds.items.get(last + 1).key())) {
            last++;
        }
        int from = first == 0 ? 0 : news.places.get(olds.items.get(first - 1).key()) + 1;
        int to = last == olds.items.size() - 1
                ? news.items.size()
                : news.places.get(olds.items.get(last + 1).key());
        if (to - from != last - first + 1) {
            return null;
        }
        var now = news.items.get(from + at - first);
        return !was.containsKey(now.key()) && alike(before.thing(), now.thing()) ? now : null;
    }

    private Items items(Map<String, Located> side, Located owner, String slot) {
        return found.computeIfAbsent(new SideSlot(System.identityHashCode(side), owner.key(), slot), _ -> {
            var items = owner.items(slot);
            var places = new HashMap<String, Integer>();
            items.forEach(item -> places.put(item.key(), places.size()));
            return new Items(items, places);
        });
    }

    private record SideSlot(int side, String owner, String slot) {}

    private record Items(List<Located> items, Map<String, Integer> places) {}

    private static boolean alike(Object before, Object now) {
        return before.getClass() == now.getClass()
                && (!(before instanceof Field a && now instanceof Field b) || Kind.same(a.kind(), b.kind()));
    }
}

package org.jontrel.core.yaml;

import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Where each value of a tree stands, told by thing and way as comments are kept. One walk for one file. */
final class TreeWalk {
    private final Map<Object, String> things;
    private final boolean idle;
    private final Map<At, Integer> same = new HashMap<>();

    TreeWalk(Map<Object, String> things) {
        this(things, false);
    }

    private TreeWalk(Map<Object, String> things, boolean idle) {
        this.things = things;
        this.idle = idle;
    }

    /** For where there are no comments: every place is the same, and none is worked out. */
    static TreeWalk idle() {
        return new TreeWalk(Map.of(), true);
    }

    /** A place at which comments may stand. */
    record At(String thing, String way) {}

    /** The place of a value itself: its own where it is a thing with an id. */
    At enter(Object tree, At at) {
        if (idle) {
            return at;
        }
        var id = things.get(tree);
        return id == null ? at : new At(id, Comments.ITSELF);
    }

    /** The place of a property; of what is within its value, where that is more than one word. */
    At property(At of, String name, Object value) {
        if (idle) {
            return of;
        }
        var way = Way.property(of.way(), name);
        return new At(of.thing(), value instanceof Map || value instanceof List ? Way.content(way) : way);
    }

    At item(At of, Object item) {
        if (idle) {
            return of;
        }
        var at = new At(of.thing(), Way.item(of.way(), item));
        int times = same.merge(at, 1, Integer::sum);
        return times == 1 ? at : new At(at.thing(), at.way() + "~" + times);
    }

    /** Every place within a tree, its own first. */
    Set<At> all(Object tree, At at) {
        var all = new LinkedHashSet<At>();
        gather(tree, at, all);
        return all;
    }

    private void gather(Object tree, At at, Set<At> all) {
        var own = enter(tree, at);
        all.add(own);
        switch (tree) {
            case Map<?, ?> map ->
                map.forEach((name, value) -> {
                    all.add(new At(own.thing(), Way.property(own.way(), (String) name)));
                    gather(value, property(own, (String) name, value), all);
                });
            case List<?> list -> list.forEach(item -> gather(item, item(own, item), all));
            default -> {}
        }
    }
}

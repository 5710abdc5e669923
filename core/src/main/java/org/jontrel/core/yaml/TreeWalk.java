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
    private final Map<CommentPlace, Integer> same = new HashMap<>();

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
    record CommentPlace(String thing, String way) {}

    /** The place of a value itself: its own where it is a thing with an id. */
    CommentPlace enter(Object tree, CommentPlace at) {
        if (idle) {
            return at;
        }
        var id = things.get(tree);
        return id == null ? at : new CommentPlace(id, Comments.ITSELF);
    }

    /** The place of a property; of what is within its value, where that is more than one word. */
    CommentPlace property(CommentPlace of, String name, Object value) {
        if (idle) {
            return of;
        }
        var way = YamlPath.property(of.way(), name);
        return new CommentPlace(
                of.thing(), value instanceof Map || value instanceof List ? YamlPath.content(way) : way);
    }

    CommentPlace item(CommentPlace of, Object item) {
        if (idle) {
            return of;
        }
        var at = new CommentPlace(of.thing(), YamlPath.item(of.way(), item));
        int times = same.merge(at, 1, Integer::sum);
        return times == 1 ? at : new CommentPlace(at.thing(), at.way() + "~" + times);
    }

    /** Every place within a tree, its own first. */
    Set<CommentPlace> all(Object tree, CommentPlace at) {
        var all = new LinkedHashSet<CommentPlace>();
        gather(tree, at, all);
        return all;
    }

    private void gather(Object tree, CommentPlace at, Set<CommentPlace> all) {
        var own = enter(tree, at);
        all.add(own);
        switch (tree) {
            case Map<?, ?> map ->
                map.forEach((name, value) -> {
                    all.add(new CommentPlace(own.thing(), YamlPath.property(own.way(), (String) name)));
                    gather(value, property(own, (String) name, value), all);
                });
            case List<?> list -> list.forEach(item -> gather(item, item(own, item), all));
            default -> {}
        }
    }
}

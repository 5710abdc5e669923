package org.jontrel.core.yaml;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.SequencedMap;

/**
 * The comments of files, by what they stand at: the thing (its id, or the file's name where the file is no definition),
 * and the way from there to the value. So they go with what they are about, wherever it moves.
 */
public record Comments(Map<String, SequencedMap<String, Comment>> byThing) {
    public static final Comments NONE = new Comments(Map.of());

    /** The way to the thing itself. */
    static final String ITSELF = "";

    public Comments {
        byThing = Collections.unmodifiableMap(new LinkedHashMap<>(byThing));
    }

    public boolean isEmpty() {
        return byThing.isEmpty();
    }

    /** The comments of one thing, by the way from it. */
    SequencedMap<String, Comment> of(String thing) {
        return byThing.getOrDefault(thing, Collections.unmodifiableSequencedMap(new LinkedHashMap<>()));
    }

    /** What stands at one place. */
    Comment at(String thing, String way) {
        var comments = byThing.get(thing);
        return comments == null ? Comment.NONE : comments.getOrDefault(way, Comment.NONE);
    }

    /**
     * The same, with what would find no place in a tree above the thing it belongs to: what stood at a property that has its
     * default, say, and so is not written.
     *
     * @param things the ids of things, by the very trees within this one
     * @param file the name under which comments are kept that belong to no thing
     */
    public Comments settled(Object tree, Map<Object, String> things, String file) {
        if (isEmpty()) {
            return this;
        }
        var places = new TreeWalk(things).all(tree, new TreeWalk.CommentPlace(file, ITSELF));
        var settled = new LinkedHashMap<>(byThing);
        places.stream()
                .map(TreeWalk.CommentPlace::thing)
                .distinct()
                .filter(byThing::containsKey)
                .forEach(thing -> {
                    var kept = new LinkedHashMap<String, Comment>();
                    var lost = new ArrayList<String>();
                    byThing.get(thing).forEach((way, comment) -> {
                        if (places.contains(new TreeWalk.CommentPlace(thing, way))) {
                            kept.put(way, comment);
                        } else {
                            comment.lines().stream()
                                    .filter(line -> !line.equals(Comment.BLANK))
                                    .forEach(lost::add);
                        }
                    });
                    if (!lost.isEmpty()) {
                        kept.put(ITSELF, kept.getOrDefault(ITSELF, Comment.NONE).withAbove(lost));
                    }
                    settled.put(thing, kept);
                });
        return new Comments(settled);
    }

    /** The comments of some things only. */
    public Comments of(Iterable<String> things) {
        var some = new LinkedHashMap<String, SequencedMap<String, Comment>>();
        things.forEach(thing -> {
            if (byThing.containsKey(thing)) {
                some.put(thing, byThing.get(thing));
            }
        });
        return new Comments(some);
    }

    /** These, with those of the others in the place of theirs. */
    public Comments with(Comments others) {
        var all = new LinkedHashMap<>(byThing);
        all.putAll(others.byThing);
        return new Comments(all);
    }

    /** The same under other ids. */
    public Comments renamed(Map<String, String> ids) {
        var renamed = new LinkedHashMap<String, SequencedMap<String, Comment>>();
        byThing.forEach((thing, comments) -> renamed.put(ids.getOrDefault(thing, thing), comments));
        return new Comments(renamed);
    }

    /** The comments of two lines of work over those they come from: an edit of either is kept, one of both is joined. */
    public static Comments merge(Comments base, Comments ours, Comments theirs) {
        var things = new LinkedHashSet<>(ours.byThing.keySet());
        things.addAll(theirs.byThing.keySet());
        var merged = new LinkedHashMap<String, SequencedMap<String, Comment>>();
        for (var thing : things) {
            var comments = merge(base.of(thing), ours.of(thing), theirs.of(thing));
            if (!comments.isEmpty()) {
                merged.put(thing, comments);
            }
        }
        return new Comments(merged);
    }

    private static SequencedMap<String, Comment> merge(
            Map<String, Comment> base, SequencedMap<String, Comment> ours, SequencedMap<String, Comment> theirs) {
        var ways = new LinkedHashSet<>(ours.keySet());
        ways.addAll(theirs.keySet());
        var merged = new LinkedHashMap<String, Comment>();
        for (var way : ways) {
            var comment = Comment.merge(
                    base.getOrDefault(way, Comment.NONE),
                    ours.getOrDefault(way, Comment.NONE),
                    theirs.getOrDefault(way, Comment.NONE));
            if (!comment.isEmpty()) {
                merged.put(way, comment);
            }
        }
        return merged;
    }

    /** Gathers comments while files are read. */
    static final class CommentsBuilder {
        private final Map<String, SequencedMap<String, Comment>> byThing = new LinkedHashMap<>();
        private final Map<String, Integer> same = new HashMap<>();

        void add(String thing, String way, Comment comment) {
            if (!comment.isEmpty()) {
                byThing.computeIfAbsent(thing, _ -> new LinkedHashMap<>()).put(way, comment);
            }
        }

        /** The way, told apart from equal ones that came before. */
        String unique(String thing, String way) {
            int times = same.merge(thing + "\n" + way, 1, Integer::sum);
            return times == 1 ? way : way + "~" + times;
        }

        Comments build() {
            return new Comments(byThing);
        }
    }
}

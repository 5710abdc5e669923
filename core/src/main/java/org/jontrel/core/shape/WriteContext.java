package org.jontrel.core.shape;

import java.util.IdentityHashMap;
import java.util.Map;

/**
 * What is known of things beside what they hold, when they are written.
 *
 * @param was earlier keys that files gave, by the id of the thing
 * @param things gets the id of each thing by the very tree it is written as
 */
public record WriteContext(Map<String, String> was, Map<Object, String> things) {
    /** Nothing is known, and nobody asks which tree is which thing. */
    public static final WriteContext PLAIN = new WriteContext(Map.of(), null);

    /** For one file: notes which tree is which thing. */
    public static WriteContext noting(Map<String, String> was) {
        return new WriteContext(was, new IdentityHashMap<>());
    }

    void wrote(String id, Object tree) {
        if (things != null) {
            things.put(tree, id);
        }
    }
}

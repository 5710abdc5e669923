package org.jontrel.core.shape;

import java.util.IdentityHashMap;
import java.util.Map;

/**
 * What is known of things beside what they hold, when they are written.
 *
 * @param was earlier keys that files gave, by the id of the thing
 * @param things gets the id of each thing by the very tree it is written as
 */
public record Writing(Map<String, String> was, Map<Object, String> things) {
    /** Nothing is known, and nobody asks which tree is which thing. */
    public static final Writing PLAIN = new Writing(Map.of(), null);

    /** For one file: notes which tree is which thing. */
    public static Writing noting(Map<String, String> was) {
        return new Writing(was, new IdentityHashMap<>());
    }

    void wrote(String id, Object tree) {
        if (things != null) {
            things.put(tree, id);
        }
    }
}

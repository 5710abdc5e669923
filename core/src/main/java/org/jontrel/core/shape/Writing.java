package org.jontrel.core.shape;

import java.util.Map;

/**
 * What is known of things beside what they hold, when they are written.
 *
 * @param was earlier keys that files gave, by the id of the thing
 */
public record Writing(Map<String, String> was) {
    public static final Writing PLAIN = new Writing(Map.of());
}

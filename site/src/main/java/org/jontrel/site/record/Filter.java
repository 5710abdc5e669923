package org.jontrel.site.record;

import java.util.Optional;

/**
 * Which records a list shows.
 *
 * @param search part of the title, in any case; empty for all
 * @param incomplete only those that do not satisfy their definition
 */
public record Filter(Optional<State> state, String search, boolean incomplete) {
    public static final Filter ALL = new Filter(Optional.empty(), "", false);
    public static final Filter PUBLISHED = new Filter(Optional.of(State.PUBLISHED), "", false);
}

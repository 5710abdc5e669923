package org.jontrel.standalone;

import java.util.List;

/**
 * How the definitions that are served stand to the package.
 *
 * @param packageVersion that was found last; empty where none could be read
 * @param problems sentences that say what keeps the package from being served, or lies beside it unread
 */
record DefinitionsState(PackageState state, String packageVersion, List<String> problems) {
    enum PackageState {
        /** What the package says is what is served. */
        SERVED,
        /** It is being brought to the database; what was there before is served. */
        UNDER_WAY,
        /** It cannot be; what was there before is served. */
        REFUSED
    }

    DefinitionsState {
        problems = List.copyOf(problems);
    }
}

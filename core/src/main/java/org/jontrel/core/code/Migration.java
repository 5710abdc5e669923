package org.jontrel.core.code;

import java.util.List;

/** The decisions that lead to a release from the one before. */
public record Migration(String version, List<Decision> decisions) {
    public Migration {
        decisions = List.copyOf(decisions);
    }
}

package org.jontrel.core.plan;

import java.util.Map;

/** What a run made of a field's values that it did not take over as they were, as its step says. */
record FilledValues(String fill, Map<String, String> corrections) {
    static final FilledValues NOTHING = new FilledValues("", Map.of());
}

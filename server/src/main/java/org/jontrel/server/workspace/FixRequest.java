package org.jontrel.server.workspace;

import jakarta.validation.constraints.NotBlank;
import java.util.List;
import org.jontrel.core.finding.Fix;

record FixRequest(
        @NotBlank String element,
        @NotBlank String property,
        Object value,
        List<String> items,
        String with,
        String word) {
    Fix fix() {
        if (items == null || items.isEmpty()) {
            return new Fix.Set(element, property, value);
        }
        return with == null
                ? new Fix.Remove(element, property, items)
                : new Fix.Replace(element, property, items.getFirst(), with, word == null ? with : word);
    }
}

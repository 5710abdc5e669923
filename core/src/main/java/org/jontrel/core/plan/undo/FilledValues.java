package org.jontrel.core.plan.undo;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.plan.Step;

/** What a run made of a field's values that it did not take over as they were, as its step says. */
record FilledValues(String fill, Map<String, String> corrections) {
    static final FilledValues NOTHING = new FilledValues("", Map.of());

    /** What steps that are done filled and corrected, by record type and field. */
    static Map<String, FilledValues> of(List<Step> done) {
        var fills = new HashMap<String, FilledValues>();
        done.forEach(step -> {
            switch (step) {
                case Step.CopyColumn copy ->
                    fills.put(
                            copy.recordTypeId() + "/" + copy.fieldId(),
                            new FilledValues(copy.fill(), copy.corrections()));
                case Step.CarryBack carry ->
                    fills.put(
                            carry.recordTypeId() + "/" + carry.fieldId(),
                            new FilledValues(carry.fill(), carry.corrections()));
                default -> {}
            }
        });
        return fills;
    }
}

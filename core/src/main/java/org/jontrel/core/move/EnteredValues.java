package org.jontrel.core.move;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What was entered since values went to another form, on its way back to what is held of them.
 *
 * @param held by field id, what is held
 * @param came what was made of that then, taken back
 * @param now what is there now, taken back
 */
public record EnteredValues(Map<String, Object> held, Map<String, Object> came, Map<String, Object> now) {
    /**
     * What is held, with the values of these fields that were changed since. What nobody changed stays as it was spelled; empty
     * where a value would go that the newer form never had, for nothing else has it.
     */
    public Optional<Map<String, Object>> merged(Set<String> fields) {
        var all = new HashMap<>(held);
        var keys = new HashSet<>(held.keySet());
        keys.addAll(now.keySet());
        keys.retainAll(fields);
        for (var key : keys) {
            var own = held.get(key);
            if (ValueShapes.same(came.get(key), now.get(key))) {
                continue;
            }
            if (own != null && (came.get(key) == null || !ValueShapes.alike(own, came.get(key)))) {
                return Optional.empty();
            }
            if (now.containsKey(key)) {
                all.put(key, now.get(key));
            } else {
                all.remove(key);
            }
        }
        return Optional.of(all);
    }
}

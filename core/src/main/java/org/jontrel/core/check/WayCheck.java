package org.jontrel.core.check;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.model.block.ValuePath;
import org.jontrel.core.model.block.ValueText;
import org.jontrel.core.reach.ValueScope;
import org.jontrel.core.reach.ValueStep;

/** Whether the ways to values lead anywhere. */
record WayCheck(DefinitionFindings at, String owner) {
    /** The last step of a way; empty, with a finding, where it leads nowhere. */
    Optional<ValueStep> last(String property, String path, ValueScope from) {
        var scope = Optional.of(from);
        ValueStep last = null;
        for (var word : ValuePath.of(path).steps()) {
            var here = scope;
            var step = here.flatMap(place -> place.byId(word));
            if (step.isEmpty()) {
                unknown(property, path, word, last, here);
                return Optional.empty();
            }
            last = step.get();
            scope = here.get().beyond(last);
        }
        return Optional.ofNullable(last);
    }

    private void unknown(String property, String path, String word, ValueStep last, Optional<ValueScope> here) {
        if (path.isEmpty()) {
            at.add(property, Code.BLOCK_EMPTY, owner, property);
        } else if (here.isEmpty()) {
            at.add(property, Code.WAY_ENDS, owner, path, last.label(), word);
        } else if (path.equals(word)) {
            at.addUnknown(property, property, owner, "field", word, keys(here.get()));
        } else {
            at.add(
                    property,
                    Code.WAY_UNKNOWN,
                    owner,
                    path,
                    word,
                    last == null ? "" : last.label(),
                    Nearest.hint(word, keys(here.get()).keySet()));
        }
    }

    private static Map<String, String> keys(ValueScope scope) {
        var keys = new LinkedHashMap<String, String>();
        scope.steps().forEach(step -> keys.putIfAbsent(step.key(), step.id()));
        scope.around().ifPresent(around -> keys(around).forEach(keys::putIfAbsent));
        return keys;
    }

    /** A text with values within. */
    void text(String property, String text, ValueScope from) {
        new NameCheck(at).prose(property, text);
        ValueText.of(text).paths().forEach(path -> last(property, path, from));
    }
}

package org.jontrel.core.identity;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiPredicate;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Term;
import org.jontrel.core.model.block.Block;

/** What of a definition as it was is not where it was. */
final class Elsewhere {
    private final ContentMatching contents;
    private final Map<String, Object> byId = new HashMap<>();
    private final Map<String, List<Object>> byName = new HashMap<>();

    Elsewhere(ContentMatching contents, Object before) {
        this.contents = contents;
        Things.within(before, thing -> {
            if (!Things.shape(thing).scoped(thing)) {
                byId.putIfAbsent(Identities.idOf(thing), thing);
                name(thing, false)
                        .ifPresent(name -> byName.computeIfAbsent(name, _ -> new ArrayList<>())
                                .add(thing));
            }
        });
    }

    private java.util.Optional<String> name(Object thing, boolean now) {
        return switch (thing) {
            case Field _, Term _ -> ContentMatching.key(thing).map(key -> thing.getClass() + " " + key);
            case Block _ -> java.util.Optional.of(thing.getClass() + " " + contents.of(thing, now));
            default -> java.util.Optional.empty();
        };
    }

    /**
     * The only thing that may be the item as it was, or {@code null}.
     *
     * @param earlier the key that the item says it had before; {@code null} for none
     * @param matchable whether the item may be a thing
     */
    Object find(Object item, String earlier, BiPredicate<Object, Object> matchable) {
        var same = byId.get(Identities.idOf(item));
        if (same != null && same.getClass() == item.getClass()) {
            return same;
        }
        var found = new ArrayList<Object>();
        name(item, true).ifPresent(name -> found.addAll(byName.getOrDefault(name, List.of())));
        if (earlier != null) {
            found.addAll(byName.getOrDefault(item.getClass() + " " + earlier, List.of()));
        }
        found.removeIf(each -> !matchable.test(item, each));
        return found.size() == 1 ? found.getFirst() : null;
    }
}

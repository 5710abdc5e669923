package org.jontrel.core.model;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Everything an architect has defined for a kind of site.
 *
 * <p>Types are held in the order of their keys, so two models with the same definitions are equal. A model may hold
 * mistakes (a draft often does); {@code core.check} says which.
 */
public record Model(List<ContentType> types) {
    public static final Model EMPTY = new Model(List.of());

    public Model {
        types = types.stream()
                .sorted(Comparator.comparing(ContentType::key).thenComparing(ContentType::id))
                .toList();
    }

    public Optional<ContentType> type(String id) {
        return types.stream().filter(type -> type.id().equals(id)).findFirst();
    }

    public Optional<ContentType> typeByKey(String key) {
        return types.stream().filter(type -> type.key().equals(key)).findFirst();
    }

    /** This model with the type added, or put in place of the one with its id. */
    public Model with(ContentType type) {
        var all = new ArrayList<>(without(type.id()).types);
        all.add(type);
        return new Model(all);
    }

    public Model without(String typeId) {
        return new Model(
                types.stream().filter(type -> !type.id().equals(typeId)).toList());
    }
}

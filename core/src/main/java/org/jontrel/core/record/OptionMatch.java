package org.jontrel.core.record;

import java.util.Comparator;
import java.util.Optional;
import org.jontrel.core.model.Kind;

/** Which options of a field become which of another, or of the same field as it will be. */
record OptionMatch(Kind.Choice before, Kind.Choice after) {
    boolean renames() {
        return before.options().stream().anyMatch(option -> !key(option.key()).equals(Optional.of(option.key())));
    }

    /**
     * The key that the option with this key has after, by its id. An option that is gone keeps its key, unless another has
     * taken that: then its records would turn into the other's. Options of two fields that have none in common are the same
     * by their keys and labels.
     */
    Optional<Object> key(String key) {
        if (before.options().stream().noneMatch(option -> after.byId().containsKey(option.id()))) {
            return Optional.of(alike(key));
        }
        var was = before.options().stream()
                .filter(option -> option.key().equals(key))
                .findFirst();
        var is = was.map(option -> after.byId().get(option.id()));
        boolean taken = is.isEmpty()
                && after.options().stream().anyMatch(option -> option.key().equals(key));
        return taken ? Optional.empty() : Optional.of(is.map(Kind.Option::key).orElse(key));
    }

    private String alike(String key) {
        var label = before.options().stream()
                .filter(option -> option.key().equals(key))
                .map(Kind.Option::label)
                .findFirst()
                .orElse(key);
        return after.options().stream()
                .filter(option -> option.key().equals(key) || option.label().equalsIgnoreCase(label))
                .min(Comparator.comparing(option -> !option.key().equals(key)))
                .map(Kind.Option::key)
                .orElse(key);
    }
}

package org.jontrel.core.model;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Everything an architect has defined for a kind of site.
 *
 * <p>Definitions are held by sort, then in the order of their keys, so two models with the same definitions are equal.
 * A model may hold mistakes (a draft often does); {@code core.check} says which.
 */
public record Model(List<? extends Definition> definitions) {
    private static final Comparator<Definition> ORDER = Comparator.comparing(Definition::sort)
            .thenComparing(Definition::key)
            .thenComparing(Definition::id);
    public static final Model EMPTY = new Model(List.of());

    public Model {
        definitions = definitions.stream().sorted(ORDER).toList();
    }

    public List<ContentType> types() {
        return all(ContentType.class);
    }

    /** The definitions of one sort, in the order of their keys. */
    public <D extends Definition> List<D> all(Class<D> sort) {
        return definitions.stream().filter(sort::isInstance).map(sort::cast).toList();
    }

    public Optional<Definition> definition(String id) {
        return definitions.stream()
                .filter(each -> each.id().equals(id))
                .map(Definition.class::cast)
                .findFirst();
    }

    /** A definition of one sort by its id. */
    public <D extends Definition> Optional<D> find(Class<D> sort, String id) {
        return definition(id).filter(sort::isInstance).map(sort::cast);
    }

    public Optional<ContentType> type(String id) {
        return find(ContentType.class, id);
    }

    public Optional<ContentType> typeByKey(String key) {
        return types().stream().filter(type -> type.key().equals(key)).findFirst();
    }

    /** This model with the definition added, or put in place of the one with its id. */
    public Model with(Definition definition) {
        var all = new ArrayList<Definition>(without(definition.id()).definitions);
        all.add(definition);
        return new Model(all);
    }

    public Model without(String id) {
        return new Model(
                definitions.stream().filter(each -> !each.id().equals(id)).toList());
    }
}

package org.jontrel.core.move;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.model.Field;

/** A lookup that knows more than another, and asks that for all else. */
public interface NameLookupOver extends NameLookup {
    NameLookup names();

    @Override
    default Optional<Object> find(Field field, String name, String makes) {
        return names().find(field, name, makes);
    }

    @Override
    default Optional<Object> find(Field field, String name, NamingField by) {
        return names().find(field, name, by);
    }

    @Override
    default Optional<FoundNames> matching(Field field, Collection<String> some) {
        return names().matching(field, some);
    }

    @Override
    default Optional<String> said(Field field, Object reference, NamingField by) {
        return names().said(field, reference, by);
    }

    @Override
    default Optional<Object> find(Field field, List<String> path) {
        return names().find(field, path);
    }

    @Override
    default Optional<Object> make(Field field, List<String> path, String makes) {
        return names().make(field, path, makes);
    }

    @Override
    default boolean canMake(Field field, List<String> path) {
        return names().canMake(field, path);
    }

    @Override
    default List<String> path(Field field, Object reference) {
        return names().path(field, reference);
    }

    @Override
    default Optional<Object> led(Field field, Object reference) {
        return names().led(field, reference);
    }

    @Override
    default Optional<String> name(Field field, Object reference) {
        return names().name(field, reference);
    }
}

package org.jontrel.core.move;

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
    default Optional<Object> make(Field field, String label, String makes) {
        return names().make(field, label, makes);
    }

    @Override
    default boolean canMake(Field field, String name) {
        return names().canMake(field, name);
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

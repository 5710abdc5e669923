package org.jontrel.site.run.retype;

import java.util.Optional;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.move.NameLookupOver;
import org.jontrel.core.value.Link;

/** Names as they are, and links that follow records which become those of another type. */
record LinkedLookup(NameLookup names, RecordHomes homes) implements NameLookupOver {
    @Override
    public Optional<Object> led(Field field, Object reference) {
        if (!(reference instanceof Link link)) {
            return Optional.of(reference);
        }
        return homes.of(link)
                .filter(type -> type.equals(link.type()) || takes(field, type))
                .map(type -> new Link(type, link.id()));
    }

    private static boolean takes(Field field, String type) {
        return field.kind() instanceof Kind.Relation relation
                && (relation.to().isEmpty() || relation.to().contains(type));
    }
}

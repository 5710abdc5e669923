package org.jontrel.core.check;

import java.util.List;
import java.util.Optional;
import org.jontrel.core.model.Field;

/** The fields that can be seen from one place: those beside it, then those around. */
record VisibleFields(List<Field> fields, VisibleFields around) {
    Optional<Field> find(String id) {
        var found = fields.stream().filter(field -> field.id().equals(id)).findFirst();
        return found.isPresent() || around == null ? found : around.find(id);
    }
}

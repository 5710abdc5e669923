package org.jontrel.core.compare;

import java.util.List;
import org.jontrel.core.format.Located;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.GroupUse;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.TaxonomyUse;

/** Whether a thing asks for a value of every record: of those that are there when it is added. */
final class Demands {
    private Demands() {}

    static boolean of(Located at, Model model) {
        return switch (at.thing()) {
            // a new definition has no records yet
            case Definition _ -> false;
            case Field field -> of(field);
            case Group group -> of(group.fields());
            case GroupUse use ->
                model.find(SharedGroup.class, use.group())
                        .map(group -> of(group.fields()))
                        .orElse(false);
            case TaxonomyUse use -> use.required();
            default -> false;
        };
    }

    private static boolean of(List<Field> fields) {
        return fields.stream().anyMatch(Demands::of);
    }

    /** Rows ask for nothing until there is one. */
    private static boolean of(Field field) {
        return field.required() || (field.kind() instanceof Kind.FieldGroup group && of(group.fields()));
    }
}

package org.jontrel.core.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.format.Replacement;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Section;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.model.Taxonomy;

/** A field more in a definition. */
public record AddedField(Field field) {
    /**
     * The model with the field behind those of the definition's first group, or of a field with rows; empty where the definition has
     * neither.
     *
     * @param rows id of the field with rows that gets it; empty for the definition itself
     */
    public Optional<Model> to(Model model, String definitionId, String rows) {
        if (!rows.isEmpty()) {
            return Replacement.in(model, rows, thing -> thing instanceof Field repeater ? within(repeater) : thing);
        }
        return model.definition(definitionId).flatMap(each -> to(model, each));
    }

    private Optional<Model> to(Model model, Definition definition) {
        return switch (definition) {
            case ContentType type -> first(model, type.sections());
            case SiteValues values -> first(model, values.sections());
            case Taxonomy taxonomy -> Optional.of(model.with(taxonomy.withFields(and(taxonomy.fields()))));
            default -> Optional.empty();
        };
    }

    private Optional<Model> first(Model model, List<Section> sections) {
        return Section.own(sections).stream()
                .findFirst()
                .flatMap(first -> Replacement.in(
                        model,
                        first.id(),
                        thing -> thing instanceof Group group ? group.withFields(and(group.fields())) : thing));
    }

    private Field within(Field repeater) {
        return repeater.kind() instanceof Kind.Repeater rows
                ? repeater.withKind(new Kind.Repeater(
                        and(rows.fields()), rows.minRows(), rows.maxRows(), rows.rowName(), rows.shown()))
                : repeater;
    }

    private List<Field> and(List<Field> fields) {
        var all = new ArrayList<>(fields);
        all.add(field);
        return all;
    }
}

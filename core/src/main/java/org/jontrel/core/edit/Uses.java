package org.jontrel.core.edit;

import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.SequencedSet;
import java.util.TreeMap;
import org.jontrel.core.format.Shapes;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.block.ValuePath;
import org.jontrel.core.shape.Mapper;

/** Which definitions refer to which. */
public final class Uses {
    private Uses() {}

    /** For each definition that others refer to: their ids, in the order of the model. */
    public static Map<String, SequencedSet<String>> of(Model model) {
        var uses = new TreeMap<String, SequencedSet<String>>();
        var owners = owners(model);
        for (var definition : model.definitions()) {
            look(definition, target -> {
                var used = owners.getOrDefault(target, definition.id());
                if (!used.equals(definition.id())) {
                    uses.computeIfAbsent(used, _ -> new LinkedHashSet<>()).add(definition.id());
                }
            });
        }
        return uses;
    }

    /** For each thing that layouts, parts, listings and looks name, such as a field: their ids, in the order of the model. */
    public static Map<String, SequencedSet<String>> onPages(Model model) {
        var pages = new TreeMap<String, SequencedSet<String>>();
        model.definitions().stream()
                .filter(Definition::isOfPages)
                .forEach(definition -> look(
                        definition,
                        target -> pages.computeIfAbsent(target, _ -> new LinkedHashSet<>())
                                .add(definition.id())));
        return pages;
    }

    /** The definition that each id means: its own, or that of the relation whose inverse it names. */
    private static Map<String, String> owners(Model model) {
        var owners = new HashMap<String, String>();
        model.definitions().forEach(definition -> owners.put(definition.id(), definition.id()));
        model.types()
                .forEach(type -> Things.fields(type).forEach(field -> {
                    if (field.kind() instanceof Kind.Relation relation && relation.inverse() != null) {
                        owners.putIfAbsent(relation.inverse().id(), type.id());
                    }
                }));
        return owners;
    }

    private static <D extends Definition> void look(D definition, java.util.function.Consumer<String> found) {
        Shapes.of(definition).map(definition, new Mapper() {
            @Override
            public String reference(Mapper.ReferenceTarget target, String word) {
                ValuePath.of(word).steps().forEach(found);
                return word;
            }
        });
    }
}

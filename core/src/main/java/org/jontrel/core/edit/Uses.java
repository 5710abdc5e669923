package org.jontrel.core.edit;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.SequencedSet;
import java.util.TreeMap;
import org.jontrel.core.format.Shapes;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;
import org.jontrel.core.shape.Mapper;

/** Which definitions refer to which. */
public final class Uses {
    private Uses() {}

    /** For each definition that others refer to: their ids, in the order of the model. */
    public static Map<String, SequencedSet<String>> of(Model model) {
        var uses = new TreeMap<String, SequencedSet<String>>();
        var known = new LinkedHashMap<String, Definition>();
        model.definitions().forEach(definition -> known.put(definition.id(), definition));
        for (var definition : model.definitions()) {
            look(definition, target -> {
                if (known.containsKey(target) && !target.equals(definition.id())) {
                    uses.computeIfAbsent(target, _ -> new LinkedHashSet<>()).add(definition.id());
                }
            });
        }
        return uses;
    }

    private static <D extends Definition> void look(D definition, java.util.function.Consumer<String> found) {
        Shapes.of(definition).map(definition, new Mapper() {
            @Override
            public String reference(Mapper.ReferenceTarget target, String word) {
                found.accept(word);
                return word;
            }
        });
    }
}

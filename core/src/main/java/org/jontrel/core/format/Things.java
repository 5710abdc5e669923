package org.jontrel.core.format;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Part;
import org.jontrel.core.model.Section;
import org.jontrel.core.model.TaxonomyUse;
import org.jontrel.core.model.Term;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Property;
import org.jontrel.core.shape.ThingShape;
import org.jontrel.core.work.Deadline;

/** Everything that has an identity, treated alike. */
public final class Things {
    private Things() {}

    /** The shape of a definition, group, field, option, term, block, or of anything else with an identity. */
    @SuppressWarnings("unchecked") // each class has its shape
    public static ThingShape<Object> shape(Object thing) {
        return (ThingShape<Object>)
                switch (thing) {
                    case Definition definition -> Shapes.of(definition.sort());
                    case Section _ -> SectionShape.INSTANCE;
                    case Field _ -> FieldShape.INSTANCE;
                    case Kind.Option _ -> SeveralShapes.OPTION;
                    case Kind.Inverse _ -> SeveralShapes.INVERSE;
                    case Term _ -> TaxonomyShape.TERM;
                    case Block _ -> BlockShape.INSTANCE;
                    case TaxonomyUse _ -> TypePartShapes.USE;
                    case Part _ -> TypeShape.PART;
                    default -> throw new IllegalArgumentException("No thing of a definition: " + thing.getClass());
                };
    }

    /** The properties that a thing has as it stands. */
    public static ObjectShape<Object> of(Object thing) {
        return shape(thing).of(thing);
    }

    /** What tells a thing apart from all others: its id, or its id within its owner. */
    public static String key(Object thing, String ownerKey) {
        var shape = shape(thing);
        return shape.scoped(thing) ? ownerKey + "/" + shape.of(thing).title() + "/" + shape.id(thing) : shape.id(thing);
    }

    /** The things in one slot; none where the thing has no such slot. */
    public static List<Object> items(Object thing, String slotName) {
        for (var property : of(thing).properties()) {
            if (property.name().equals(slotName) && property.slot() != null) {
                return items(property, thing);
            }
        }
        return List.of();
    }

    /** What a property holds of things, in order; none where it holds none. */
    @SuppressWarnings("unchecked") // whatever is in a slot is an object
    public static <V> List<Object> items(Property<Object, V> property, Object thing) {
        var slot = property.slot();
        return slot == null
                ? List.of()
                : (List<Object>) slot.items(property.getter().apply(thing));
    }

    /** Visits everything within a thing, each before what it holds. */
    public static void within(Object thing, Consumer<Object> visit) {
        Deadline.check();
        for (var property : of(thing).properties()) {
            for (var item : items(property, thing)) {
                visit.accept(item);
                within(item, visit);
            }
        }
    }

    /** All fields within a definition, also those within fields. */
    public static List<Field> fields(Object definition) {
        var fields = new ArrayList<Field>();
        within(definition, thing -> {
            if (thing instanceof Field field) {
                fields.add(field);
            }
        });
        return fields;
    }
}

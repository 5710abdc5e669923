package org.jontrel.core.format;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import org.jontrel.core.model.ChoiceList;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.shape.Composites;
import org.jontrel.core.shape.Node;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Property;
import org.jontrel.core.shape.ReadContext;
import org.jontrel.core.shape.Scalars;
import org.jontrel.core.shape.Schemas;
import org.jontrel.core.shape.Sense;
import org.jontrel.core.shape.WriteContext;

/** The shape of each sort of definition. */
public final class Shapes {
    private Shapes() {}

    @SuppressWarnings("unchecked") // each sort has the shape of its class
    public static <D extends Definition> ObjectShape<D> of(D definition) {
        return (ObjectShape<D>) of(definition.sort());
    }

    /** The shape of a sort of definitions. */
    public static ObjectShape<? extends Definition> of(Definition.Sort sort) {
        return switch (sort) {
            case TYPE -> TypeShape.TYPE;
            case TAXONOMY -> TaxonomyShape.TAXONOMY;
            case GROUP -> GROUP;
            case LIST -> LIST;
            case VALUES -> VALUES;
            case LAYOUT -> LayoutShapes.LAYOUT;
            case LISTING -> LayoutShapes.LISTING;
            case PART -> LayoutShapes.PART;
            case LOOK -> LookShape.LOOK;
        };
    }

    private static final ObjectShape<SharedGroup> GROUP = ObjectShape.<SharedGroup>of("shared group")
            .id(SharedGroup::id)
            .key(SharedGroup::key)
            .labelled(SharedGroup::title)
            .required("title", Scalars.TEXT, SharedGroup::title, Sense.WORDING, "The heading over the group's fields.")
            .optional(
                    "description",
                    Scalars.TEXT,
                    SharedGroup::description,
                    "",
                    Sense.WORDING,
                    "A sentence under the heading.")
            .optional(
                    "fields",
                    Composites.things(FieldShape.INSTANCE),
                    SharedGroup::fields,
                    List.of(),
                    Sense.PARTS,
                    "The fields, in order.")
            .build(v ->
                    new SharedGroup(v.get("id"), v.get("key"), v.get("title"), v.get("description"), v.get("fields")));

    private static final ObjectShape<ChoiceList> LIST = ObjectShape.<ChoiceList>of("choice list")
            .id(ChoiceList::id)
            .key(ChoiceList::key)
            .labelled(ChoiceList::title)
            .required(
                    "title", Scalars.TEXT, ChoiceList::title, Sense.WORDING, "The name under which architects find it.")
            .optional("description", Scalars.TEXT, ChoiceList::description, "", Sense.WORDING, "What the list is for.")
            .optional(
                    "options",
                    Composites.things(SeveralShapes.OPTION),
                    ChoiceList::options,
                    List.of(),
                    Sense.PARTS,
                    "The options, in order.")
            .build(v ->
                    new ChoiceList(v.get("id"), v.get("key"), v.get("title"), v.get("description"), v.get("options")));

    private static final ObjectShape<SiteValues> VALUES = ObjectShape.<SiteValues>of("site values")
            .id(SiteValues::id)
            .key(SiteValues::key)
            .labelled(SiteValues::title)
            .required("title", Scalars.TEXT, SiteValues::title, Sense.WORDING, "The heading of their form.")
            .optional(
                    "description", Scalars.TEXT, SiteValues::description, "", Sense.WORDING, "What the values are for.")
            .optional(
                    "groups",
                    Composites.things(SectionShape.INSTANCE),
                    SiteValues::sections,
                    List.of(),
                    Sense.PARTS,
                    "Their groups of fields, in order.")
            .build(v ->
                    new SiteValues(v.get("id"), v.get("key"), v.get("title"), v.get("description"), v.get("groups")));

    /** A condition as it stands in files, but with ids for what it refers to; empty where it is none. */
    public static Optional<Condition> condition(Object tree) {
        return ConditionShape.INSTANCE.read(Node.of(tree), "condition", new ReadContext(new ArrayList<>()));
    }

    /** A group of fields as it stands in files, but with ids for what it refers to; empty where it is none. */
    public static Optional<Group> group(Object tree) {
        return SectionShape.INSTANCE
                .read(Node.of(tree), "group", new ReadContext(new ArrayList<>()))
                .filter(Group.class::isInstance)
                .map(Group.class::cast);
    }

    /** What a property of a kind is for. */
    public record PropertyDescription(String name, String about, Sense sense, Object absent, boolean required) {}

    /** For each kind, its settings and what they are for: the words of the interface's help and of documents. */
    public static SequencedMap<String, List<PropertyDescription>> kinds() {
        var kinds = new LinkedHashMap<String, List<PropertyDescription>>();
        KindShapes.BY_CODE.forEach((code, shape) -> kinds.put(code, about(shape)));
        return kinds;
    }

    /** What all fields have and what it is for. */
    public static List<PropertyDescription> aboutFields() {
        return about(FieldShape.byKind().firstEntry().getValue()).stream()
                .filter(about -> FieldShape.isCommon(about.name()))
                .toList();
    }

    /** What stands within definitions and fields and has settings of its own, by a name for each. */
    public static SequencedMap<String, List<PropertyDescription>> parts() {
        var parts = new LinkedHashMap<String, List<PropertyDescription>>();
        parts.put("index", about(TypePartShapes.INDEX));
        parts.put("nested", about(TypePartShapes.NESTING));
        parts.put("taxonomy_use", about(TypePartShapes.USE));
        parts.put("inverse", about(SeveralShapes.INVERSE));
        parts.put("option", about(SeveralShapes.OPTION));
        return parts;
    }

    /** The properties of a shape and what they are for. */
    public static List<PropertyDescription> about(ObjectShape<?> shape) {
        return shape.properties().stream().map(Shapes::about).toList();
    }

    private static <V> PropertyDescription about(Property<?, V> property) {
        var absent = property.absent() == null ? null : property.shape().write(property.absent(), WriteContext.PLAIN);
        return new PropertyDescription(
                property.name(), property.about(), property.sense(), absent, property.required());
    }

    /** The JSON Schema (2020-12) of a shape, with everything it refers to in {@code $defs}. */
    public static SequencedMap<String, Object> schema(ObjectShape<?> shape) {
        var schemas = Schemas.ofFiles();
        var schema = new LinkedHashMap<String, Object>();
        schema.put("$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.putAll(shape.schemaOfProperties(schemas));
        if (!schemas.byName().isEmpty()) {
            schema.put("$defs", schemas.byName());
        }
        return Schemas.ordered(schema);
    }

    /** The schema of a sort of definitions and of what it refers to, by names that stand behind {@code prefix}. */
    public static Map<String, Object> schema(Definition.Sort sort, Schemas schemas) {
        return of(sort).schemaOfProperties(schemas);
    }
}

package org.jontrel.core.format;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.GroupUse;
import org.jontrel.core.model.Section;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.shape.Composites;
import org.jontrel.core.shape.Mapper;
import org.jontrel.core.shape.Node;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.ReadContext;
import org.jontrel.core.shape.Scalars;
import org.jontrel.core.shape.Schemas;
import org.jontrel.core.shape.Sense;
import org.jontrel.core.shape.ThingShape;
import org.jontrel.core.shape.WriteContext;

/** A group of fields where it is filled in: {@code title} begins an own one, {@code use} names a shared one. */
final class SectionShape implements ThingShape<Section> {
    static final SectionShape INSTANCE = new SectionShape();

    private static final ObjectShape<Section> OWN = ObjectShape.<Section>of("group")
            .named("group")
            .id(section -> ((Group) section).id())
            .labelled(section -> ((Group) section).title())
            .required(
                    "title",
                    Scalars.TEXT,
                    section -> ((Group) section).title(),
                    Sense.WORDING,
                    "The heading over the group's fields.")
            .optional(
                    "description",
                    Scalars.TEXT,
                    section -> ((Group) section).description(),
                    "",
                    Sense.WORDING,
                    "A sentence under the heading.")
            .optional(
                    "show_when",
                    ConditionShape.INSTANCE,
                    Section::showWhen,
                    Condition.ALWAYS,
                    Sense.BEHAVIOUR,
                    "The condition under which editors see it.")
            .optional(
                    "fields",
                    Composites.things(FieldShape.INSTANCE),
                    section -> ((Group) section).fields(),
                    List.of(),
                    Sense.PARTS,
                    "The fields, in order.")
            .build(v ->
                    new Group(v.get("id"), v.get("title"), v.get("description"), v.get("fields"), v.get("show_when")));

    private static final ObjectShape<Section> USE = ObjectShape.<Section>of("shared group in use")
            .named("group_use")
            .identity(section -> ((GroupUse) section).group(), true)
            .labelled(section -> ((GroupUse) section).group())
            .required(
                    "use",
                    Scalars.reference(Mapper.ReferenceTarget.GROUP),
                    section -> ((GroupUse) section).group(),
                    Sense.IDENTITY,
                    "The shared group that stands here.")
            .optional(
                    "show_when",
                    ConditionShape.INSTANCE,
                    Section::showWhen,
                    Condition.ALWAYS,
                    Sense.BEHAVIOUR,
                    "The condition under which editors see it.")
            .build(v -> new GroupUse(v.get("use"), v.get("show_when")));

    private SectionShape() {}

    @Override
    public ObjectShape<Section> of(Section section) {
        return switch (section) {
            case Group _ -> OWN;
            case GroupUse _ -> USE;
        };
    }

    @Override
    public String id(Section section) {
        return of(section).id(section);
    }

    @Override
    public String label(Section section) {
        return of(section).label(section);
    }

    @Override
    public boolean scoped(Section section) {
        return section instanceof GroupUse;
    }

    @Override
    public Optional<Section> read(Node node, String name, ReadContext reading) {
        if (!(node instanceof Node.Mapping mapping)) {
            reading.add(Code.VALUE_WRONG_SHAPE, node, name, "a set of properties", node.described());
            return Optional.empty();
        }
        var entries = ObjectShape.entries(mapping, reading);
        return (entries.containsKey("use") ? USE : OWN).read(mapping, entries, reading);
    }

    @Override
    public Object write(Section section, WriteContext to) {
        return of(section).write(section, to);
    }

    @Override
    public Section map(Section section, Mapper mapper) {
        return of(section).map(section, mapper);
    }

    @Override
    public Map<String, Object> schema(Schemas schemas) {
        var uses = new LinkedHashMap<String, Map<String, Object>>();
        uses.put("use", USE.schema(schemas));
        return schemas.byProperty(uses, OWN.schema(schemas));
    }
}

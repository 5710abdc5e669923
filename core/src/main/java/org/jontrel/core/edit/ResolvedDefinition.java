package org.jontrel.core.edit;

import java.util.List;
import org.jontrel.core.model.ChoiceList;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.GroupUse;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Section;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.model.Taxonomy;

/** What a definition's form is made of, with everything it refers to in its place. */
public final class ResolvedDefinition {
    private final Model model;

    public ResolvedDefinition(Model model) {
        this.model = model;
    }

    /** The groups to fill in, shared ones in the places where they are used; none for what has no form. */
    public List<Group> groups(Definition definition) {
        return switch (definition) {
            case ContentType type -> groups(type.sections());
            case SiteValues values -> groups(values.sections());
            case SharedGroup group ->
                List.of(own(new Group(group.id(), group.title(), group.description(), group.fields())));
            case Taxonomy taxonomy -> {
                var first = new Group("terms", taxonomy.singular(), "", taxonomy.fields());
                var groups = new java.util.ArrayList<Group>();
                if (!taxonomy.fields().isEmpty()) {
                    groups.add(own(first));
                }
                groups.addAll(groups(taxonomy.sections()));
                yield groups;
            }
            default -> List.of();
        };
    }

    private List<Group> groups(List<Section> sections) {
        return sections.stream()
                .flatMap(section -> switch (section) {
                    case Group group -> java.util.stream.Stream.of(own(group));
                    case GroupUse use ->
                        model.find(SharedGroup.class, use.group()).stream()
                                .map(shared -> own(new Group(
                                        shared.id(),
                                        shared.title(),
                                        shared.description(),
                                        shared.fields(),
                                        use.showWhen())));
                })
                .toList();
    }

    private Group own(Group group) {
        return group.withFields(group.fields().stream().map(this::own).toList());
    }

    /** Fields with the options of their list. */
    private Field own(Field field) {
        return switch (field.kind()) {
            case Kind.Choice choice
            when !choice.list().isEmpty() ->
                field.withKind(new Kind.Choice(
                        model.find(ChoiceList.class, choice.list())
                                .map(ChoiceList::options)
                                .orElse(List.of()),
                        "",
                        choice.amount(),
                        choice.shown()));
            case Kind.FieldGroup(List<Field> fields) ->
                field.withKind(
                        new Kind.FieldGroup(fields.stream().map(this::own).toList()));
            case Kind.Repeater rows ->
                field.withKind(new Kind.Repeater(
                        rows.fields().stream().map(this::own).toList(),
                        rows.minRows(),
                        rows.maxRows(),
                        rows.rowName(),
                        rows.shown()));
            case Kind.Plain _, Kind.Reference _, Kind.Note _ -> field;
        };
    }
}

package org.jontrel.core.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.GroupUse;
import org.jontrel.core.model.Ids;
import org.jontrel.core.model.Keys;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Section;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.model.Taxonomy;

/** Groups made shared, and shared ones made a definition's own again. Fields keep their ids, and so their values. */
public final class Regroup {
    private final Ids ids;

    public Regroup(Ids ids) {
        this.ids = ids;
    }

    /** The model with a group of a definition's own as a shared one that it uses; empty where it has no such group. */
    public Optional<Model> share(Model model, String ownerId, String groupId) {
        var owner = model.definition(ownerId);
        var group = owner.stream()
                .flatMap(each -> Section.own(sections(each)).stream())
                .filter(each -> each.id().equals(groupId))
                .findFirst();
        return group.map(own -> {
            var keys =
                    model.all(SharedGroup.class).stream().map(SharedGroup::key).collect(Collectors.toSet());
            var shared = new SharedGroup(
                    ids.next('g'),
                    Keys.free(Keys.fromLabel(own.title()), keys),
                    own.title(),
                    own.description(),
                    own.fields());
            var use = new GroupUse(shared.id(), own.showWhen());
            return model.with(shared).with(replaced(owner.get(), section -> section.equals(own) ? use : section));
        });
    }

    /**
     * The model with a shared group as the definition's own: with the fields themselves where nobody else uses it (it
     * is gone then), else with copies.
     */
    public Optional<Model> own(Model model, String ownerId, String sharedId) {
        var owner = model.definition(ownerId);
        var shared = model.find(SharedGroup.class, sharedId);
        boolean uses = owner.stream()
                .flatMap(each -> Section.uses(sections(each)).stream())
                .anyMatch(use -> use.group().equals(sharedId));
        if (!uses || shared.isEmpty()) {
            return Optional.empty();
        }
        boolean alone = Uses.of(model).get(sharedId).size() == 1;
        var group = new Group(
                ids.next('g'),
                shared.get().title(),
                shared.get().description(),
                shared.get().fields());
        var own = alone ? group : new Copies(ids).group(group);
        var changed = model.with(replaced(
                owner.get(),
                section -> section instanceof GroupUse use && use.group().equals(sharedId)
                        ? new Group(own.id(), own.title(), own.description(), own.fields(), use.showWhen())
                        : section));
        return Optional.of(alone ? changed.without(sharedId) : changed);
    }

    private static List<Section> sections(Definition definition) {
        return switch (definition) {
            case ContentType type -> type.sections();
            case Taxonomy taxonomy -> taxonomy.sections();
            case SiteValues values -> values.sections();
            default -> List.of();
        };
    }

    private static Definition replaced(Definition definition, UnaryOperator<Section> change) {
        var sections = new ArrayList<Section>();
        sections(definition).forEach(section -> sections.add(change.apply(section)));
        return switch (definition) {
            case ContentType type -> type.withSections(sections);
            case Taxonomy taxonomy -> taxonomy.withSections(sections);
            case SiteValues values ->
                new SiteValues(values.id(), values.key(), values.title(), values.description(), sections);
            default -> definition;
        };
    }
}

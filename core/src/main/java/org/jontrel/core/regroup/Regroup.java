package org.jontrel.core.regroup;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.edit.Copies;
import org.jontrel.core.edit.Uses;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.GroupUse;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Section;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.naming.Keys;

/** Groups made shared, and shared ones made a definition's own again. Fields keep their ids, and so their values. */
public final class Regroup {
    private final Ids ids;

    public Regroup(Ids ids) {
        this.ids = ids;
    }

    /**
     * The model with a group of a definition's own as a shared one that it uses; empty where it has no such group. Fields that
     * no shared group can have, such as a relation with a name at the other end, stay behind in the definition's own group;
     * where all of them are such, the shared group has them and the model says why it cannot be released.
     */
    public Optional<Model> share(Model model, String ownerId, String groupId) {
        return model.definition(ownerId)
                .flatMap(owner -> Section.own(sections(owner)).stream()
                        .filter(each -> each.id().equals(groupId))
                        .findFirst()
                        .map(group -> share(model, owner, group)));
    }

    private Model share(Model model, Definition owner, Group group) {
        var keys = model.all(SharedGroup.class).stream().map(SharedGroup::key).collect(Collectors.toSet());
        var shared = new SharedGroup(
                ids.next('g'),
                Keys.free(Keys.fromLabel(group.title()), keys),
                group.title(),
                group.description(),
                group.fields());
        var whole = share(model, owner, group, shared, Set.of());
        var staying = new HashSet<String>();
        var changed = whole;
        while (true) {
            var bound = bound(group, ModelCheck.newBlockers(model, changed));
            if (!staying.addAll(bound)) {
                return changed;
            }
            if (staying.size() == group.fields().size()) {
                return whole;
            }
            changed = share(model, owner, group, shared, staying);
        }
    }

    private static Model share(Model model, Definition owner, Group group, SharedGroup shared, Set<String> staying) {
        var own = group.withFields(group.fields().stream()
                .filter(field -> staying.contains(field.id()))
                .toList());
        var moving = group.fields().stream()
                .filter(field -> !staying.contains(field.id()))
                .toList();
        var use = new GroupUse(shared.id(), group.showWhen());
        List<Section> parts = own.fields().isEmpty() ? List.of(use) : List.of(use, own);
        return model.with(new SharedGroup(shared.id(), shared.key(), shared.title(), shared.description(), moving))
                .with(replaced(owner, section -> section.equals(group) ? parts : List.<Section>of(section)));
    }

    /** Ids of the fields of a group that findings are about, also where they are about something within one. */
    private static Set<String> bound(Group group, List<Finding> findings) {
        var found = findings.stream().map(finding -> finding.place().field()).collect(Collectors.toSet());
        return group.fields().stream()
                .filter(field -> field.withInner().map(Field::id).anyMatch(found::contains))
                .map(Field::id)
                .collect(Collectors.toSet());
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
                section -> List.of(
                        section instanceof GroupUse use && use.group().equals(sharedId)
                                ? new Group(own.id(), own.title(), own.description(), own.fields(), use.showWhen())
                                : section)));
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

    private static Definition replaced(Definition definition, Function<Section, List<? extends Section>> change) {
        List<Section> sections = sections(definition).stream()
                .<Section>flatMap(section -> change.apply(section).stream())
                .toList();
        return switch (definition) {
            case ContentType type -> type.withSections(sections);
            case Taxonomy taxonomy -> taxonomy.withSections(sections);
            case SiteValues values ->
                new SiteValues(values.id(), values.key(), values.title(), values.description(), sections);
            default -> definition;
        };
    }
}

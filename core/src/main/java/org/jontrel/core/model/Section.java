package org.jontrel.core.model;

import java.util.List;
import org.jontrel.core.model.condition.Condition;

/** A group of fields where it is filled in: a type's own, or a shared one in use. */
public sealed interface Section permits Group, GroupUse {
    /** When editors see it; {@link Condition#ALWAYS} for always. */
    Condition showWhen();

    /** The own groups among sections. */
    static List<Group> own(List<Section> sections) {
        return sections.stream()
                .filter(Group.class::isInstance)
                .map(Group.class::cast)
                .toList();
    }

    /** The uses of shared groups among sections. */
    static List<GroupUse> uses(List<Section> sections) {
        return sections.stream()
                .filter(GroupUse.class::isInstance)
                .map(GroupUse.class::cast)
                .toList();
    }
}

package org.jontrel.core.page;

import java.util.HashSet;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.recordtype.RecordType;

/** What decides which fields of a record are shown. */
final class ShowConditions {
    private ShowConditions() {}

    /** Whether conditions hide fields of it. */
    static boolean hides(RecordType recordType) {
        return recordType.groups().stream().anyMatch(group -> !group.showWhen().equals(Condition.ALWAYS))
                || recordType.byId().values().stream()
                        .anyMatch(field -> !field.showWhen().equals(Condition.ALWAYS));
    }

    /** Ids of the taxonomies whose terms its records may have, anywhere in them. */
    static Set<String> taxonomies(RecordType recordType) {
        return recordType.byId().values().stream()
                .map(Field::kind)
                .filter(Kind.TermPick.class::isInstance)
                .map(kind -> ((Kind.TermPick) kind).taxonomy())
                .collect(Collectors.toSet());
    }

    /** Ids of fields and taxonomies that its conditions compare. */
    static Set<String> compared(RecordType recordType) {
        var compared = new HashSet<String>();
        recordType.groups().stream().map(Group::showWhen).forEach(each -> add(each, compared));
        recordType.byId().values().stream().map(Field::showWhen).forEach(each -> add(each, compared));
        return compared;
    }

    /** Notes what a condition compares. */
    static void add(Condition condition, Set<String> compared) {
        condition.all().forEach(each -> {
            switch (each) {
                case Condition.FieldIs is -> compared.add(is.field());
                case Condition.TermIs is -> compared.add(is.taxonomy());
                case Condition.ParentIs _,
                        Condition.StateIs _,
                        Condition.AddressIs _,
                        Condition.All _,
                        Condition.Any _,
                        Condition.Not _ -> {}
            }
        });
    }
}

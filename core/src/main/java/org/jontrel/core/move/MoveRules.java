package org.jontrel.core.move;

import java.util.Optional;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.RecordType;

/** Which values can come to which fields. */
public final class MoveRules {
    private MoveRules() {}

    /** Whether a rule takes values from one kind to the other, at least some of them. */
    public static boolean carries(Field from, Field to) {
        if (!from.inner().isEmpty() || !to.inner().isEmpty()) {
            return from.kind() instanceof Kind.Nested && to.kind() instanceof Kind.Nested
                    || to.kind() instanceof Kind.Nested
                            && heir(to).filter(each -> carries(from, each)).isPresent()
                    || from.kind() instanceof Kind.Nested
                            && heir(from).filter(each -> carries(each, to)).isPresent();
        }
        if (bothWays(from.kind()) || bothWays(to.kind())) {
            // such a link is kept once for both records: it stays with its field
            return bothWays(from.kind()) && bothWays(to.kind()) && from.id().equals(to.id());
        }
        if (Kind.same(from.kind(), to.kind())) {
            return from.kind().holdsValue();
        }
        return says(from.kind()) && (says(to.kind()) || leads(to.kind()))
                || leads(from.kind()) && (leads(to.kind()) || joins(to.kind()) || to.kind() instanceof Kind.Choice);
    }

    private static boolean bothWays(Kind kind) {
        return kind instanceof Kind.Relation relation && relation.symmetric();
    }

    /** Whether values are something that can be written down. */
    private static boolean says(Kind kind) {
        return kind instanceof Kind.Plain;
    }

    private static boolean leads(Kind kind) {
        return kind instanceof Kind.Relation || kind instanceof Kind.TermPick;
    }

    /** Whether several texts can become one of this kind. */
    public static boolean joins(Kind kind) {
        return kind instanceof Kind.Text || kind instanceof Kind.LongText;
    }

    /** The field within a group or rows that a single value goes to, and comes from: the first that holds one. */
    public static Optional<Field> heir(Field nested) {
        return nested.inner().stream()
                .filter(each -> each.inner().isEmpty() && each.kind().holdsValue())
                .findFirst();
    }

    /** The field within a group that has the same key and is of a kind that can go over. */
    static Optional<Field> alike(Field group, Field field) {
        return group.inner().stream()
                .filter(each -> each.key().equals(field.key()) && carries(each, field))
                .findFirst();
    }

    /** Whether some field of a group can come to one of the same key in rows. */
    public static boolean shares(Field group, Field rows) {
        return rows.inner().stream().anyMatch(each -> alike(group, each).isPresent());
    }

    /** The field whose values become those of a leaf: itself, or what a group or rows held in one value. */
    public static Optional<Field> origin(RecordType was, RecordType is, Field field) {
        var same = was.field(field.id());
        if (same.isPresent()) {
            return same.get().inner().isEmpty()
                    ? same.filter(each -> each.kind().holdsValue())
                    : heir(same.get());
        }
        return is.byId().values().stream()
                .filter(each -> heir(each).filter(field::equals).isPresent())
                .findFirst()
                .flatMap(around -> was.field(around.id()))
                .filter(before -> before.inner().isEmpty() && before.kind().holdsValue());
    }

    /** The rows that became the group in which the field stands now. */
    public static Optional<Field> turned(RecordType was, RecordType is, Field before, Field field) {
        return was.byId().values().stream()
                .filter(MovedScope::isRows)
                .filter(rows -> rows.inner().contains(before)
                        && is.field(rows.id())
                                .filter(now -> now.kind() instanceof Kind.FieldGroup
                                        && now.inner().contains(field))
                                .isPresent())
                .findFirst();
    }
}

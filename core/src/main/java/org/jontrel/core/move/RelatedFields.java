package org.jontrel.core.move;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;

/**
 * Fields of the records that a record leads to, or that lead to it, seen as if they were its own: so that a new field can take
 * their values. Their keys are {@code keeper.phone}: the key of the relation, or of its inverse, and that of the field.
 */
public final class RelatedFields {
    private static final String THERE = ">";
    private static final String BACK = "<";

    private RelatedFields() {}

    /**
     * One of them.
     *
     * @param holder id of the type whose records hold the relation
     * @param other the type at the other end
     * @param back whether the other records hold the relation
     */
    public record RelatedField(String holder, Field relation, RecordType other, Field field, boolean back) {
        /** The id that it is seen under. */
        public String id() {
            return relation.id() + (back ? BACK : THERE) + field.id();
        }

        private String key() {
            var kind = (Kind.Relation) relation.kind();
            return (back ? kind.inverse().key() : relation.key()) + "." + field.key();
        }

        private Field seen() {
            return new Field(id(), key(), field.label(), "", false, field.kind());
        }
    }

    /** Whether an id is that of such a field. */
    public static boolean is(String fieldId) {
        return fieldId.contains(THERE) || fieldId.contains(BACK);
    }

    /**
     * A record type with the fields at the other ends of relations that go, and those that are named.
     *
     * @param to the model without those that go
     * @param named keys that answers name
     */
    public static RecordType seen(RecordType was, Model from, Model to, Collection<String> named) {
        return seen(was, from, each -> goes(each, to) || named.contains(each.key()));
    }

    /** A record type with those of its own fields' ids that are such. */
    public static RecordType seen(RecordType was, Model from, Collection<String> ids) {
        return ids.stream().noneMatch(RelatedFields::is) ? was : seen(was, from, each -> ids.contains(each.id()));
    }

    private static RecordType seen(RecordType was, Model from, Predicate<RelatedField> wanted) {
        var more = of(was, from).filter(wanted).map(RelatedField::seen).toList();
        if (more.isEmpty()) {
            return was;
        }
        var fields = new ArrayList<>(was.fields().toList());
        fields.addAll(more);
        return RecordType.of(was.definition(), fields);
    }

    private static boolean goes(RelatedField related, Model to) {
        return to.definition(related.other().id())
                .flatMap(each -> RecordType.of(to, each))
                .flatMap(each -> each.field(related.field().id()))
                .isEmpty();
    }

    /** Those of these ids. */
    public static List<RelatedField> of(RecordType was, Model from, Collection<String> ids) {
        return ids.stream().noneMatch(RelatedFields::is)
                ? List.of()
                : of(was, from).filter(each -> ids.contains(each.id())).toList();
    }

    private static Stream<RelatedField> of(RecordType was, Model from) {
        if (!(was.definition() instanceof ContentType)) {
            return Stream.empty();
        }
        var types = RecordType.all(from).stream()
                .filter(each -> each.definition() instanceof ContentType)
                .toList();
        var there = relations(was)
                .flatMap(relation -> types.stream()
                        .filter(other -> leads(relation, other))
                        .flatMap(other ->
                                fields(other).map(field -> new RelatedField(was.id(), relation, other, field, false))));
        var back = types.stream()
                .flatMap(other -> relations(other)
                        .filter(relation ->
                                leads(relation, was) && inverse(relation).isPresent())
                        .flatMap(relation -> fields(other)
                                .map(field -> new RelatedField(other.id(), relation, other, field, true))));
        return Stream.concat(there, back);
    }

    private static Optional<Kind.Inverse> inverse(Field relation) {
        return Optional.ofNullable(((Kind.Relation) relation.kind()).inverse());
    }

    private static Stream<Field> relations(RecordType recordType) {
        return own(recordType).filter(each -> each.kind() instanceof Kind.Relation relation && !relation.symmetric());
    }

    private static boolean leads(Field relation, RecordType to) {
        return ((Kind.Relation) relation.kind()).to().contains(to.id());
    }

    /** Pictures and files stay with the records that use them. */
    private static Stream<Field> fields(RecordType recordType) {
        return own(recordType)
                .filter(each -> !(each.kind() instanceof Kind.Image) && !(each.kind() instanceof Kind.File))
                .filter(each -> !(each.kind() instanceof Kind.Relation relation) || !relation.symmetric());
    }

    private static Stream<Field> own(RecordType recordType) {
        return recordType.byId().values().stream()
                .filter(each -> recordType.home(each.id()).table().isEmpty())
                .filter(each -> each.inner().isEmpty() && FieldStorage.of(each.kind()) != FieldStorage.NOT);
    }
}

package org.jontrel.core.generated;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.format.Replacement;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.jontrel.core.model.condition.Condition;

/** Rows, a group or some fields of a type become a type of their own, with a relation between both. */
final class Parting {
    private final Draw draw;

    Parting(Draw draw) {
        this.draw = draw;
    }

    /** With rows or a group in some type. */
    Optional<Model> nest(Model model, Kinds kinds) {
        var groups =
                model.types().stream().flatMap(each -> each.groups().stream()).toList();
        if (groups.isEmpty()) {
            return Optional.empty();
        }
        var group = draw.of(groups);
        var inner = kinds.fields(4, 1, false);
        var kind = draw.once(3)
                ? new Kind.FieldGroup(inner)
                : new Kind.Repeater(inner, null, null, "", Kind.Repeater.RowStyle.CARDS);
        var mine = new ArrayList<>(group.fields());
        mine.add(new Field(draw.id('f'), "field_" + draw.fresh(), draw.text(), "", false, kind));
        return Replacement.in(model, group.id(), _ -> group.withFields(mine));
    }

    Optional<Model> part(Model model) {
        boolean own = draw.once(4);
        var places = new ArrayList<PartedFields>();
        for (var type : model.types()) {
            for (var group : type.groups()) {
                group.fields().stream()
                        .filter(each -> each.kind() instanceof Kind.Nested)
                        .filter(_ -> !own)
                        .forEach(each -> places.add(new PartedFields(type, group, List.of(each), each.inner())));
                if (own && !group.fields().isEmpty()) {
                    places.add(new PartedFields(type, group, group.fields(), group.fields()));
                }
            }
        }
        return places.isEmpty() ? Optional.empty() : parted(model, draw.of(places));
    }

    /**
     * What becomes a type.
     *
     * @param gone the fields that go
     * @param fields what their records have
     */
    private record PartedFields(ContentType type, Group group, List<Field> gone, List<Field> fields) {}

    private Optional<Model> parted(Model model, PartedFields place) {
        var type = place.type();
        var group = place.group();
        var gone = place.gone();
        var fields = place.fields();
        int n = draw.fresh();
        var id = draw.id('t');
        var mine = new ArrayList<>(group.fields());
        int at = mine.indexOf(gone.getFirst());
        mine.removeAll(gone);
        var theirs = new ArrayList<>(fields.stream()
                .filter(each -> !(each.kind() instanceof Kind.Relation relation) || !relation.symmetric())
                .map(this::copied)
                .toList());
        boolean rows = gone.getFirst().kind() instanceof Kind.Repeater;
        if (draw.chance()) {
            mine.add(at, link(id, rows ? new Kind.Amount(true, null, null) : Kind.Amount.ONE, null));
        } else {
            theirs.add(link(type.id(), Kind.Amount.ONE, inverse(rows)));
        }
        var made = new ContentType(
                id,
                "type_" + n,
                draw.text(),
                draw.text(),
                "",
                "",
                "path-" + n,
                Map.of(),
                List.of(Part.TITLE),
                List.of(new Group(draw.id('g'), draw.text(), "", theirs)));
        return Replacement.in(model, group.id(), _ -> group.withFields(mine)).map(each -> each.with(made));
    }

    private Kind.Inverse inverse(boolean many) {
        return new Kind.Inverse(draw.id('i'), "inverse_" + draw.fresh(), draw.text(), many, draw.chance());
    }

    private Field link(String to, Kind.Amount amount, Kind.Inverse inverse) {
        return new Field(
                draw.id('f'),
                "field_" + draw.fresh(),
                draw.text(),
                "",
                false,
                new Kind.Relation(Set.of(to), amount, draw.chance(), false, inverse));
    }

    /** The same under another id, without what names other fields. */
    Field copied(Field field) {
        var inner = field.inner().stream().map(this::copied).toList();
        var kind =
                switch (field.kind()) {
                    case Kind.FieldGroup _ -> new Kind.FieldGroup(inner);
                    case Kind.Repeater rows ->
                        new Kind.Repeater(inner, rows.minRows(), rows.maxRows(), "", rows.shown());
                    case Kind.Relation relation ->
                        new Kind.Relation(relation.to(), relation.amount(), relation.ordered(), false, null);
                    case Kind.Plain _, Kind.Reference _, Kind.Note _ -> field.kind();
                };
        return field.withId(draw.id('f'))
                .withShowWhen(Condition.ALWAYS)
                .withFallback("")
                .withKind(kind);
    }
}

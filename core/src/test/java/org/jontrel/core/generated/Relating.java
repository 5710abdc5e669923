package org.jontrel.core.generated;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.format.Replacement;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;

/** A field goes from one type to another, over a relation between both. */
final class Relating {
    private final Draw draw;

    Relating(Draw draw) {
        this.draw = draw;
    }

    /** A model with such a relation, and what it becomes. */
    Optional<Retyping.SplitModels> related(Model model) {
        var types =
                model.types().stream().filter(each -> !each.groups().isEmpty()).toList();
        if (types.isEmpty()) {
            return Optional.empty();
        }
        var from = draw.of(types);
        var to = draw.of(types);
        var fields = from.groups().stream()
                .flatMap(each -> each.fields().stream())
                .filter(each -> each.kind() instanceof Kind.Plain)
                .toList();
        if (fields.isEmpty() || from.id().equals(to.id())) {
            return Optional.empty();
        }
        var field = draw.of(fields);
        boolean there = draw.chance();
        // the type that holds the relation, and the one that it leads to
        var holder = there ? to : from;
        var target = there ? from : to;
        var before = with(model, holder, relation(target));
        var moved = new Field(draw.id('f'), field.key(), draw.text(), "", false, field.kind());
        return before.flatMap(each ->
                with(without(each, from, field), to, moved).map(after -> new Retyping.SplitModels(each, after)));
    }

    private Field relation(ContentType target) {
        var inverse = new Kind.Inverse(draw.id('i'), "inverse_" + draw.fresh(), draw.text(), true, draw.chance());
        var amount = draw.chance() ? Kind.Amount.ONE : new Kind.Amount(true, null, null);
        return new Field(
                draw.id('f'),
                "field_" + draw.fresh(),
                draw.text(),
                "",
                false,
                new Kind.Relation(Set.of(target.id()), amount, draw.chance(), false, inverse));
    }

    private static Optional<Model> with(Model model, ContentType type, Field field) {
        var group = model.types().stream()
                .filter(each -> each.id().equals(type.id()))
                .flatMap(each -> each.groups().stream())
                .findFirst()
                .orElseThrow();
        var fields = new ArrayList<>(group.fields());
        fields.add(field);
        return Replacement.in(model, group.id(), _ -> group.withFields(fields));
    }

    private static Model without(Model model, ContentType type, Field field) {
        var now = model;
        for (var group : type.groups()) {
            var present = model.types().stream()
                    .flatMap(each -> each.groups().stream())
                    .filter(each -> each.id().equals(group.id()))
                    .findFirst()
                    .orElse(group);
            List<Field> fields = new ArrayList<>(present.fields());
            if (fields.removeIf(each -> each.id().equals(field.id()))) {
                now = Replacement.in(now, group.id(), _ -> present.withFields(fields))
                        .orElse(now);
            }
        }
        return now;
    }
}

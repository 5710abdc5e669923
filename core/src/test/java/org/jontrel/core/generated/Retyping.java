package org.jontrel.core.generated;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.format.Replacement;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Head;
import org.jontrel.core.model.Index;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Nesting;
import org.jontrel.core.model.Section;

/** Some records of a type become those of a new one, with fields of the same keys; or the other way round. */
final class Retyping {
    private final Draw draw;

    Retyping(Draw draw) {
        this.draw = draw;
    }

    /** A model and what it becomes. */
    record SplitModels(Model before, Model after) {}

    /** A model, and one that has a new type for those records of another in which a field with its key says yes. */
    Optional<SplitModels> split(Model model) {
        var types =
                model.types().stream().filter(each -> !each.groups().isEmpty()).toList();
        if (types.isEmpty()) {
            return Optional.empty();
        }
        var type = draw.of(types);
        int n = draw.fresh();
        var id = draw.id('t');
        var key = "type_" + n;
        var group = type.groups().getFirst();
        var mine = new ArrayList<>(group.fields());
        mine.add(new Field(draw.id('f'), key, draw.text(), "", false, Kind.YesNo.PLAIN));
        var before = Replacement.in(model, group.id(), _ -> group.withFields(mine));
        return before.map(each -> {
            var now = each.types().stream()
                    .filter(one -> one.id().equals(type.id()))
                    .findFirst()
                    .orElseThrow();
            return new SplitModels(each, led(each, now.id(), id).with(made(now, id, key, "path-" + n)));
        });
    }

    /** With relations and nestings that allow the new type where they allow the other, or not. */
    private Model led(Model model, String type, String id) {
        var now = model;
        for (var definition : model.definitions()) {
            for (var field : Things.fields(definition)) {
                if (field.kind() instanceof Kind.Relation relation
                        && relation.to().contains(type)
                        && !relation.symmetric()
                        && draw.chance()) {
                    var kind = new Kind.Relation(
                            with(relation.to(), id), relation.amount(), relation.ordered(), false, relation.inverse());
                    now = Replacement.in(now, field.id(), _ -> field.withKind(kind))
                            .orElse(now);
                }
            }
        }
        for (var each : now.types()) {
            var nesting = each.nesting();
            if (nesting.under().contains(type) && draw.chance()) {
                var wider = new Nesting(with(nesting.under(), id), nesting.required(), nesting.parentsInAddress());
                now = now.with(nested(each, wider));
            }
        }
        return now;
    }

    private static Set<String> with(Set<String> ids, String id) {
        var all = new LinkedHashSet<>(ids);
        all.add(id);
        return all;
    }

    private static ContentType nested(ContentType type, Nesting nesting) {
        return new ContentType(
                type.id(),
                type.key(),
                type.singular(),
                type.plural(),
                type.description(),
                type.icon(),
                type.path(),
                type.wordings(),
                type.parts(),
                type.partLabels(),
                type.sections(),
                type.taxonomies(),
                type.index(),
                nesting,
                type.publishing(),
                type.columns(),
                type.head());
    }

    private ContentType made(ContentType type, String id, String key, String path) {
        var sections = new ArrayList<Section>();
        for (var section : type.sections()) {
            sections.add(section instanceof Group group ? copied(group) : section);
        }
        return new ContentType(
                id,
                key,
                draw.text(),
                draw.text(),
                "",
                "",
                path,
                Map.of(),
                type.parts(),
                Map.of(),
                sections,
                type.taxonomies(),
                Index.PLAIN,
                type.nesting(),
                type.publishing(),
                List.of(),
                Head.PLAIN);
    }

    private Group copied(Group group) {
        var fields = group.fields().stream()
                .filter(each -> !(each.kind() instanceof Kind.Relation relation) || !relation.symmetric())
                .filter(_ -> !draw.once(6))
                .map(new Parting(draw)::copied)
                .toList();
        return new Group(draw.id('g'), draw.text(), "", fields);
    }
}

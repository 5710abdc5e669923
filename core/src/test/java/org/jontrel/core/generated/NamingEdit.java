package org.jontrel.core.generated;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.format.Replacement;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.Term;

/** Texts that are names become terms of a new taxonomy, flat or not. */
final class NamingEdit {
    private final Draw draw;

    NamingEdit(Draw draw) {
        this.draw = draw;
    }

    /** A model with such a text, and what it becomes. */
    Optional<Retyping.SplitModels> named(Model model) {
        var groups = model.types().stream()
                .flatMap(each -> each.groups().stream())
                .filter(each -> each.fields().stream().noneMatch(field -> field.kind() instanceof Kind.Note))
                .toList();
        if (groups.isEmpty()) {
            return Optional.empty();
        }
        var group = draw.of(groups);
        boolean terms = draw.chance();
        var taxonomy = new Taxonomy(
                draw.id('x'),
                "taxonomy_" + draw.fresh(),
                draw.text(),
                draw.text(),
                "",
                "terms-" + draw.fresh(),
                !draw.once(3),
                false,
                List.of(),
                List.of(),
                terms ? List.of(new Term(draw.id('w'), "wood", "Wood", Map.of(), List.of())) : List.of());
        var text = new Field(draw.id('f'), "name_" + draw.fresh(), draw.text(), "", false, Kind.Text.PLAIN);
        var amount = draw.chance() ? Kind.Amount.ONE : new Kind.Amount(true, null, null);
        var pick = text.withKind(new Kind.TermPick(taxonomy.id(), amount));
        // also among the fields of rows, where names stand several times
        var rows = new Field(draw.id('f'), "rows_" + draw.fresh(), draw.text(), "", false, Kind.Text.PLAIN);
        boolean within = draw.chance();
        return with(model, group, within ? rows(rows, text) : text)
                .flatMap(before -> with(model, group, within ? rows(rows, pick) : pick)
                        .map(after -> new Retyping.SplitModels(before, and(after, taxonomy))));
    }

    private static Field rows(Field rows, Field inner) {
        return rows.withKind(new Kind.Repeater(List.of(inner), null, null, "", Kind.Repeater.RowStyle.CARDS));
    }

    private static Optional<Model> with(Model model, Group group, Field field) {
        var fields = new ArrayList<>(group.fields());
        fields.add(field);
        return Replacement.in(model, group.id(), _ -> group.withFields(fields));
    }

    private static Model and(Model model, Definition definition) {
        var all = new ArrayList<Definition>(model.definitions());
        all.add(definition);
        return new Model(all);
    }
}

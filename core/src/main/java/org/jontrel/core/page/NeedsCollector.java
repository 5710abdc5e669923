package org.jontrel.core.page;

import java.util.HashSet;
import java.util.List;
import java.util.stream.Stream;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.block.Arrangement;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.model.block.RecordsForm;
import org.jontrel.core.model.block.ValuePath;
import org.jontrel.core.model.block.ValueText;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.reach.ValueScope;
import org.jontrel.core.reach.ValueStep;
import org.jontrel.core.reach.ValueWay;
import org.jontrel.core.value.kind.Insertions;

/** Gathers what blocks need, level by level. */
final class NeedsCollector {
    /** Lists within lists, at most; the checker says where a layout has more. */
    static final int MOST_LEVELS = 5;

    private static final String TITLE = "part_title";
    private final PageModel model;

    NeedsCollector(PageModel model) {
        this.model = model;
    }

    /** What a layout that any record of the types may get needs of them. */
    void layouts(List<String> types, Layout.LayoutUse use, PageNeeds needs, int level) {
        for (var type : types) {
            bare(type, needs);
            for (var layout : model.layouts(type, use)) {
                where(layout.where(), needs);
                blocks(layout.blocks(), model.scope(List.of(type)), needs, level);
                if (layout.where().equals(Condition.ALWAYS)) {
                    // what follows is less particular still: no record gets it
                    break;
                }
            }
        }
    }

    void blocks(List<Block> blocks, ValueScope scope, PageNeeds needs, int level) {
        if (level <= MOST_LEVELS) {
            blocks.forEach(block -> block(block, scope, needs, level));
        }
    }

    /** What is needed of every record: its name, and what decides which of its fields are shown. */
    void bare(String type, PageNeeds needs) {
        needs.fields().add(TITLE);
        model.compared(type).forEach(id -> compared(id, needs));
    }

    private void where(Condition condition, PageNeeds needs) {
        var compared = new HashSet<String>();
        ShowConditions.add(condition, compared);
        compared.forEach(id -> compared(id, needs));
        if (condition.all().anyMatch(Condition.ParentIs.class::isInstance)) {
            needs.parent().fields().add(TITLE);
        }
    }

    /** Terms are compared by the starter term that they came from, and by those above. */
    private void compared(String id, PageNeeds needs) {
        boolean terms = model.recordType(id).isPresent() || isTerm(id);
        if (terms) {
            needs.over(id).fields().add(TITLE);
            needs.over(id).parent().fields().add(TITLE);
        } else {
            needs.fields().add(id);
        }
    }

    private boolean isTerm(String id) {
        return model.model().types().stream()
                .flatMap(type -> model.recordType(type.id()).stream())
                .flatMap(recordType -> recordType.field(id).stream())
                .anyMatch(field -> field.kind() instanceof Kind.TermPick);
    }

    private void block(Block block, ValueScope scope, PageNeeds needs, int level) {
        text(block.before(), scope, needs);
        text(block.after(), scope, needs);
        where(block.showWhen(), needs);
        switch (block.kind()) {
            case BlockKind.FieldValue value -> path(value.field(), scope, needs);
            case BlockKind.Prose prose -> text(prose.text(), scope, needs);
            case BlockKind.Rows rows -> rows(rows, scope, needs, level);
            case BlockKind.Related related -> related(block, related, scope, needs, level);
            case BlockKind.Children children -> {
                var types = ids(scope.below().definitions());
                var form = children.form();
                var within = needs.list(block.id(), new PageNeeds.StandingBelow(types), form.order(), form.limit());
                records(form.as(), form.columns(), children.blocks(), types, within, level + 1);
            }
            case BlockKind.TermLabels terms -> terms(terms, scope, needs);
            case BlockKind.ListingUse(String id) ->
                model.listing(id).ifPresent(listing -> listing(listing, needs, level + 1));
            case BlockKind.Breadcrumbs _ -> needs.parent().fields().add(TITLE);
            case BlockKind.Neighbours _ when level > 0 -> {}
            case BlockKind.Neighbours _ -> {
                bareAll(scope, needs.list(block.id() + "-", new PageNeeds.OneBefore(), List.of(), 1));
                bareAll(scope, needs.list(block.id() + "+", new PageNeeds.OneAfter(), List.of(), 1));
            }
            case BlockKind.Arranging arranging -> blocks(arranging.blocks(), scope, needs, level);
            case BlockKind.PartUse(String id) ->
                model.part(id).ifPresent(part -> {
                    var own = part.type().isEmpty() ? model.scope(List.of()) : model.scope(List.of(part.type()));
                    blocks(part.blocks(), own, needs, level + 1);
                });
            case BlockKind.Rest _ -> rest(scope, needs);
            case BlockKind.IndexLink _ -> {}
        }
    }

    private static List<String> ids(List<Definition> definitions) {
        return definitions.stream().map(Definition::id).toList();
    }

    private void bareAll(ValueScope scope, PageNeeds needs) {
        ids(scope.definitions()).forEach(type -> bare(type, needs));
    }

    private void text(String text, ValueScope scope, PageNeeds needs) {
        if (text.contains("{")) {
            ValueText.of(text).paths().forEach(path -> path(path, scope, needs));
        }
    }

    /** What the way to a value needs; what lies at its end is shown by its name. */
    private void path(String path, ValueScope from, PageNeeds needs) {
        var scope = from;
        var at = needs;
        var steps = from.follow(ValuePath.of(path)).orElse(List.of());
        for (var step : steps) {
            var next = into(step, scope, at);
            var beyond = scope.beyond(step);
            if (beyond.isEmpty()) {
                return;
            }
            scope = beyond.get();
            at = next;
        }
    }

    /** What is needed of where a step leads. */
    private PageNeeds into(ValueStep step, ValueScope scope, PageNeeds needs) {
        return switch (step) {
            case ValueStep.OfField(Field field) ->
                switch (field.kind()) {
                    case Kind.Relation relation -> named(List.copyOf(relation.to()), needs.over(field.id()));
                    case Kind.TermPick pick -> named(List.of(pick.taxonomy()), needs.over(field.id()));
                    case Kind.Nested _ -> {
                        nested(field, needs);
                        yield needs;
                    }
                    case Kind.Plain _, Kind.Image _, Kind.File _, Kind.Note _ -> {
                        needs.fields().add(field.id());
                        yield needs;
                    }
                };
            case ValueStep.OfTerms terms ->
                named(
                        List.of(terms.taxonomy().id()),
                        needs.over(terms.taxonomy().id()));
            case ValueStep.Leading leading ->
                named(
                        List.of(leading.from().id()),
                        needs.list(leading.id(), new PageNeeds.LeadingHere(leading), List.of(), RecordsForm.MOST));
            case ValueStep.Having having ->
                named(
                        List.of(having.from().id()),
                        needs.list(
                                having.id(),
                                new PageNeeds.HavingTerm(having.from().id()),
                                List.of(),
                                RecordsForm.MOST));
            case ValueStep.Above above ->
                named(ids(scope.beyond(above).map(ValueScope::definitions).orElse(List.of())), needs.parent());
            case ValueStep.OfValues(var values) -> named(List.of(values.id()), needs.ofSite(values.id()));
            case ValueStep.OfSite _, ValueStep.SiteName _ -> needs;
        };
    }

    private PageNeeds named(List<String> types, PageNeeds needs) {
        types.forEach(type -> bare(type, needs));
        types.stream()
                .flatMap(type -> model.colour(type).stream())
                .forEach(each -> needs.fields().add(each.id()));
        return needs;
    }

    /** Rows are read whole, with the names of what they lead to. */
    private void nested(Field field, PageNeeds needs) {
        needs.fields().add(field.id());
        field.withInner().forEach(inner -> {
            switch (inner.kind()) {
                case Kind.Relation relation -> named(List.copyOf(relation.to()), needs.over(inner.id()));
                case Kind.TermPick pick -> named(List.of(pick.taxonomy()), needs.over(inner.id()));
                case Kind.Plain _, Kind.Image _, Kind.File _, Kind.Nested _, Kind.Note _ -> {}
            }
        });
    }

    private void rows(BlockKind.Rows rows, ValueScope scope, PageNeeds needs, int level) {
        path(rows.field(), scope, needs);
        scope.inside(rows).ifPresent(inside -> {
            var holder = holder(rows.field(), scope, needs);
            rows.columns().forEach(column -> path(column, inside, holder));
            blocks(rows.blocks(), inside, holder, level + 1);
        });
    }

    /** What is needed of the records that hold the end of a way. */
    private PageNeeds holder(String path, ValueScope from, PageNeeds needs) {
        var scope = from;
        var at = needs;
        var steps = from.follow(ValuePath.of(path)).orElse(List.of());
        for (var step : steps.subList(0, Math.max(0, steps.size() - 1))) {
            at = into(step, scope, at);
            scope = scope.beyond(step).orElse(scope);
        }
        return at;
    }

    private void related(Block block, BlockKind.Related related, ValueScope scope, PageNeeds needs, int level) {
        var steps = scope.follow(ValuePath.of(related.field())).orElse(List.of());
        if (steps.isEmpty()) {
            return;
        }
        var last = steps.getLast();
        var types =
                scope.inside(related).map(inside -> ids(inside.definitions())).orElse(List.of());
        var holder = holder(related.field(), scope, needs);
        var form = related.form();
        var within =
                switch (last) {
                    case ValueStep.Leading leading ->
                        holder.list(block.id(), new PageNeeds.LeadingHere(leading), form.order(), form.limit());
                    case ValueStep.Having having ->
                        holder.list(
                                block.id(),
                                new PageNeeds.HavingTerm(having.from().id()),
                                form.order(),
                                form.limit());
                    case ValueStep.Above _ -> holder.parent();
                    case ValueStep.OfField _,
                            ValueStep.OfTerms _,
                            ValueStep.OfSite _,
                            ValueStep.SiteName _,
                            ValueStep.OfValues _ -> holder.over(last.id());
                };
        form.order().forEach(order -> within.fields().add(order.field()));
        records(form.as(), form.columns(), related.blocks(), types, within, level + 1);
    }

    private void records(
            Arrangement as, List<String> columns, List<Block> blocks, List<String> types, PageNeeds needs, int level) {
        named(types, needs);
        var scope = model.scope(types);
        switch (as) {
            case NAMES -> {}
            case LINES -> layouts(types, Layout.LayoutUse.ROW, needs, level);
            case CARDS -> layouts(types, Layout.LayoutUse.CARD, needs, level);
            case TABLE -> columns.forEach(column -> path(column, scope, needs));
            case BLOCKS -> blocks(blocks, scope, needs, level);
        }
    }

    /** What the head of a page needs of its record. */
    void head(String type, PageNeeds needs) {
        bare(type, needs);
        var head = model.head(type);
        var scope = model.scope(List.of(type));
        where(head.hiddenWhen(), needs);
        text(head.title(), scope, needs);
        text(head.description().isEmpty() ? "{part_summary}" : head.description(), scope, needs);
        path(head.picture().isEmpty() ? "part_lead_image" : head.picture(), scope, needs);
        head.properties().forEach(property -> text(property.value(), scope, needs));
    }

    /** What texts of records that hold these need of the records. */
    void insertions(Insertions insertions, ValueScope scope, PageNeeds needs) {
        insertions.values().stream()
                .flatMap(path -> ValueWay.of(scope, path).stream())
                .filter(ValueWay::fitsIntoText)
                .forEach(way -> path(way.path(), scope, needs));
        insertions.listings().forEach(id -> model.listing(id).ifPresent(listing -> listing(listing, needs, 1)));
    }

    /** What a table of records needs of them. */
    void table(String type, List<String> columns, PageNeeds needs) {
        records(Arrangement.TABLE, columns, List.of(), List.of(type), needs, 1);
    }

    private void listing(Listing listing, PageNeeds needs, int level) {
        if (level > MOST_LEVELS) {
            return;
        }
        var types = List.of(listing.type());
        var within = needs.list(listing.id(), new PageNeeds.FoundBy(listing), listing.order(), listing.limit());
        named(types, within);
        switch (listing.shown()) {
            case LINES -> layouts(types, Layout.LayoutUse.ROW, within, level);
            case CARDS -> layouts(types, Layout.LayoutUse.CARD, within, level);
            case TABLE -> listing.fields().forEach(field -> path(field, model.scope(types), within));
            case LAYOUT ->
                model.layout(listing.layout())
                        .ifPresent(layout -> blocks(layout.blocks(), model.scope(types), within, level));
        }
    }

    private void terms(BlockKind.TermLabels terms, ValueScope scope, PageNeeds needs) {
        taxonomies(terms.taxonomy(), scope).forEach(taxonomy -> {
            var within = named(List.of(taxonomy), needs.over(taxonomy));
            if (!terms.colour().isEmpty()) {
                within.fields().add(terms.colour());
            }
        });
    }

    /** The taxonomies whose terms a block shows. */
    static Stream<String> taxonomies(String one, ValueScope scope) {
        return scope.steps().stream()
                .filter(ValueStep.OfTerms.class::isInstance)
                .map(ValueStep::id)
                .filter(id -> one.isEmpty() || id.equals(one));
    }

    private void rest(ValueScope scope, PageNeeds needs) {
        for (var step : scope.steps()) {
            if (step instanceof ValueStep.OfField || step instanceof ValueStep.OfTerms) {
                into(step, scope, needs);
            }
        }
        for (var type : ids(scope.definitions())) {
            for (var inverse : model.shownInverses(type)) {
                var relation = model.leading(inverse).orElseThrow();
                var list = new PageNeeds.LeadingHere(relation);
                named(
                        List.of(relation.from().id()),
                        needs.list(PageMaker.REST + inverse, list, List.of(), RecordsForm.MOST));
            }
        }
    }
}

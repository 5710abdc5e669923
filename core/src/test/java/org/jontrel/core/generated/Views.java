package org.jontrel.core.generated;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.Look;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.PagePart;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.block.Arrangement;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.model.block.ColumnWidths;
import org.jontrel.core.model.block.PictureShape;
import org.jontrel.core.model.block.PictureSize;
import org.jontrel.core.model.block.Presentation;
import org.jontrel.core.model.block.RecordsForm;
import org.jontrel.core.model.block.TextRole;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.page.look.ShippedLook;
import org.jontrel.core.reach.ModelNames;
import org.jontrel.core.reach.ValueScope;
import org.jontrel.core.reach.ValueStep;
import org.jontrel.core.record.Conditions;
import org.jontrel.core.value.Presentations;

/** Draws layouts, listings and page parts for a model: every kind of block, at places where it holds. */
final class Views {
    private final Draw draw;
    private final Model model;
    private final ModelNames names;
    private List<Listing> listings = List.of();
    private PagePart part;

    Views(Draw draw, Model model) {
        this.draw = draw;
        this.model = model;
        this.names = new ModelNames(model);
    }

    void addTo(List<Definition> all) {
        var type = draw.of(model.types());
        var scope = scope(type);
        var card = layout(type, Layout.LayoutUse.CARD, List.of(field(scope, 2)));
        var listing = listing(type.id(), scope, Optional.of(card));
        part = new PagePart(draw.id('p'), "part_" + draw.fresh(), draw.text(), "", type.id(), blocks(scope, 2, 1));
        listings = new ArrayList<>(List.of(listing));
        if (!model.all(Taxonomy.class).isEmpty() && draw.chance()) {
            var taxonomy = draw.of(model.all(Taxonomy.class));
            listings.add(listing(taxonomy.id(), ValueScope.records(names, List.of(taxonomy)), Optional.empty()));
        }
        all.addAll(listings);
        all.addAll(List.of(card, part));
        all.add(layout(type, Layout.LayoutUse.PAGE, blocks(scope, 4, 3)));
        if (draw.chance()) {
            all.add(look(type));
        }
        if (draw.chance()) {
            all.add(new Layout(
                    draw.id('y'),
                    "home_" + draw.fresh(),
                    draw.text(),
                    "",
                    "",
                    Layout.LayoutUse.PAGE,
                    Condition.ALWAYS,
                    List.of(block(new BlockKind.Prose(siteText(), TextRole.LEAD)), block(listed()))));
        }
    }

    private ValueScope scope(ContentType type) {
        return ValueScope.records(names, List.of(type));
    }

    private Layout layout(ContentType type, Layout.LayoutUse use, List<Block> blocks) {
        return new Layout(
                draw.id('y'),
                "layout_" + draw.fresh(),
                draw.text(),
                draw.chance() ? draw.text() : "",
                type.id(),
                use,
                draw.chance() ? new Condition.AddressIs(List.of("address-" + draw.fresh())) : Condition.ALWAYS,
                blocks);
    }

    private Look look(ContentType type) {
        return new Look(
                draw.id('k'),
                "look_" + draw.fresh(),
                draw.text(),
                draw.chance() ? draw.text() : "",
                draw.of(List.of(Look.Typeface.values())),
                draw.of(List.of(Look.Typeface.values())),
                14 + draw.below(11),
                draw.of(List.of(Look.HeadingScale.values())),
                draw.of(List.of(ShippedLook.values())).look().colours(),
                draw.of(List.of(Look.Corners.values())),
                draw.of(List.of(Look.Spacing.values())),
                draw.of(List.of(Look.PageWidth.values())),
                draw.of(List.of(Look.HeaderForm.values())),
                draw.chance() ? siteText() : "",
                List.of(
                        new Look.NavigationLink(type.id(), "", draw.chance() ? draw.text() : ""),
                        new Look.NavigationLink("", "https://example.org/" + draw.fresh(), draw.text())),
                draw.chance()
                        ? List.of(block(new BlockKind.Prose(siteText(), TextRole.PLAIN)), block(listed()))
                        : List.of(),
                draw.chance() ? "main { letter-spacing: ." + draw.below(9) + "em }\n" : "");
    }

    /** @param typeId also of a taxonomy; its terms are listed by a layout where there is one for them */
    private Listing listing(String typeId, ValueScope scope, Optional<Layout> card) {
        boolean byLayout = card.isPresent() && draw.chance();
        return new Listing(
                draw.id('q'),
                "listing_" + draw.fresh(),
                draw.text(),
                draw.chance() ? draw.text() : "",
                typeId,
                draw.chance() ? new Condition.StateIs(RecordState.PUBLISHED) : Condition.ALWAYS,
                about(scope),
                List.of(new RecordsForm.Order("part_title", draw.chance())),
                5 + draw.below(20),
                byLayout
                        ? Listing.ResultStyle.LAYOUT
                        : draw.of(List.of(Listing.ResultStyle.LINES, Listing.ResultStyle.TABLE)),
                List.of(way(scope, 2)),
                byLayout ? card.get().id() : "");
    }

    private String about(ValueScope scope) {
        return draw.chance()
                ? ""
                : scope.steps().stream()
                        .filter(step -> step instanceof ValueStep.OfTerms
                                || step instanceof ValueStep.OfField(Field field)
                                        && field.kind() instanceof Kind.Relation)
                        .map(ValueStep::id)
                        .findFirst()
                        .orElse("");
    }

    private List<Block> blocks(ValueScope scope, int most, int levels) {
        var blocks = new ArrayList<Block>();
        for (int i = 0, count = 1 + draw.below(most); i < count; i++) {
            blocks.add(any(scope, levels));
        }
        return blocks;
    }

    private Block any(ValueScope scope, int levels) {
        return switch (draw.below(levels > 0 ? 12 : 4)) {
            case 0 -> block(new BlockKind.Prose(text(scope), draw.of(List.of(TextRole.values()))));
            case 1 ->
                block(draw.of(List.of(new BlockKind.Breadcrumbs(), new BlockKind.IndexLink(), new BlockKind.Rest())));
            case 2, 3 -> field(scope, 3);
            case 4 ->
                block(new BlockKind.Columns(draw.of(List.of(ColumnWidths.values())), blocks(scope, 2, levels - 1)));
            case 5 -> block(new BlockKind.Anchored("part-" + draw.fresh(), blocks(scope, 2, levels - 1)));
            case 6 -> block(new BlockKind.Fold(draw.chance(), blocks(scope, 2, levels - 1)));
            case 7 -> block(listings.isEmpty() ? new BlockKind.Stack(List.of()) : listed());
            case 8 ->
                block(
                        part == null
                                        || scope.definitions().stream()
                                                .noneMatch(each -> each.id().equals(part.type()))
                                ? new BlockKind.TermLabels("", "", draw.chance())
                                : new BlockKind.PartUse(part.id()));
            case 9 -> rows(scope, levels).orElseGet(() -> field(scope, 2));
            case 10 -> related(scope, levels).orElseGet(() -> field(scope, 2));
            default -> children(scope, levels).orElseGet(() -> field(scope, 2));
        };
    }

    private BlockKind listed() {
        return new BlockKind.ListingUse(draw.of(listings).id());
    }

    private Block block(BlockKind kind) {
        return new Block(
                draw.id('b'),
                kind,
                draw.text(),
                draw.chance(),
                draw.once(4) ? plain() : "",
                draw.once(4) ? plain() : "",
                draw.once(4) ? draw.text() : "",
                Condition.ALWAYS);
    }

    /** Words without values within. */
    private String plain() {
        return draw.text().replace("{", "{{").replace("}", "}}");
    }

    private String text(ValueScope scope) {
        return text(scope, 2);
    }

    private String text(ValueScope scope, int steps) {
        return plain() + " {" + way(scope, steps) + " else " + way(scope, 1) + " else \"nobody\"}";
    }

    /** A value of the site is three steps away. */
    private String siteText() {
        return text(ValueScope.records(names, List.of()), 3);
    }

    private Block field(ValueScope scope, int steps) {
        var way = way(scope, steps);
        var last = scope.follow(org.jontrel.core.model.block.ValuePath.of(way))
                .orElseThrow()
                .getLast();
        boolean picture = last instanceof ValueStep.OfField(Field field) && field.kind() instanceof Kind.Image;
        return block(new BlockKind.FieldValue(
                way,
                presentation(last),
                picture ? draw.of(List.of(PictureSize.values())) : PictureSize.MEDIUM,
                picture ? draw.of(List.of(PictureShape.values())) : PictureShape.ORIGINAL,
                draw.once(4) ? draw.text() : "",
                draw.chance()));
    }

    private Presentation presentation(ValueStep last) {
        var ways = last instanceof ValueStep.OfField(Field field)
                ? Presentations.of(field.kind())
                : List.of(Presentation.WORDS);
        return ways.isEmpty() || draw.chance() ? Presentation.USUAL : draw.of(ways);
    }

    /** A way of at most so many steps. */
    private String way(ValueScope from, int most) {
        var way = new ArrayList<String>();
        var scope = Optional.of(from);
        while (scope.isPresent() && (way.isEmpty() || way.size() < most && draw.chance())) {
            var steps = scope.get().steps();
            if (steps.isEmpty()) {
                break;
            }
            var step = draw.of(steps);
            way.add(step.id());
            scope = scope.get().beyond(step);
        }
        return String.join(".", way);
    }

    private Optional<Block> rows(ValueScope scope, int levels) {
        return one(
                        scope,
                        step -> step instanceof ValueStep.OfField(Field field)
                                && field.kind() instanceof Kind.Nested
                                && !field.inner().isEmpty())
                .map(step -> {
                    var inside = scope.beyond(step).orElseThrow();
                    boolean byBlocks = draw.chance();
                    return block(new BlockKind.Rows(
                            step.id(),
                            byBlocks ? Arrangement.BLOCKS : Arrangement.TABLE,
                            byBlocks
                                    ? List.of()
                                    : List.of(inside.steps().getFirst().id()),
                            byBlocks ? blocks(inside, 2, levels - 1) : List.of()));
                });
    }

    private Optional<Block> related(ValueScope scope, int levels) {
        return one(
                        scope,
                        step -> step instanceof ValueStep.Leading
                                || step instanceof ValueStep.OfTerms
                                || step instanceof ValueStep.OfField(Field field)
                                        && field.kind() instanceof Kind.Relation)
                .map(step -> {
                    var inside = scope.beyond(step).orElseThrow();
                    boolean byBlocks = draw.chance();
                    return block(new BlockKind.Related(
                            step.id(), form(inside, byBlocks), byBlocks ? blocks(inside, 2, levels - 1) : List.of()));
                });
    }

    private Optional<Block> children(ValueScope scope, int levels) {
        var inside = scope.below();
        boolean byBlocks = draw.chance();
        return inside.definitions().isEmpty()
                ? Optional.empty()
                : Optional.of(block(new BlockKind.Children(
                        form(inside, byBlocks), byBlocks ? blocks(inside, 2, levels - 1) : List.of())));
    }

    private RecordsForm form(ValueScope inside, boolean byBlocks) {
        var as = draw.of(List.of(Arrangement.NAMES, Arrangement.LINES, Arrangement.CARDS, Arrangement.TABLE));
        var order = inside.fields().stream()
                .filter(field -> Conditions.isSortable(field.kind()))
                .sorted(Comparator.comparing(Field::id))
                .limit(1)
                .map(field -> new RecordsForm.Order(field.id(), draw.chance()))
                .toList();
        return new RecordsForm(
                byBlocks ? Arrangement.BLOCKS : as,
                as == Arrangement.TABLE ? List.of(way(inside, 2)) : List.of(),
                order,
                1 + draw.below(RecordsForm.MOST));
    }

    private Optional<ValueStep> one(ValueScope scope, java.util.function.Predicate<ValueStep> fits) {
        var all = scope.steps().stream().filter(fits).toList();
        return all.isEmpty() ? Optional.empty() : Optional.of(draw.of(all));
    }
}

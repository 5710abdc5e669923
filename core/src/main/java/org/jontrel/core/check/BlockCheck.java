package org.jontrel.core.check;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.PagePart;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.model.block.PictureShape;
import org.jontrel.core.model.block.PictureSize;
import org.jontrel.core.model.block.Presentation;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.reach.ValueScope;
import org.jontrel.core.reach.ValueStep;
import org.jontrel.core.value.Presentations;

/** The blocks of one layout or page part: what they show can be reached, and they ask for what its kind can do. */
final class BlockCheck {
    private static final int DEEPEST = 6;
    private static final int MOST_LEVELS = 4;
    private static final Pattern ANCHOR = Pattern.compile("[a-z][a-z0-9-]{0,59}");

    private final ModelIndex known;
    private final DefinitionFindings report;
    private final Definition definition;
    private final Set<String> anchors = new HashSet<>();

    BlockCheck(ModelIndex known, DefinitionFindings report, Definition definition) {
        this.known = known;
        this.report = report;
        this.definition = definition;
    }

    /** Where a block stands: what it may name, how deep it is among blocks, and how many lists it is within. */
    private record Depth(int blocks, int lists) {
        Depth within(boolean list) {
            return new Depth(blocks + 1, lists + (list ? 1 : 0));
        }
    }

    void run(List<Block> blocks, ValueScope scope) {
        blocks.forEach(block -> block(block, scope, new Depth(1, 0)));
    }

    private void block(Block block, ValueScope scope, Depth depth) {
        var at = report.of(block.id());
        var name = name(block);
        var ways = new WayCheck(at, name);
        new NameCheck(at).prose("label", block.label());
        ways.text("before", block.before(), scope);
        ways.text("after", block.after(), scope);
        condition(block, scope, at, name);
        kind(block, scope, ways, at, name);
        if (depth.blocks() >= DEEPEST && !block.blocks().isEmpty()) {
            at.add("blocks", Code.NESTED_TOO_DEEP, name, depth.blocks() + 1, DEEPEST);
            return;
        }
        boolean list = lists(block.kind());
        if (list && depth.lists() >= MOST_LEVELS) {
            at.add("block", Code.LISTS_TOO_DEEP, name, MOST_LEVELS);
            return;
        }
        scope.inside(block.kind())
                .ifPresent(inside -> block.blocks().forEach(each -> block(each, inside, depth.within(list))));
    }

    private static boolean lists(BlockKind kind) {
        return kind instanceof BlockKind.Related
                || kind instanceof BlockKind.Children
                || kind instanceof BlockKind.Rows;
    }

    private static String name(Block block) {
        return block.label().isEmpty() ? block.kind().code().replace('_', ' ') : block.label();
    }

    private void condition(Block block, ValueScope scope, DefinitionFindings at, String name) {
        if (!block.showWhen().equals(Condition.ALWAYS)) {
            new PlaceCondition(known, at, definition).run("show_when", block.showWhen(), scope, name);
        }
    }

    private void kind(Block block, ValueScope scope, WayCheck ways, DefinitionFindings at, String name) {
        var lists = new ListBlockCheck(known, ways, at, name);
        switch (block.kind()) {
            case BlockKind.FieldValue value ->
                ways.last("field", value.field(), scope).ifPresent(step -> shown(value, step, at, name));
            case BlockKind.Prose text -> {
                filled("text", text.text(), at, name);
                ways.text("text", text.text(), scope);
            }
            case BlockKind.Rows rows -> lists.rows(rows, scope);
            case BlockKind.Related related -> lists.related(related, scope);
            case BlockKind.Children children -> lists.children(children, scope);
            case BlockKind.TermLabels terms -> lists.terms(terms, scope);
            case BlockKind.ListingUse(String listing) -> {
                if (known.find(Listing.class, listing).isEmpty()) {
                    at.addUnknown("listing", "listing", name, "listing", listing, known.keys(Definition.Sort.LISTING));
                }
            }
            case BlockKind.PartUse(String part) -> part(part, scope, at, name);
            case BlockKind.Anchored section -> {
                filled("label", block.label(), at, name);
                anchor(section.anchor(), at, name);
            }
            case BlockKind.Fold _ -> filled("label", block.label(), at, name);
            case BlockKind.Stack _,
                    BlockKind.Columns _,
                    BlockKind.Breadcrumbs _,
                    BlockKind.Neighbours _,
                    BlockKind.IndexLink _,
                    BlockKind.Rest _ -> {}
        }
    }

    private static void filled(String property, String value, DefinitionFindings at, String name) {
        if (value.isBlank()) {
            at.add(property, Code.BLOCK_EMPTY, name, property);
        }
    }

    private void anchor(String anchor, DefinitionFindings at, String name) {
        if (!anchor.isEmpty() && (!ANCHOR.matcher(anchor).matches() || !anchors.add(anchor))) {
            at.add("anchor", Code.ANCHOR_INVALID, name, anchor);
        }
    }

    private static void shown(BlockKind.FieldValue value, ValueStep step, DefinitionFindings at, String name) {
        var kind = step instanceof ValueStep.OfField(Field field) ? field.kind() : null;
        var ways =
                kind == null ? List.<Presentation>of(Presentation.HEADING, Presentation.WORDS) : Presentations.of(kind);
        if (value.as() != Presentation.USUAL && !ways.contains(value.as())) {
            at.addFixed(
                    "as",
                    null,
                    Code.PRESENTATION_UNFIT,
                    name,
                    value.as().code(),
                    step.label(),
                    ways.isEmpty()
                            ? Presentation.USUAL.code()
                            : ways.stream().map(Presentation::code).collect(Collectors.joining(", ")));
        }
        boolean picture = kind instanceof Kind.Image;
        if (!picture && value.size() != PictureSize.MEDIUM) {
            at.addFixed("size", null, Code.BLOCK_UNFIT, name, "size", step.label());
        }
        if (!picture && value.shape() != PictureShape.ORIGINAL) {
            at.addFixed("shape", null, Code.BLOCK_UNFIT, name, "shape", step.label());
        }
    }

    private void part(String id, ValueScope scope, DefinitionFindings at, String name) {
        var part = known.find(PagePart.class, id);
        if (part.isEmpty()) {
            at.addUnknown("part", "part", name, "page part", id, known.keys(Definition.Sort.PART));
            return;
        }
        boolean fits = part.get().type().isEmpty()
                || scope.definitions().stream()
                        .anyMatch(each -> each.id().equals(part.get().type()));
        if (!fits) {
            at.add("part", Code.PART_OF_OTHER, name, part.get().title());
        }
    }

    /** Conditions of blocks, wherever they stand. */
    record PlaceCondition(ModelIndex known, DefinitionFindings at, Definition definition) {
        void run(String property, Condition condition, ValueScope scope, String name) {
            var sight = sight(scope);
            Map<String, Field> everywhere = new HashMap<>();
            for (var place = sight; place != null; place = place.around()) {
                place.fields()
                        .forEach(field -> field.withInner().forEach(each -> everywhere.putIfAbsent(each.id(), each)));
            }
            var owner = scope.definitions().isEmpty()
                    ? definition
                    : scope.definitions().getFirst();
            new ConditionCheck(known, at, property, name, true).run(condition, sight, everywhere, "", owner);
            if (!new Satisfiable(id -> java.util.Optional.ofNullable(everywhere.get(id)), known).possible(condition)) {
                at.addFixed(property, null, Code.CONDITION_NEVER, name);
            }
        }

        private static ConditionCheck.VisibleFields sight(ValueScope scope) {
            return new ConditionCheck.VisibleFields(
                    scope.fields(), scope.around().map(PlaceCondition::sight).orElse(null));
        }
    }
}

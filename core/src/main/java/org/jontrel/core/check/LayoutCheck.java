package org.jontrel.core.check;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Head;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.PagePart;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.model.block.ValuePath;
import org.jontrel.core.model.block.ValueText;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.reach.ModelNames;
import org.jontrel.core.reach.ValueScope;
import org.jontrel.core.reach.ValueStep;

/** A layout or page part: what it is for is there, its blocks hold, and visitors get to see every field. */
record LayoutCheck(ModelIndex known, ModelNames names, DefinitionFindings report) {
    /** Names of schema.org. */
    private static final Pattern SCHEMA = Pattern.compile("[A-Z][A-Za-z0-9]{0,59}");

    private static final Pattern PROPERTY = Pattern.compile("[a-z][A-Za-z0-9]{0,59}([.][a-z][A-Za-z0-9]{0,59}){0,4}");

    void run(Layout layout) {
        if (missing(layout.type(), layout.title())) {
            return;
        }
        var scope = scope(layout.type());
        if (!layout.where().equals(Condition.ALWAYS)) {
            if (layout.type().isEmpty()) {
                report.addFixed("where", null, Code.CONDITION_FOREIGN, layout.title(), "values");
            } else {
                new BlockCheck.PlaceCondition(known, report, layout)
                        .run("where", layout.where(), scope, layout.title());
            }
        }
        if (layout.type().isEmpty() && layout.use() != Layout.LayoutUse.PAGE) {
            report.addFixed(
                    "use",
                    null,
                    Code.LAYOUT_OF_HOME,
                    layout.title(),
                    layout.use().code());
        }
        new BlockCheck(known, report, layout).run(layout.blocks(), scope);
        if (layout.use() == Layout.LayoutUse.PAGE) {
            unseen(layout, scope);
        }
    }

    void run(PagePart part) {
        if (!missing(part.type(), part.title())) {
            new BlockCheck(known, report, part).run(part.blocks(), scope(part.type()));
        }
    }

    /** What the heads of a definition's pages say. */
    void head(Definition definition, Head head) {
        var scope = ValueScope.records(names, List.of(definition));
        var ways = new WayCheck(report, definition.name());
        ways.text("head.title", head.title(), scope);
        ways.text("head.description", head.description(), scope);
        if (!head.picture().isEmpty()) {
            ways.last("head.picture", head.picture(), scope)
                    .filter(step ->
                            !(step instanceof ValueStep.OfField(var field) && field.kind() instanceof Kind.Image))
                    .ifPresent(
                            step -> report.add("head.picture", Code.HEAD_NO_PICTURE, definition.name(), step.label()));
        }
        if (!head.schema().isEmpty() && !SCHEMA.matcher(head.schema()).matches()) {
            report.add("head.schema", Code.SCHEMA_INVALID, definition.name(), head.schema());
        }
        if (head.schema().isEmpty() && !head.properties().isEmpty()) {
            report.add("head.properties", Code.SCHEMA_MISSING, definition.name());
        }
        var seen = new HashSet<String>();
        for (var property : head.properties()) {
            if (!PROPERTY.matcher(property.name()).matches() || !seen.add(property.name())) {
                report.add("head.properties", Code.SCHEMA_PROPERTY, definition.name(), property.name());
            }
            ways.text("head.properties", property.value(), scope);
        }
        if (!head.hiddenWhen().equals(Condition.ALWAYS)) {
            new BlockCheck.PlaceCondition(known, report, definition)
                    .run("head.hidden_when", head.hiddenWhen(), scope, definition.name());
        }
    }

    private boolean missing(String type, String title) {
        if (type.isEmpty() || names.byId(type).isPresent()) {
            return false;
        }
        report.addUnknown("type", "type", title, "content type", type, known.keys(Definition.Sort.TYPE));
        return true;
    }

    private ValueScope scope(String type) {
        return ValueScope.records(names, names.records(type).stream().toList());
    }

    /** Notes the fields that no block shows, where no block shows everything else. */
    private void unseen(Layout layout, ValueScope scope) {
        var named = new HashSet<String>();
        boolean rest = named(layout.blocks(), named, new HashSet<>());
        if (rest || scope.definitions().stream().noneMatch(ContentType.class::isInstance)) {
            return;
        }
        var unseen = scope.steps().stream()
                .filter(step -> step instanceof ValueStep.OfTerms
                        || step instanceof ValueStep.OfField(var field) && !(field.kind() instanceof Kind.Note))
                .filter(step -> !named.contains(step.id()))
                .map(ValueStep::label)
                .distinct()
                .collect(Collectors.joining(", "));
        if (!unseen.isEmpty()) {
            report.add("blocks", Code.FIELD_UNSEEN, layout.title(), unseen);
        }
    }

    /** Notes what blocks name first of all. @return whether one of them shows everything else */
    private boolean named(List<Block> blocks, Set<String> named, Set<String> parts) {
        boolean rest = false;
        for (var block : blocks) {
            switch (block.kind()) {
                case BlockKind.FieldValue value -> named.add(first(value.field()));
                case BlockKind.Rows rows -> named.add(first(rows.field()));
                case BlockKind.Related related -> named.add(first(related.field()));
                case BlockKind.Prose text ->
                    ValueText.of(text.text()).paths().map(LayoutCheck::first).forEach(named::add);
                case BlockKind.TermLabels terms -> {
                    if (terms.taxonomy().isEmpty()) {
                        known.keys(Definition.Sort.TAXONOMY).values().forEach(named::add);
                    }
                    named.add(terms.taxonomy());
                }
                case BlockKind.Rest _ -> rest = true;
                case BlockKind.PartUse(String id) -> {
                    if (parts.add(id)) {
                        rest |= known.find(PagePart.class, id)
                                .map(part -> named(part.blocks(), named, parts))
                                .orElse(false);
                    }
                }
                case BlockKind.Children _,
                        BlockKind.ListingUse _,
                        BlockKind.Breadcrumbs _,
                        BlockKind.Neighbours _,
                        BlockKind.IndexLink _ -> {}
                case BlockKind.Arranging _ -> rest |= named(block.blocks(), named, parts);
            }
        }
        return rest;
    }

    private static String first(String path) {
        return ValuePath.of(path).steps().getFirst();
    }
}

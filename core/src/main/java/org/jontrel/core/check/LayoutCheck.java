package org.jontrel.core.check;

import java.util.List;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Block;
import org.jontrel.core.model.Condition;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;

/** A layout: what its blocks show is there, and no block says what its sort cannot. */
record LayoutCheck(ModelIndex known, DefinitionFindings report) {
    private static final int DEEPEST = 6;

    void run(Layout layout) {
        if (known.find(ContentType.class, layout.type()).isEmpty()) {
            report.addUnknown(
                    "type", "type", layout.title(), "content type", layout.type(), known.keys(Definition.Sort.TYPE));
            return;
        }
        var fields = new FieldsCheck(known, layout, report);
        layout.blocks().forEach(block -> block(block, layout, fields, 1));
    }

    private void block(Block block, Layout layout, FieldsCheck fields, int depth) {
        var at = report.of(block.id());
        var name = block.title().isEmpty() ? block.sort().code() : block.title();
        new NameCheck(at).prose("title", block.title());
        says("field", block.field(), block.sort() == Block.BlockSort.FIELD, name, at);
        says("listing", block.listing(), block.sort() == Block.BlockSort.LISTING, name, at);
        says("text", block.text(), block.sort() == Block.BlockSort.TEXT, name, at);
        if (!block.field().isEmpty() && fields.everywhere().get(block.field()) == null) {
            at.addUnknown(
                    "field",
                    "field",
                    name,
                    "field",
                    block.field(),
                    ModelIndex.keys(fields.everywhere().values()));
        }
        if (!block.listing().isEmpty()
                && known.find(Listing.class, block.listing()).isEmpty()) {
            at.addUnknown("listing", "listing", name, "listing", block.listing(), known.keys(Definition.Sort.LISTING));
        }
        if (!block.showWhen().equals(Condition.ALWAYS)) {
            new ConditionCheck(known, at, "show_when", name)
                    .run(block.showWhen(), new VisibleFields(fields.all(), null), fields.everywhere(), "", layout);
            fields.possible(at, "show_when", block.showWhen(), name);
        }
        if (!block.sort().holdsBlocks() && !block.blocks().isEmpty()) {
            at.add("blocks", Code.BLOCK_UNFIT, name, "blocks", block.sort().code());
        }
        if (depth >= DEEPEST && !block.blocks().isEmpty()) {
            at.add("blocks", Code.NESTED_TOO_DEEP, name, depth + 1, DEEPEST);
            return;
        }
        List<Block> within = block.blocks();
        within.forEach(each -> block(each, layout, fields, depth + 1));
    }

    private static void says(String property, String value, boolean due, String name, DefinitionFindings at) {
        if (due && value.isBlank()) {
            at.add(property, Code.BLOCK_EMPTY, name, property);
        } else if (!due && !value.isEmpty()) {
            at.addFixed(property, null, Code.BLOCK_UNFIT, name, property, name);
        }
    }
}

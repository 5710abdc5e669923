package org.jontrel.describe;

import java.util.ArrayList;
import java.util.List;
import org.jontrel.core.compare.SettingTexts;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.PagePart;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;

/** The blocks of layouts and page parts as a table: what each is and what it shows. */
final class BlockTable {
    private final Model model;
    private final SettingTexts texts;

    BlockTable(Model model) {
        this.model = model;
        this.texts = new SettingTexts(model);
    }

    List<Dictionary.DictionaryTable> of(List<Block> blocks) {
        var rows = new ArrayList<Dictionary.DictionaryRow>();
        add(blocks, 0, rows);
        return rows.isEmpty()
                ? List.of()
                : List.of(new Dictionary.DictionaryTable("Blocks", "", List.of("Block", "Shows", "Label"), rows));
    }

    private void add(List<Block> blocks, int depth, List<Dictionary.DictionaryRow> rows) {
        for (var block : blocks) {
            rows.add(new Dictionary.DictionaryRow(
                    depth,
                    "",
                    List.of(
                            words(block.kind().code()),
                            shows(block.kind()),
                            block.labelled() ? block.label() : "none")));
            add(block.blocks(), depth + 1, rows);
        }
    }

    private static String words(String code) {
        return code.replace('_', ' ');
    }

    private String shows(BlockKind kind) {
        return switch (kind) {
            case BlockKind.FieldValue value -> texts.value(value.field());
            case BlockKind.Prose text -> texts.value(text.text());
            case BlockKind.Rows rows ->
                texts.value(rows.field()) + " as " + words(rows.as().code());
            case BlockKind.Related related ->
                texts.value(related.field()) + " as "
                        + words(related.form().as().code());
            case BlockKind.Children children ->
                "what stands below, as " + words(children.form().as().code());
            case BlockKind.TermLabels terms ->
                model.find(Taxonomy.class, terms.taxonomy())
                        .map(Taxonomy::plural)
                        .orElse("all terms");
            case BlockKind.ListingUse(String id) ->
                model.find(Listing.class, id).map(Listing::title).orElse(id);
            case BlockKind.PartUse(String id) ->
                model.find(PagePart.class, id).map(PagePart::title).orElse(id);
            case BlockKind.Breadcrumbs _,
                    BlockKind.Neighbours _,
                    BlockKind.IndexLink _,
                    BlockKind.Arranging _,
                    BlockKind.Rest _ -> "";
        };
    }
}

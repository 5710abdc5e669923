package org.jontrel.core.page;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.model.block.ValuePath;
import org.jontrel.core.model.block.ValueText;

/** Which fields of a record blocks name: those that the block of everything else leaves out. */
record NamedFields(PageModel model) {
    Set<String> of(List<Block> blocks) {
        var named = new HashSet<String>();
        add(blocks, named, new HashSet<>());
        return named;
    }

    private void add(List<Block> blocks, Set<String> named, Set<String> parts) {
        for (var block : blocks) {
            switch (block.kind()) {
                case BlockKind.FieldValue value -> named.add(first(value.field()));
                case BlockKind.Rows rows -> named.add(first(rows.field()));
                case BlockKind.Related related -> named.add(first(related.field()));
                case BlockKind.Prose prose ->
                    ValueText.of(prose.text()).paths().map(NamedFields::first).forEach(named::add);
                case BlockKind.TermLabels terms -> {
                    if (terms.taxonomy().isEmpty()) {
                        model.model().definitions().forEach(each -> {
                            if (each instanceof org.jontrel.core.model.Taxonomy) {
                                named.add(each.id());
                            }
                        });
                    }
                    named.add(terms.taxonomy());
                }
                case BlockKind.PartUse(String id) -> {
                    if (parts.add(id)) {
                        model.part(id).ifPresent(part -> add(part.blocks(), named, parts));
                    }
                }
                case BlockKind.Arranging _ -> add(block.blocks(), named, parts);
                case BlockKind.Children _,
                        BlockKind.ListingUse _,
                        BlockKind.Breadcrumbs _,
                        BlockKind.Neighbours _,
                        BlockKind.IndexLink _,
                        BlockKind.Rest _ -> {}
            }
        }
    }

    private static String first(String path) {
        return ValuePath.of(path).steps().getFirst();
    }
}

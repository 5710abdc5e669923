package org.jontrel.core.check;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.PagePart;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;

/** Layouts and page parts that show themselves again, by way of listings and parts: a page without end. */
record LayoutCycleCheck(ModelIndex known, List<Finding> findings) {
    void run(Model model) {
        var told = new HashSet<String>();
        for (var definition : model.definitions()) {
            if (!(definition instanceof Layout) && !(definition instanceof PagePart)) {
                continue;
            }
            var way = new ArrayList<Definition>();
            if (!told.contains(definition.id()) && leadsBack(definition, definition.id(), way, new HashSet<>())) {
                way.forEach(each -> told.add(each.id()));
                var titles = new ArrayList<>(way.stream().map(Definition::name).toList());
                titles.add(definition.name());
                new DefinitionFindings(findings, definition.id(), "")
                        .add("blocks", Code.LAYOUT_CYCLE, definition.name(), String.join(" → ", titles));
            }
        }
    }

    private boolean leadsBack(Definition from, String start, List<Definition> way, Set<String> seen) {
        way.add(from);
        for (var next : shown(from).toList()) {
            if (next.id().equals(start) || (seen.add(next.id()) && leadsBack(next, start, way, seen))) {
                return true;
            }
        }
        way.removeLast();
        return false;
    }

    /** The layouts by which listings show records, and the parts in use. */
    private Stream<Definition> shown(Definition definition) {
        var shown = new ArrayList<Definition>();
        Things.within(definition, thing -> {
            if (thing instanceof Block block) {
                switch (block.kind()) {
                    case BlockKind.PartUse(String part) ->
                        known.find(PagePart.class, part).ifPresent(shown::add);
                    case BlockKind.ListingUse(String listing) ->
                        known.find(Listing.class, listing)
                                .filter(each -> each.shown() == Listing.ResultStyle.LAYOUT)
                                .flatMap(each -> known.find(Layout.class, each.layout()))
                                .ifPresent(shown::add);
                    default -> {}
                }
            }
        });
        return shown.stream();
    }
}

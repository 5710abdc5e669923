package org.jontrel.core.check;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Block;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.Model;

/** Layouts with a listing that shows each record by the layout again: a page without end. */
record LayoutCycleCheck(ModelIndex known, List<Finding> findings) {
    void run(Model model) {
        var told = new HashSet<String>();
        for (var layout : model.all(Layout.class)) {
            var way = new ArrayList<Layout>();
            if (!told.contains(layout.id()) && leadsBack(layout, layout.id(), way, new HashSet<>())) {
                way.forEach(each -> told.add(each.id()));
                var titles = new ArrayList<>(way.stream().map(Layout::title).toList());
                titles.add(layout.title());
                new DefinitionFindings(findings, layout.id(), "")
                        .add("blocks", Code.LAYOUT_CYCLE, layout.title(), String.join(" → ", titles));
            }
        }
    }

    private boolean leadsBack(Layout layout, String start, List<Layout> way, Set<String> seen) {
        way.add(layout);
        for (var next : shown(layout).toList()) {
            if (next.id().equals(start) || (seen.add(next.id()) && leadsBack(next, start, way, seen))) {
                return true;
            }
        }
        way.removeLast();
        return false;
    }

    /** The layouts by which the listings of a layout show records. */
    private Stream<Layout> shown(Layout layout) {
        var listings = new ArrayList<String>();
        Things.within(layout, thing -> {
            if (thing instanceof Block block && !block.listing().isEmpty()) {
                listings.add(block.listing());
            }
        });
        return listings.stream()
                .flatMap(id -> known.find(Listing.class, id).stream())
                .filter(listing -> listing.shown() == Listing.ResultStyle.LAYOUT)
                .flatMap(listing -> known.find(Layout.class, listing.layout()).stream());
    }
}

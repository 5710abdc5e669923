package org.jontrel.core.page;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import org.jontrel.core.page.node.PageNode;

/** Puts the headings of a page on levels that follow each other without a gap, whatever is nested in what. */
final class HeadingLevels {
    private static final int LOWEST = 6;
    private final Deque<Heading> above = new ArrayDeque<>();

    private HeadingLevels() {}

    /** A heading by the level that it was made for, and the one that it gets. */
    private record Heading(int made, int level) {}

    static List<PageNode> closed(List<PageNode> nodes) {
        return new HeadingLevels().all(nodes);
    }

    private List<PageNode> all(List<PageNode> nodes) {
        return nodes.stream().map(this::one).toList();
    }

    private List<List<PageNode>> each(List<List<PageNode>> several) {
        return several.stream().map(this::all).toList();
    }

    private int level(int made) {
        while (!above.isEmpty() && above.peek().made() >= made) {
            above.pop();
        }
        int next = above.isEmpty()
                ? made == 1 ? 1 : 2
                : Math.min(LOWEST, above.peek().level() + 1);
        above.push(new Heading(made, next));
        return next;
    }

    private PageNode one(PageNode node) {
        return switch (node) {
            case PageNode.HeadingNode heading ->
                new PageNode.HeadingNode(level(heading.level()), heading.text(), heading.unseen());
            case PageNode.SectionNode section -> {
                int level = section.heading().isEmpty() ? 0 : level(section.level());
                yield new PageNode.SectionNode(section.heading(), level, section.anchor(), all(section.shown()));
            }
            case PageNode.FactsNode(var facts) ->
                new PageNode.FactsNode(facts.stream()
                        .map(fact -> new PageNode.PageFact(fact.label(), all(fact.shown())))
                        .toList());
            case PageNode.ItemsNode items -> new PageNode.ItemsNode(items.form(), items.across(), each(items.items()));
            case PageNode.ColumnsNode columns -> new PageNode.ColumnsNode(columns.widths(), each(columns.columns()));
            case PageNode.FoldNode fold -> new PageNode.FoldNode(fold.heading(), fold.open(), all(fold.shown()));
            case PageNode.FilteredNode list -> new PageNode.FilteredNode(list.form(), all(list.shown()));
            case PageNode.TextNode _,
                    PageNode.RichNode _,
                    PageNode.LabelsNode _,
                    PageNode.PicturesNode _,
                    PageNode.TableNode _,
                    PageNode.TreeNode _,
                    PageNode.TrailNode _,
                    PageNode.PagesNode _,
                    PageNode.NeighboursNode _ -> node;
        };
    }
}

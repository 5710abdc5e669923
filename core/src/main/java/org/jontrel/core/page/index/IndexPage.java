package org.jontrel.core.page.index;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.block.TextRole;
import org.jontrel.core.naming.Nouns;
import org.jontrel.core.naming.Wording;
import org.jontrel.core.page.PageMaker;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.page.node.InlineNode;
import org.jontrel.core.page.node.PageAddress;
import org.jontrel.core.page.node.PageNode;

/** Makes the index of a type: its words, what it is narrowed by, its records in groups or pages. */
public final class IndexPage {
    private final ContentType type;
    private final PageMaker maker;
    private final AskedList asked;
    private final FilterForms forms;

    public IndexPage(PageModel model, ContentType type, PageMaker maker, AskedList asked, ListFacts facts) {
        this.type = type;
        this.maker = maker;
        this.asked = asked;
        this.forms = new FilterForms(model, type, asked, facts);
    }

    public List<PageNode> of(FoundList found) {
        var nodes = new ArrayList<PageNode>();
        nodes.add(new PageNode.HeadingNode(1, List.of(new InlineNode.WordRun(type.plural())), false));
        var intro = type.index().intro().isBlank()
                ? type.description()
                : type.index().intro();
        if (!intro.isBlank()) {
            nodes.add(text(TextRole.LEAD, intro));
        }
        var shown = shown(found);
        if (asked.filters().none() && !asked.narrows()) {
            nodes.addAll(shown);
        } else {
            nodes.add(new PageNode.FilteredNode(forms.of(found), shown));
        }
        return nodes;
    }

    private static PageNode text(TextRole role, String words) {
        return new PageNode.TextNode(role, List.of(new InlineNode.WordRun(words)));
    }

    private List<PageNode> shown(FoundList found) {
        var nodes = new ArrayList<PageNode>();
        found.groups().forEach(group -> nodes.add(section(group)));
        if (!found.records().isEmpty()) {
            nodes.addAll(maker.listed(type.index(), found.records(), 2));
        }
        if (nodes.isEmpty()) {
            nodes.add(text(TextRole.PLAIN, (asked.narrows() ? Wording.NOT_FOUND : Wording.EMPTY).of(type)));
        }
        if (!asked.after().isEmpty() || found.next().isPresent()) {
            nodes.add(new PageNode.PagesNode(
                    asked.after().isEmpty() ? Optional.empty() : Optional.of(forms.address(asked.after(""))),
                    found.next().map(cursor -> forms.address(asked.after(cursor)))));
        }
        return nodes;
    }

    private PageNode section(FoundList.FoundGroup group) {
        var nodes = new ArrayList<>(maker.listed(type.index(), group.records(), 3));
        if (group.count() > group.records().size()
                || group.value().equals(IndexFilter.NONE)
                        && group.records().size() == type.index().pageSize()) {
            var filter = asked.filters().byId(type.index().group()).orElseThrow();
            PageAddress all = forms.address(asked.with(filter, group.value()));
            var words = group.value().equals(IndexFilter.NONE)
                    ? "All " + Nouns.inSentence(group.label())
                    : "All " + group.count() + " in " + group.label();
            nodes.add(new PageNode.TextNode(TextRole.PLAIN, List.of(new InlineNode.LinkRun(words, all, false))));
        }
        return new PageNode.SectionNode(group.label(), 2, "", nodes);
    }
}

package org.jontrel.serve.publicsite;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.ListQuery;

/** Which records a public list shows. */
final class PublicLists {
    private static final int PER_TYPE = 24;

    private PublicLists() {}

    /** What the site's search finds: for each type that has pages, the first few; types without any are left out. */
    static List<PageNode> found(Site engine, SitePages pages, String words) {
        var nodes = new ArrayList<PageNode>();
        for (var table : engine.installed().tables(Definition.Sort.TYPE)) {
            var recordType = table.recordType();
            var publishing = ((ContentType) recordType.definition()).publishing();
            if (!publishing.visible() || !publishing.searchable()) {
                continue;
            }
            var found = engine.records()
                    .page(
                            recordType.id(),
                            ListQuery.ALL
                                    .search(words)
                                    .as(Audience.VISITORS)
                                    .only(pages.onCards(recordType))
                                    .most(PER_TYPE))
                    .orElseThrow();
            var cards = pages.cards(recordType, found.records(), 3);
            if (!cards.isEmpty()) {
                nodes.add(new PageNode.SectionNode(recordType.plural(), 2, "", cards));
            }
        }
        return nodes.isEmpty() ? List.of(SitePages.text("Nothing was found.")) : nodes;
    }

    static Optional<RecordType> recordType(Site site, String path) {
        return site.installed().tables().values().stream()
                .map(table -> table.recordType())
                .filter(recordType -> recordType.path().equals(path))
                .filter(recordType -> !(recordType.definition() instanceof ContentType type)
                        || type.publishing().visible())
                .findFirst();
    }
}

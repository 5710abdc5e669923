package org.jontrel.server.record;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Comparator;
import java.util.List;
import org.jontrel.serve.record.ReferenceNames;

/** A record or term that something leads to. */
@Schema(requiredProperties = {"type", "id", "title", "slug", "state"})
record LinkView(String type, long id, String title, String slug, String state) {
    static List<LinkView> of(ReferenceNames names) {
        return names.links().entrySet().stream()
                .map(each -> new LinkView(
                        each.getKey().type(),
                        each.getKey().id(),
                        each.getValue().title(),
                        each.getValue().slug(),
                        each.getValue().state()))
                .sorted(Comparator.comparing(LinkView::type).thenComparing(LinkView::id))
                .toList();
    }
}

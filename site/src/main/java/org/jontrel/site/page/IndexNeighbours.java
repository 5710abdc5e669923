package org.jontrel.site.page;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.SystemField;

/** What stands before and behind records in the index of their type. */
record IndexNeighbours(Site site, PageModel model, Audience audience) {
    /** The record beside each one in the order of its index. */
    Map<Link, List<Link>> beside(Set<Link> owners, boolean before) {
        var beside = new LinkedHashMap<Link, List<Link>>();
        for (var owner : owners) {
            var recordType = model.recordType(owner.type()).orElseThrow();
            if (!(recordType.definition() instanceof ContentType type)) {
                continue;
            }
            var sort = indexOrder(recordType, type);
            var turned = List.of(new ListQuery.SortOrder(sort.field(), sort.descending() != before));
            var cursor = site.records().cursor(owner.type(), turned, owner.id());
            if (cursor.isPresent()) {
                var query = new ListQuery(Condition.ALWAYS, "", turned, cursor, 1, Set.of(), audience);
                site.records()
                        .page(owner.type(), query)
                        .flatMap(page -> page.records().stream().findFirst())
                        .ifPresent(record -> beside.put(owner, List.of(new Link(owner.type(), record.id()))));
            }
        }
        return beside;
    }

    /** What sorts the index of a type: what it says, where lists can be sorted by it. */
    static ListQuery.SortOrder indexOrder(RecordType recordType, ContentType type) {
        return recordType.columns("").stream()
                        .map(Field::id)
                        .anyMatch(type.index().order()::equals)
                ? new ListQuery.SortOrder(type.index().order(), type.index().descending())
                : new ListQuery.SortOrder(SystemField.UPDATED_AT.field().id(), true);
    }
}

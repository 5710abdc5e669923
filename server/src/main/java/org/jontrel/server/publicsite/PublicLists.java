package org.jontrel.server.publicsite;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jontrel.core.model.Condition;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.StoredRecord;

/** Which records a public list shows. */
final class PublicLists {
    private static final int PER_TYPE = 24;

    private PublicLists() {}

    /** For each type that has pages, the first few that a query finds; types without any are left out. */
    static Map<String, List<PublicPages.Card>> lists(
            Site engine, String path, Function<RecordType, Optional<ListQuery>> query) {
        var pages = new PublicPages(path, engine, Audience.VISITORS);
        var lists = new LinkedHashMap<String, List<PublicPages.Card>>();
        for (var table : engine.installed().tables(Definition.Sort.TYPE)) {
            var recordType = table.recordType();
            var wanted = ((ContentType) recordType.definition()).publishing().visible()
                    ? query.apply(recordType)
                    : Optional.<ListQuery>empty();
            if (wanted.isPresent()) {
                var found = engine.records()
                        .page(
                                recordType.id(),
                                wanted.get()
                                        .as(Audience.VISITORS)
                                        .only(PublicPages.onCards(recordType))
                                        .most(PER_TYPE))
                        .orElseThrow();
                if (!found.records().isEmpty()) {
                    lists.put(recordType.plural(), pages.cards(recordType, found.records()));
                }
            }
        }
        return lists;
    }

    /** The numbers of a term and of all below it. */
    static List<String> under(List<StoredRecord> terms, StoredRecord term) {
        var found = new LinkedHashSet<>(Set.of(term.id()));
        boolean more = true;
        while (more) {
            more = terms.stream()
                            .filter(each -> each.parent()
                                    .map(Link::id)
                                    .filter(found::contains)
                                    .isPresent())
                            .map(StoredRecord::id)
                            .filter(found::add)
                            .count()
                    > 0;
        }
        return found.stream().map(String::valueOf).toList();
    }

    /** What sorts the list: what the type says, where lists can be sorted by it. */
    static String order(RecordType recordType, ContentType type) {
        return recordType.columns("").stream()
                        .anyMatch(field -> field.id().equals(type.index().order()))
                ? type.index().order()
                : "own_updated_at";
    }

    /** Records that are classified with one of these terms, or have one in a field; empty where a type uses none. */
    static Optional<ListQuery> uses(RecordType recordType, String taxonomyId, List<String> terms) {
        var ways = recordType.byId().values().stream()
                .filter(field -> field.kind() instanceof Kind.TermPick pick
                        && pick.taxonomy().equals(taxonomyId))
                .map(field -> (Condition)
                        (field.id().equals(taxonomyId)
                                ? new Condition.TermIs(taxonomyId, Condition.Test.UNDER, terms.subList(0, 1))
                                : new Condition.FieldIs(field.id(), Condition.Test.IS, terms)))
                .toList();
        return ways.isEmpty() ? Optional.empty() : Optional.of(ListQuery.ALL.where(new Condition.Any(ways)));
    }

    static Optional<RecordType> recordType(Site site, String path) {
        return site.installed().tables().values().stream()
                .map(table -> table.recordType())
                .filter(recordType -> recordType.path().equals(path))
                .filter(recordType -> !(recordType.definition() instanceof ContentType type)
                        || type.publishing().visible())
                .findFirst();
    }

    /** What the site's search finds, type by type. */
    static Map<String, List<PublicPages.Card>> found(Site engine, PageFrame frame, String words) {
        return lists(
                engine,
                frame.path(),
                type -> type.definition() instanceof ContentType is
                                && is.publishing().searchable()
                        ? Optional.of(ListQuery.ALL.search(words))
                        : Optional.empty());
    }
}

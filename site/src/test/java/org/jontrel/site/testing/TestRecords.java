package org.jontrel.site.testing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.site.Site;
import org.jontrel.site.record.RecordStore;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;

/** Records of a site's types by their keys, as tests want them. */
public final class TestRecords {
    private TestRecords() {}

    /** Id of the installed type with a key; one that nothing has where there is none. */
    public static String type(Site site, String key) {
        return site.installed()
                .table(Definition.Sort.TYPE, key)
                .map(table -> table.recordType().id())
                .orElse("nothing");
    }

    public static SaveResult save(
            Site site,
            String key,
            Optional<Long> id,
            int version,
            RecordState state,
            Map<String, ?> raw,
            String author) {
        return site.records()
                .save(new Write(
                        type(site, key),
                        id,
                        version,
                        state,
                        Optional.empty(),
                        Optional.empty(),
                        "",
                        Optional.empty(),
                        Optional.empty(),
                        raw,
                        true,
                        author));
    }

    public static Optional<StoredRecord> byId(Site site, String key, long id) {
        return site.records().byId(type(site, key), id);
    }

    public static Optional<StoredRecord> bySlug(Site site, String key, String slug) {
        return site.records().byAddress(type(site, key), slug).map(RecordStore.AddressedRecord::record);
    }

    public static long count(Site site, String key) {
        return count(site, key, ListQuery.ALL);
    }

    public static long count(Site site, String key, ListQuery query) {
        return site.records().count(type(site, key), query).records();
    }

    /** All records, page by page. */
    public static List<StoredRecord> all(Site site, String key) {
        var all = new ArrayList<StoredRecord>();
        var query = ListQuery.ALL.most(ListQuery.MOST).sortedBy("own_id", false);
        while (true) {
            var page = site.records().page(type(site, key), query).orElseThrow();
            all.addAll(page.records());
            if (page.next().isEmpty()) {
                return all;
            }
            query = query.after(page.next());
        }
    }
}

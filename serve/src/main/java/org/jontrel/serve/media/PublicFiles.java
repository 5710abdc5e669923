package org.jontrel.serve.media;

import java.util.Set;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Leaves;
import org.jontrel.core.value.Link;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.StoredRecord;

/** Which files everybody may have: those that something published uses where pages or the API show it. */
public final class PublicFiles {
    private PublicFiles() {}

    public static boolean has(Site site, long file) {
        return site.records().publishedUses(file).stream().anyMatch(use -> shows(site, use, file));
    }

    private static boolean shows(Site site, Link use, long file) {
        var recordType = site.installed().table(use.type()).map(table -> table.recordType());
        if (recordType.isEmpty()) {
            return false;
        }
        return onPages(recordType.get())
                || Audience.PUBLIC_API.reads(recordType.get())
                        && site.records().byIds(use.type(), Set.of(use.id())).stream()
                                .anyMatch(record -> inApi(recordType.get(), record, file));
    }

    private static boolean onPages(RecordType recordType) {
        return switch (recordType.definition()) {
            case ContentType type -> type.publishing().visible();
            default -> !recordType.single();
        };
    }

    private static boolean inApi(RecordType recordType, StoredRecord record, long file) {
        boolean[] found = {false};
        var given = recordType.fields().filter(Field::api).toList();
        Leaves.of(given, record.values(), (field, value) -> found[0] |= field.api() && value.equals(file));
        return found[0];
    }
}

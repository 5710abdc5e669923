package org.jontrel.server.media;

import java.util.Set;
import org.jontrel.core.holder.Holder;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
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
        var holder = site.installed().table(use.type()).map(table -> table.holder());
        if (holder.isEmpty()) {
            return false;
        }
        return onPages(holder.get())
                || Audience.PUBLIC_API.reads(holder.get())
                        && site.records().byIds(use.type(), Set.of(use.id())).stream()
                                .anyMatch(record -> inApi(holder.get(), record, file));
    }

    private static boolean onPages(Holder holder) {
        return switch (holder.definition()) {
            case ContentType type -> type.publishing().visible();
            default -> !holder.single();
        };
    }

    private static boolean inApi(Holder holder, StoredRecord record, long file) {
        boolean[] found = {false};
        var given = holder.fields().filter(Field::api).toList();
        Leaves.of(given, record.values(), (field, value) -> found[0] |= field.api() && value.equals(file));
        return found[0];
    }
}

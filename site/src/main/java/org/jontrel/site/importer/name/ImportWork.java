package org.jontrel.site.importer.name;

import java.sql.Connection;
import java.util.Set;
import org.jontrel.core.value.Link;
import org.jontrel.site.media.MediaStore;
import org.jontrel.site.record.write.SaveTransaction;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.RecordIds;

/**
 * What working on one import needs.
 *
 * @param author who brings the records
 * @param large whether it has many rows
 * @param crowded whether others are taking addresses of the same titles at the same time
 */
public record ImportWork(long id, String author, boolean large, MediaStore media, RecordIds ids, boolean crowded) {
    public long nextId() {
        return ids.next();
    }

    public ImportWork among(boolean others) {
        return new ImportWork(id, author, large, media, ids, others);
    }

    /** @param expected what may be led to though it is not there yet */
    public SaveTransaction saving(Connection connection, Binding binding, String typeId, Set<Link> expected) {
        return new SaveTransaction(
                connection, binding, binding.table(typeId).orElseThrow(), media, ids, crowded, expected);
    }
}

package org.jontrel.site.record.read;

import java.util.List;
import java.util.Optional;

/**
 * A page of a list.
 *
 * @param next where the next page begins; empty at the end
 */
public record RecordList(List<StoredRecord> records, Optional<String> next) {
    /**
     * How many records a list has.
     *
     * @param exact whether there are just so many, or more
     */
    public record Count(long records, boolean exact) {}
}

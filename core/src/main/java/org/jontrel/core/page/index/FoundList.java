package org.jontrel.core.page.index;

import java.util.List;
import java.util.Optional;
import org.jontrel.core.page.PageRecord;

/**
 * What a list shows.
 *
 * @param count of all that were found
 * @param isExact whether there are not more than that
 * @param records of this page; none where there are groups
 * @param next where the next page begins
 * @param groups in their order, without empty ones
 */
public record FoundList(
        long count, boolean isExact, List<PageRecord> records, Optional<String> next, List<FoundGroup> groups) {
    public FoundList {
        records = List.copyOf(records);
        groups = List.copyOf(groups);
    }

    /**
     * Records that have one value.
     *
     * @param value as addresses have it
     * @param count of all that have it; not known for those without any
     */
    public record FoundGroup(String value, String label, long count, List<PageRecord> records) {
        public FoundGroup {
            records = List.copyOf(records);
        }
    }
}

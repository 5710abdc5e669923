package org.jontrel.site.record.write;

import org.jontrel.site.record.read.StoredRecord;

/** What came of removing a record. */
public sealed interface RemoveResult
        permits RemoveResult.RemovedRecord,
                RemoveResult.HasChildren,
                SaveResult.Conflict,
                SaveResult.Missing,
                SaveResult.Closed {
    record RemovedRecord(StoredRecord record) implements RemoveResult {}

    /** Other records stand under it. */
    record HasChildren(long records) implements RemoveResult {
        /** Why it stays, and what to do. */
        public String sentence() {
            return records == 1
                    ? "One record has this one as its parent. Move or delete it first."
                    : records + " records have this one as their parent. Move or delete them first.";
        }
    }
}

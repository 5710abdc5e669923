package org.jontrel.site.record.write;

import java.util.List;
import org.jontrel.core.record.FormCheck;
import org.jontrel.site.record.read.StoredRecord;

/** What came of saving a record. */
public sealed interface SaveResult {
    record Stored(StoredRecord record) implements SaveResult {}

    /** Nothing was stored. */
    record Refused(List<FormCheck.Problem> problems) implements SaveResult {}

    /** Somebody else saved it since; nothing was stored. */
    record Conflict(StoredRecord current) implements SaveResult, RemoveResult {}

    /** There is no such record. */
    record Missing() implements SaveResult, RemoveResult {}

    /** The definitions are being switched, or a run was interrupted in the middle of it; nothing was stored. */
    record Closed() implements SaveResult, RemoveResult {}
}

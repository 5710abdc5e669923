package org.jontrel.site.record;

import java.util.List;
import org.jontrel.core.value.FormCheck;

/** What came of saving a record. */
public sealed interface Saved {
    record Stored(StoredRecord record) implements Saved {}

    /** Nothing was stored. */
    record Refused(List<FormCheck.Problem> problems) implements Saved {}

    /** Somebody else saved it since; nothing was stored. */
    record Conflict(StoredRecord current) implements Saved {}

    /** There is no such record. */
    record Missing() implements Saved {}

    /** The definitions are being switched, or a run was cut off in the middle of it; nothing was stored. */
    record Closed() implements Saved {}
}

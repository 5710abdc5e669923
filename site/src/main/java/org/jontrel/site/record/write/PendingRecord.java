package org.jontrel.site.record.write;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.record.FormCheck;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.read.StoredRecord;

/** A record on its way from what was sent to what is stored. */
record PendingRecord(
        Write write,
        long id,
        Optional<StoredRecord> before,
        boolean complete,
        Map<String, Object> values,
        RecordRows was,
        RecordRows is,
        List<FormCheck.Problem> problems) {
    References.RecordChange change() {
        return new References.RecordChange(id, was, is, problems);
    }

    long parentId() {
        return write.parent().map(Link::id).orElse(0L);
    }

    String title(RecordType recordType) {
        return String.valueOf(values.getOrDefault("part_title", recordType.single() ? recordType.key() : ""));
    }
}

package org.jontrel.serve.content;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import org.jontrel.core.page.FilledTexts;
import org.jontrel.core.page.PageNeeds;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.kind.Insertions;
import org.jontrel.site.page.PageReader;
import org.jontrel.site.record.read.StoredRecord;

/** Formatted texts as programs get them: with words in the values that editors have put into them. */
final class ContentTexts {
    private ContentTexts() {}

    static List<StoredRecord> filled(ContentCall call, RecordType recordType, List<StoredRecord> records) {
        if (records.stream()
                .allMatch(
                        record -> FilledTexts.held(recordType, record.values()).equals(Insertions.NONE))) {
            return records;
        }
        var given = new PageReader.Given(recordType.id(), records, true);
        var data =
                PageReader.read(call.engine(), call.pages(), call.audience(), call.siteName(), given, new PageNeeds());
        var texts = FilledTexts.of(call.pages(), data, LocalDate.now(ZoneOffset.UTC));
        return records.stream()
                .map(record -> data.record(new Link(recordType.id(), record.id()))
                        .map(each -> texts.marked(each, "/at/" + call.site() + "/"))
                        .map(each -> record.with(record.parent(), each.values()))
                        .orElse(record))
                .toList();
    }
}

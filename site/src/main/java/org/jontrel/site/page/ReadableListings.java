package org.jontrel.site.page;

import java.util.stream.Stream;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.block.RecordsForm;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.page.PageModel;
import org.jontrel.site.record.read.Audience;

/** Listings that say nothing to an audience of what it may not read. */
record ReadableListings(PageModel model, Audience audience) {
    /** Whether the audience may read all that a listing finds and sorts by. */
    boolean reads(Listing listing) {
        var compared = Stream.of(
                        listing.where().all().flatMap(ReadableListings::compared),
                        listing.order().stream().map(RecordsForm.Order::field),
                        Stream.of(listing.about()))
                .flatMap(each -> each);
        var recordType = model.recordType(listing.type());
        return audience.everyField()
                || compared.allMatch(id -> recordType
                        .flatMap(each -> each.field(id))
                        .map(audience::reads)
                        .orElse(true));
    }

    private static Stream<String> compared(Condition condition) {
        return switch (condition) {
            case Condition.FieldIs is -> Stream.of(is.field());
            case Condition.TermIs is -> Stream.of(is.taxonomy());
            default -> Stream.empty();
        };
    }
}

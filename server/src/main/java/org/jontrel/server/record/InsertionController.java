package org.jontrel.server.record;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.stream.Stream;
import org.jontrel.core.model.Listing;
import org.jontrel.core.reach.ModelNames;
import org.jontrel.core.reach.ValueScope;
import org.jontrel.core.reach.ValueWay;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** What editors may put into the formatted texts of a record. */
@RestController
class InsertionController {
    private static final int MOST_STEPS = 3;
    private static final int MOST = 2_000;
    private final RecordTypes recordTypes;

    InsertionController(RecordTypes recordTypes) {
        this.recordTypes = recordTypes;
    }

    @Schema(requiredProperties = {"sort", "name", "label"})
    record InsertionView(
            @Schema(description = "value or listing") String sort,

            @Schema(
                    description =
                            "What the text keeps: of a value ids with dots between, in data-value of a span; of a listing its id, in data-listing of a div")
            String name,

            @Schema(description = "What people call it now: labels of the steps, or the title of the listing")
            String label) {}

    /** Values of up to three steps, near ones first, and then the listings by their titles. */
    @GetMapping("/api/sites/{site}/" + RecordTypes.SORTS + "/{key}/insertions")
    List<InsertionView> insertions(@PathVariable String site, @PathVariable String sort, @PathVariable String key) {
        var at = recordTypes.at(site, sort, key);
        var model = at.engine().installed().model();
        var scope = ValueScope.records(
                new ModelNames(model), List.of(at.table().recordType().definition()));
        var values = ValueWay.all(scope, MOST_STEPS, MOST).stream()
                .filter(ValueWay::fitsIntoText)
                .map(way -> new InsertionView("value", way.path(), way.label()));
        var listings = model.all(Listing.class).stream()
                .map(listing -> new InsertionView("listing", listing.id(), listing.title()))
                .sorted(java.util.Comparator.comparing(InsertionView::label, String.CASE_INSENSITIVE_ORDER));
        return Stream.concat(values, listings).toList();
    }
}

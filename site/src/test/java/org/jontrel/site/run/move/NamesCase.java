package org.jontrel.site.run.move;

import java.util.List;
import java.util.Map;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestSite;

/** A site with moorings whose owners are names, and are to be contacts. */
abstract class NamesCase extends RecordsCase {
    static final Decision MAKE = decide("fowner", Decision.Topic.UNCONVERTED, Decision.Action.MAKE, "");

    static Model owned(Kind.Amount amount) {
        return with(Moorings.model(relation("owner", CONTACT, amount)));
    }

    /** The titles that a mooring's owner leads to. */
    List<String> owners(String title) {
        var mooring = test.site().records().all("tmooring", 100).stream()
                .filter(each -> each.title().equals(title))
                .findFirst();
        return contacts(mooring.orElseThrow().values().get("fowner"));
    }

    List<String> titles() {
        return contacts().stream().map(each -> each.title()).sorted().toList();
    }

    void draft(String title, String owner) {
        TestSite.stored(test.site()
                .records()
                .save(Write.fresh("tmooring", RecordState.DRAFT, Map.of("title", title, "owner", owner), "ben")));
    }
}

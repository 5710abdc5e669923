package org.jontrel.site.importer.name;

import java.util.Set;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.value.Link;

/** What came of looking for a name. */
public sealed interface FoundName {
    /**
     * One record or term has it.
     *
     * @param awaited itself, and what else must be made before it, of what the import makes
     */
    record Known(Link link, Set<Link> awaited) implements FoundName {}

    /** A row of the import has it that cannot be brought. */
    record Failing(int sheet, int row) implements FoundName {}

    /** More than one has it. */
    record Several() implements FoundName {}

    /** None has it. */
    record Unknown() implements FoundName {}

    /** None has it, and none of that name can be made. */
    record RefusedName(Finding finding) implements FoundName {}
}

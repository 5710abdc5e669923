package org.jontrel.core.sheet;

import java.util.List;

/** What the sheets of one or several files were seen to hold, and which columns point at which. */
public record WorkbookFacts(List<SheetFacts> sheets, List<SheetLink> links) {
    public WorkbookFacts {
        sheets = List.copyOf(sheets);
        links = List.copyOf(links);
    }
}

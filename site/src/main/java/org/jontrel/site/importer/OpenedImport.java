package org.jontrel.site.importer;

import java.util.List;
import java.util.Map;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.importer.ImportMapping;
import org.jontrel.core.sheet.WorkbookFacts;
import org.jontrel.site.importer.row.RowOutcome;

/**
 * An import with all that is said of it.
 *
 * @param files what somebody should know of the files
 * @param findings what keeps it from being tried, and what somebody should know of the mapping
 * @param outcomes how many rows of each sheet came out how, by the index of the sheet
 */
public record OpenedImport(
        ImportView view,
        WorkbookFacts facts,
        ImportMapping mapping,
        List<Finding> files,
        List<Finding> findings,
        Map<Integer, Map<RowOutcome, Long>> outcomes) {}

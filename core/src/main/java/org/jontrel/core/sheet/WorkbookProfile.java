package org.jontrel.core.sheet;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

/** Reads sheets once, and finds what their columns hold and which point at which. Memory is bounded, whatever the sheets hold. */
public final class WorkbookProfile {
    /** Fingerprints of all columns together: some 80 megabytes at the most. */
    private static final long MOST_FINGERPRINTS = 3_000_000;

    /** Of ten values at least nine must be found, for a column to point at another. */
    private static final double ENOUGH = 0.9;

    private static final int MOST_MISSING = 5;
    private static final int MOST_SHEETS = 100;
    /** Of all sheets together. */
    static final int MOST_COLUMNS = 2_000;

    private final List<SheetProfile> profiles = new ArrayList<>();
    private final List<SheetFacts> facts = new ArrayList<>();

    private WorkbookProfile() {}

    /**
     * @throws TooLargeWorkbookException where there are more than 100 sheets, or 2,000 columns together
     * @throws IOException where a sheet cannot be read to its end
     */
    public static WorkbookFacts of(List<? extends Sheet> sheets) throws IOException {
        var budget = new Fingerprints.Budget(MOST_FINGERPRINTS);
        var all = new WorkbookProfile();
        int columns = 0;
        if (sheets.size() > MOST_SHEETS) {
            throw new TooLargeWorkbookException(MOST_SHEETS, "sheets");
        }
        for (var sheet : sheets) {
            var profile = new SheetProfile(budget);
            sheet.read(profile::see);
            all.profiles.add(profile);
            all.facts.add(profile.facts(sheet));
            columns += all.facts.getLast().columns().size();
            if (columns > MOST_COLUMNS) {
                throw new TooLargeWorkbookException(MOST_COLUMNS, "columns");
            }
        }
        return new WorkbookFacts(all.facts, all.links());
    }

    private List<SheetLink> links() {
        var links = new ArrayList<SheetLink>();
        for (int i = 0; i < facts.size(); i++) {
            for (var column : facts.get(i).columns()) {
                for (int j = 0; j < facts.size(); j++) {
                    for (var to : facts.get(j).columns()) {
                        if ((i != j || column.index() != to.index()) && couldName(to)) {
                            link(links, i, column, j, to);
                        }
                    }
                }
            }
        }
        return links;
    }

    /** Whether the column tells the rows of its sheet apart; so it does where few come twice. */
    private static boolean couldName(ColumnFacts to) {
        return to.distinct() > 0
                && to.filled() >= to.empty()
                && to.distinct() * 20 >= to.filled() * 19
                && to.longest() <= 200;
    }

    private void link(List<SheetLink> links, int i, ColumnFacts column, int j, ColumnFacts to) {
        var target = profiles.get(j).column(to.index()).fingerprints();
        var whole = link(
                i, column, "", j, to, profiles.get(i).column(column.index()).fingerprints(), target);
        if (whole != null) {
            links.add(whole);
            return;
        }
        ColumnProfile.SEPARATORS.stream()
                .filter(column.parts()::containsKey)
                .filter(separator -> !separator.equals(">"))
                .map(separator -> link(
                        i,
                        column,
                        separator,
                        j,
                        to,
                        profiles.get(i).column(column.index()).fingerprints(separator),
                        target))
                .filter(Objects::nonNull)
                .findFirst()
                .ifPresent(links::add);
    }

    private SheetLink link(
            int i,
            ColumnFacts column,
            String separator,
            int j,
            ColumnFacts to,
            Fingerprints values,
            Fingerprints target) {
        if (values == null || !values.known() || !target.known() || values.size() == 0) {
            return null;
        }
        int found = values.shared(target);
        // a column of which only one value is there says nothing, nor does one that could name its own rows by chance
        boolean enough = found >= 2 && found >= values.size() * ENOUGH;
        if (!enough) {
            return null;
        }
        var common = separator.isEmpty()
                ? column.common()
                : column.parts().get(separator).common();
        var missing = common.stream()
                .filter(each -> !target.contains(Fingerprints.of(each.text())))
                .limit(MOST_MISSING)
                .toList();
        return new SheetLink(i, column.index(), separator, j, to.index(), values.size(), found, missing);
    }
}

package org.jontrel.core.importer;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import org.jontrel.core.sheet.ColumnFacts;
import org.jontrel.core.sheet.SheetFacts;

/**
 * A name for each column of a sheet, which the same sheet has next month too, whatever columns stand between: its header with that of the
 * group above it ({@code Chamber / Length}), with a number where several have the same, or its letter where it has none.
 */
public final class ColumnNames {
    private ColumnNames() {}

    /** By the index of the column. */
    public static Map<Integer, String> of(SheetFacts sheet) {
        var names = new LinkedHashMap<Integer, String>();
        var taken = new HashSet<String>();
        for (var column : sheet.columns()) {
            var plain = plain(column);
            var name = plain;
            for (int n = 2; !taken.add(folded(name)); n++) {
                name = plain + " (" + n + ")";
            }
            names.put(column.index(), name);
        }
        return names;
    }

    private static String plain(ColumnFacts column) {
        return column.group().isBlank() ? column.title() : column.group().strip() + " / " + column.title();
    }

    /** As names of columns are compared. */
    static String folded(String name) {
        return name.strip().replaceAll("\\s+", " ").toLowerCase(Locale.ROOT);
    }
}

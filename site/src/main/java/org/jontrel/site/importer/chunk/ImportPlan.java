package org.jontrel.site.importer.chunk;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.importer.BoundColumn;
import org.jontrel.core.importer.BoundSheet;
import org.jontrel.core.importer.ColumnMapping;
import org.jontrel.core.importer.ImportMapping;
import org.jontrel.core.importer.SheetMapping;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;
import org.jontrel.core.sheet.WorkbookFacts;

/**
 * The sheets of an import in the order of working: terms, then records, then rows of records.
 *
 * @param sheets of which something is brought
 */
public record ImportPlan(WorkbookFacts facts, List<BoundSheet> sheets) {
    public static ImportPlan of(WorkbookFacts facts, ImportMapping mapping, Model model) {
        var sheets = new ArrayList<BoundSheet>();
        boolean only = facts.sheets().size() == 1;
        for (int i = 0; i < facts.sheets().size(); i++) {
            var seen = facts.sheets().get(i);
            int index = i;
            mapping.sheet(seen.name(), only)
                    .flatMap(each -> BoundSheet.of(index, seen, each, model))
                    .ifPresent(sheets::add);
        }
        sheets.sort(Comparator.comparing(ImportPlan::turn));
        return new ImportPlan(facts, List.copyOf(sheets));
    }

    private static int turn(BoundSheet sheet) {
        return sheet.mapping().use() == SheetMapping.SheetUse.ROWS
                ? 2
                : sheet.recordType() != null && sheet.recordType().definition().sort() == Definition.Sort.TAXONOMY
                        ? 0
                        : 1;
    }

    public List<Finding> findings() {
        var none =
                sheets.isEmpty() ? Stream.of(Finding.of(Code.IMPORT_NOTHING, Place.NOWHERE)) : Stream.<Finding>empty();
        return Stream.concat(none, sheets.stream().flatMap(each -> each.findings().stream()))
                .toList();
    }

    public boolean runnable() {
        return !Finding.blocks(findings());
    }

    public Optional<BoundSheet> sheet(int index) {
        return sheets.stream().filter(each -> each.index() == index).findFirst();
    }

    public String name(int sheet) {
        return facts.sheets().get(sheet).name();
    }

    /** Of a sheet, the columns whose texts others name its rows by, by how they are named. */
    public Map<String, BoundColumn> named(BoundSheet sheet) {
        var asked = asked(sheet.recordType().id());
        sheet.keyBy().ifPresent(asked::add);
        var columns = new LinkedHashMap<String, BoundColumn>();
        for (var column : sheet.columns()) {
            var by = BoundSheet.by(sheet.recordType(), column);
            if (asked.contains(by)) {
                columns.putIfAbsent(by, column);
            }
        }
        return columns;
    }

    /** How records of a type are named by columns of all sheets. */
    private Set<String> asked(String type) {
        var asked = new LinkedHashSet<String>();
        sheets.stream()
                .flatMap(each -> each.columns().stream())
                .filter(each -> each.targets().contains(type))
                .map(each -> each.mapping().by())
                // the last label of a way is the title of its term
                .map(by -> by.equals(ColumnMapping.BY_PATH) ? ColumnMapping.BY_TITLE : by)
                .forEach(asked::add);
        return asked;
    }
}

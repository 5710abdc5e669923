package org.jontrel.core.importer;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.sheet.SheetFacts;

/** What keeps the rows of a sheet from going where its mapping says. */
final class SheetChecks {
    private static final Set<String> TELLING = Set.of("text", "number", "email", "phone");
    private final BoundSheet bound;
    private final SheetFacts facts;
    private final SheetMapping mapping;
    private final Model model;
    private final List<Finding> findings = new ArrayList<>();

    SheetChecks(BoundSheet bound, SheetFacts facts, Model model) {
        this.bound = bound;
        this.facts = facts;
        this.mapping = bound.mapping();
        this.model = model;
    }

    private void find(Code code, Object... arguments) {
        findings.add(Finding.of(code, Place.file(facts.file()), arguments));
    }

    List<Finding> all() {
        names();
        twice();
        if (mapping.use() == SheetMapping.SheetUse.ROWS) {
            rows();
        } else {
            key();
            rowsWithin();
        }
        return findings;
    }

    /** Names lead to what has such names. */
    private void names() {
        for (var column : bound.columns()) {
            if (column.goal() == ColumnMapping.Goal.PARENT && column.targets().isEmpty()) {
                find(Code.IMPORT_NO_PARENT, column.name(), bound.recordType().singular());
            }
            var by = column.mapping().by();
            for (var target : column.targets()) {
                var type = BoundSheet.recordType(model, target);
                if (type.isPresent() && !tells(type.get(), by)) {
                    find(Code.IMPORT_BY_UNKNOWN, column.name(), by, type.get().singular());
                }
            }
        }
    }

    private static boolean tells(RecordType type, String by) {
        return switch (by) {
            case ColumnMapping.BY_TITLE -> type.title().isPresent();
            case ColumnMapping.BY_PATH -> type.definition().sort() == Definition.Sort.TAXONOMY;
            case ColumnMapping.BY_ADDRESS, ColumnMapping.BY_NUMBER -> true;
            default ->
                type.columns("").stream()
                        .anyMatch(each -> each.key().equals(by)
                                && TELLING.contains(each.kind().code()));
        };
    }

    private void twice() {
        var taken = new HashSet<String>();
        for (var column : bound.columns()) {
            var goal = column.goal() == ColumnMapping.Goal.FIELD
                    ? column.way() + " " + column.mapping().row() + " "
                            + column.mapping().part()
                    : column.goal().name();
            if (!taken.add(goal)) {
                find(Code.IMPORT_TWICE, facts.name(), column.name());
            }
        }
    }

    private void rows() {
        if (bound.column(ColumnMapping.Goal.OWNER).isEmpty()) {
            find(Code.IMPORT_NO_OWNER, facts.name(), bound.recordType().singular());
        }
        var outer = bound.columns().stream()
                .filter(each -> each.goal() == ColumnMapping.Goal.FIELD)
                .map(each -> each.fields().getFirst())
                .distinct()
                .toList();
        boolean several = outer.size() == 1
                && (outer.getFirst().kind() instanceof Kind.Repeater
                        || outer.getFirst().kind().amount().many());
        if (!several) {
            find(Code.IMPORT_ROWS_OF_ONE, facts.name());
        }
    }

    /** A row that is a record has one cell for a field of rows: which of them it is, must be said. */
    private void rowsWithin() {
        for (var column : bound.columns()) {
            var outer = column.fields().stream()
                    .limit(Math.max(0, column.fields().size() - 1))
                    .filter(each -> each.kind() instanceof Kind.Repeater)
                    .findFirst();
            if (outer.isPresent() && column.mapping().row() == 0) {
                find(
                        Code.IMPORT_ROW_NEEDED,
                        column.name(),
                        column.field().label(),
                        outer.get().label());
            }
        }
    }

    private void key() {
        boolean makes = mapping.mode() != SheetMapping.Mode.CHANGED;
        if (mapping.key().isBlank()) {
            if (mapping.mode() == SheetMapping.Mode.CHANGED) {
                find(Code.IMPORT_KEY_NEEDED, facts.name());
            }
        } else if (bound.key().isEmpty()) {
            find(Code.IMPORT_KEY_MISSING, facts.name(), mapping.key());
        } else if (!tells(bound.recordType(), bound.keyBy().orElse(""))
                || bound.keyBy().get().isEmpty()) {
            find(Code.IMPORT_KEY_KIND, mapping.key());
        }
        var title = bound.recordType().title();
        if (makes
                && title.isPresent()
                && bound.columns().stream()
                        .noneMatch(each -> each.goal() == ColumnMapping.Goal.FIELD
                                && each.field().id().equals(title.get().id()))) {
            find(
                    Code.IMPORT_NO_TITLE,
                    facts.name(),
                    bound.recordType().singular(),
                    title.get().label());
        }
    }
}

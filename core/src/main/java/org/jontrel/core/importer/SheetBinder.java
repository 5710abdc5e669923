package org.jontrel.core.importer;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.sheet.SheetFacts;

/** Finds the fields that the columns of a sheet go to, and what is wrong with where they go. */
final class SheetBinder {
    private final int index;
    private final SheetFacts facts;
    private final SheetMapping mapping;
    private final Model model;
    private final List<Finding> findings = new ArrayList<>();
    private final List<BoundColumn> columns = new ArrayList<>();

    SheetBinder(int index, SheetFacts facts, SheetMapping mapping, Model model) {
        this.index = index;
        this.facts = facts;
        this.mapping = mapping;
        this.model = model;
    }

    BoundSheet bind() {
        var to = BoundSheet.recordType(model, mapping.to());
        if (to.isEmpty()) {
            find(Code.IMPORT_TYPE_UNKNOWN, facts.name(), mapping.to());
            return new BoundSheet(index, mapping, null, List.of(), findings);
        }
        var byName = new HashMap<String, Integer>();
        ColumnNames.of(facts).forEach((column, name) -> byName.put(ColumnNames.folded(name), column));
        for (var each : mapping.columns()) {
            var column = byName.get(ColumnNames.folded(each.column()));
            if (each.goal() == ColumnMapping.Goal.SKIP) {
                continue;
            }
            if (column == null) {
                find(Code.IMPORT_COLUMN_MISSING, facts.name(), each.column());
            } else {
                bind(to.get(), each, column);
            }
        }
        var bound = new BoundSheet(index, mapping, to.get(), columns, List.of());
        findings.addAll(new SheetChecks(bound, facts, model).all());
        return new BoundSheet(index, mapping, to.get(), columns, findings);
    }

    private void find(Code code, Object... arguments) {
        findings.add(Finding.of(code, Place.file(facts.file()), arguments));
    }

    private void bind(RecordType to, ColumnMapping column, int at) {
        switch (column.goal()) {
            case FIELD -> field(to, column, at);
            case PARENT ->
                columns.add(new BoundColumn(
                        at, column, List.of(), List.copyOf(to.nesting().under())));
            case OWNER -> columns.add(new BoundColumn(at, column, List.of(), List.of(to.id())));
            default -> columns.add(new BoundColumn(at, column, List.of(), List.of()));
        }
    }

    private void field(RecordType to, ColumnMapping column, int at) {
        var fields = fields(to, column.field());
        if (fields.isEmpty()) {
            var keys = to.fields().map(Field::key).toList();
            find(
                    Code.IMPORT_FIELD_UNKNOWN,
                    column.column(),
                    column.field(),
                    to.singular(),
                    Nearest.hint(column.field(), keys));
            return;
        }
        var field = fields.getLast();
        if (!field.kind().holdsValue() || field.kind() instanceof Kind.Nested) {
            find(Code.IMPORT_FIELD_WHOLE, column.column(), field.label());
            return;
        }
        var targets =
                switch (field.kind()) {
                    case Kind.Relation relation -> List.copyOf(relation.to());
                    case Kind.TermPick term -> List.of(term.taxonomy());
                    default -> List.<String>of();
                };
        columns.add(new BoundColumn(at, column, fields, targets));
    }

    /** The fields from the outermost to the one with an id, or with keys. */
    private static List<Field> fields(RecordType to, String field) {
        var byId = way(to.fields().toList(), field);
        if (!byId.isEmpty()) {
            return byId;
        }
        var way = new ArrayList<Field>();
        var here = to.fields().toList();
        for (var key : field.split("\\.")) {
            var next = here.stream().filter(each -> each.key().equals(key)).findFirst();
            if (next.isEmpty()) {
                return List.of();
            }
            way.add(next.get());
            here = next.get().inner();
        }
        return way;
    }

    private static List<Field> way(List<Field> fields, String id) {
        for (var each : fields) {
            if (each.id().equals(id)) {
                return List.of(each);
            }
            var within = way(each.inner(), id);
            if (!within.isEmpty()) {
                var way = new ArrayList<>(List.of(each));
                way.addAll(within);
                return way;
            }
        }
        return List.of();
    }
}

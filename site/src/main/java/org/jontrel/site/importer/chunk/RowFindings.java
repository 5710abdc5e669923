package org.jontrel.site.importer.chunk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.importer.BoundColumn;
import org.jontrel.core.importer.BoundSheet;
import org.jontrel.core.importer.CellName;
import org.jontrel.core.importer.CellProblem;
import org.jontrel.core.importer.ColumnMapping;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.record.FormCheck;
import org.jontrel.site.importer.name.FoundName;

/** Problems of rows, each at the column that it comes from. */
public record RowFindings(ImportPlan plan, BoundSheet sheet) {
    public CellProblem of(int column, String text, Code code, Object... more) {
        var arguments = new ArrayList<Object>(List.of(name(column)));
        arguments.addAll(List.of(more));
        return new CellProblem(column, text, Finding.of(code, Place.NOWHERE, arguments.toArray()));
    }

    private String name(int column) {
        return sheet.columns().stream()
                .filter(each -> each.index() == column)
                .map(BoundColumn::name)
                .findFirst()
                .orElse("");
    }

    /** Why a name leads nowhere; empty where it does, or where it is to be left out. */
    public Optional<CellProblem> of(CellName name, FoundName found) {
        return switch (found) {
            case FoundName.Known _ -> Optional.empty();
            case FoundName.Failing(int at, int row) ->
                leaves(name)
                        ? Optional.empty()
                        : Optional.of(of(
                                name.column(), name.text(), Code.IMPORT_NAME_FAILS, name.text(), row, plan.name(at)));
            case FoundName.Several _ ->
                Optional.of(of(name.column(), name.text(), Code.IMPORT_NAME_SEVERAL, name.text()));
            case FoundName.Unknown _ ->
                leaves(name)
                        ? Optional.empty()
                        : Optional.of(of(
                                name.column(),
                                name.text(),
                                name.targets().isEmpty() ? Code.IMPORT_FILE_UNKNOWN : Code.IMPORT_NAME_UNKNOWN,
                                name.text()));
            case FoundName.RefusedName(Finding finding) ->
                Optional.of(new CellProblem(name.column(), name.text(), finding));
        };
    }

    private static boolean leaves(CellName name) {
        return name.missing() == ColumnMapping.WhenMissing.LEAVE;
    }

    /** What a check of the whole record says, at the column from which it came. */
    public CellProblem of(FormCheck.Problem problem, List<String> cells) {
        var column = column(problem.path()).map(BoundColumn::index).orElse(CellProblem.ROW);
        var text = column >= 0 && column < cells.size() ? cells.get(column) : "";
        return new CellProblem(column, text, problem.finding());
    }

    private Optional<BoundColumn> column(String path) {
        return switch (path) {
            case "slug" -> sheet.column(ColumnMapping.Goal.ADDRESS);
            case "parent" -> sheet.column(ColumnMapping.Goal.PARENT);
            case "publish_at" -> sheet.column(ColumnMapping.Goal.PUBLISH_AT);
            case "retire_at" -> sheet.column(ColumnMapping.Goal.RETIRE_AT);
            default -> field(path);
        };
    }

    private Optional<BoundColumn> field(String path) {
        var exact = sheet.columns().stream()
                .filter(each -> each.goal() == ColumnMapping.Goal.FIELD)
                .filter(each -> ways(each).anyMatch(path::equals))
                .findFirst();
        var bare = path.replaceAll("\\.[0-9]+(?=\\.|$)", "");
        return exact.or(() -> sheet.columns().stream()
                .filter(each -> each.goal() == ColumnMapping.Goal.FIELD)
                .filter(each -> each.way().equals(bare) || each.way().startsWith(bare + "."))
                .findFirst());
    }

    /** With the numbers of rows, as checks tell them. */
    private static Stream<String> ways(BoundColumn column) {
        int row = column.mapping().row();
        if (row == 0) {
            return Stream.of(column.way());
        }
        var way = new StringBuilder();
        for (Field field : column.fields()) {
            way.append(way.isEmpty() ? "" : ".").append(field.key());
            if (field.kind() instanceof Kind.Repeater) {
                way.append('.').append(row - 1);
            }
        }
        return Stream.of(way.toString());
    }
}

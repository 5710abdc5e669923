package org.jontrel.site.importer.row;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.importer.CellProblem;
import org.jontrel.site.table.Jdbc;

/** The rows of one import and what is wrong with them, page by page. */
public record ImportRows(Connection connection, long id) {
    /** Rows of a page at most. */
    public static final int MOST = 500;

    private static final int MOST_KINDS = 500;

    /**
     * A row with its problems.
     *
     * @param outcome {@code null} where it is not known yet
     * @param record number of its record; 0 where there is none
     */
    public record ShownRow(
            int sheet, int number, List<String> cells, RowOutcome outcome, long record, List<CellProblem> problems) {}

    /**
     * The same problem of several rows.
     *
     * @param column index of the column; -1 where it is about whole rows
     * @param text of the cells
     * @param row the first of them
     */
    public record SameProblem(int sheet, int column, String text, Finding finding, long rows, int row) {}

    /** How many rows of each sheet came out how. */
    public Map<Integer, Map<RowOutcome, Long>> outcomes() throws SQLException {
        var outcomes = new LinkedHashMap<Integer, Map<RowOutcome, Long>>();
        Jdbc.each(
                connection,
                "SELECT sheet, outcome, COUNT(*) FROM jontrel_import_row WHERE import_id = ? AND outcome IS NOT NULL GROUP BY"
                        + " sheet, outcome",
                row -> outcomes.computeIfAbsent(row.getInt(1), _ -> new EnumMap<>(RowOutcome.class))
                        .put(RowOutcome.of(row.getString(2)), row.getLong(3)),
                id);
        return outcomes;
    }

    /**
     * Rows of a sheet behind a number, in order.
     *
     * @param outcome {@code null} for all
     */
    public List<ShownRow> rows(int sheet, RowOutcome outcome, int after, int most) throws SQLException {
        var parameters = new ArrayList<Object>(List.of(id, sheet, after));
        if (outcome != null) {
            parameters.add(outcome.code());
        }
        var rows = Jdbc.query(
                connection,
                "SELECT number, cells, outcome, record_id FROM jontrel_import_row WHERE import_id = ? AND sheet = ? AND number"
                        + " > ?" + (outcome == null ? "" : " AND outcome = ?") + " ORDER BY number LIMIT "
                        + Math.clamp(most, 1, MOST),
                row -> new ShownRow(
                        sheet,
                        row.getInt(1),
                        MappingText.cells(row.getString(2)),
                        RowOutcome.of(row.getString(3)),
                        row.getLong(4),
                        List.of()),
                parameters.toArray());
        return withProblems(sheet, rows);
    }

    private List<ShownRow> withProblems(int sheet, List<ShownRow> rows) throws SQLException {
        if (rows.isEmpty()) {
            return rows;
        }
        var problems = new HashMap<Integer, List<CellProblem>>();
        Jdbc.each(
                connection,
                "SELECT number, col, text, finding FROM jontrel_import_problem WHERE import_id = ? AND sheet = ? AND number"
                        + " BETWEEN ? AND ? ORDER BY number, seq",
                row -> problems.computeIfAbsent(row.getInt(1), _ -> new ArrayList<>())
                        .add(new CellProblem(row.getInt(2), row.getString(3), MappingText.finding(row.getString(4)))),
                id,
                sheet,
                rows.getFirst().number(),
                rows.getLast().number());
        return rows.stream()
                .map(row -> new ShownRow(
                        row.sheet(),
                        row.number(),
                        row.cells(),
                        row.outcome(),
                        row.record(),
                        problems.getOrDefault(row.number(), List.of())))
                .toList();
    }

    /** What is wrong, the most frequent first: each cell's text that is wrong in the same way once. */
    public List<SameProblem> problems() throws SQLException {
        return Jdbc.query(
                connection,
                "SELECT sheet, col, text, MIN(finding), COUNT(*) AS many, MIN(number) FROM jontrel_import_problem WHERE"
                        + " import_id = ? GROUP BY sheet, col, code, text ORDER BY many DESC, sheet, col, text LIMIT "
                        + MOST_KINDS,
                row -> new SameProblem(
                        row.getInt(1),
                        row.getInt(2),
                        row.getString(3),
                        MappingText.finding(row.getString(4)),
                        row.getLong(5),
                        row.getInt(6)),
                id);
    }

    /** A cell becomes another; whether there is such a row. */
    public boolean correct(int sheet, int number, int column, String text) throws SQLException {
        var found = Jdbc.first(
                connection,
                "SELECT cells FROM jontrel_import_row WHERE import_id = ? AND sheet = ? AND number = ? FOR UPDATE",
                row -> MappingText.cells(row.getString(1)),
                id,
                sheet,
                number);
        if (found.isEmpty()) {
            return false;
        }
        var cells = new ArrayList<>(found.get());
        while (cells.size() <= column) {
            cells.add("");
        }
        cells.set(column, text);
        Jdbc.update(
                connection,
                "UPDATE jontrel_import_row SET cells = ? WHERE import_id = ? AND sheet = ? AND number = ?",
                MappingText.cells(cells),
                id,
                sheet,
                number);
        return true;
    }
}

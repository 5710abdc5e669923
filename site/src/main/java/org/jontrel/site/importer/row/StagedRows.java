package org.jontrel.site.importer.row;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.importer.CellProblem;
import org.jontrel.core.naming.VisibleText;
import org.jontrel.site.table.Jdbc;

/** The rows of one import, in the site's own tables. */
public record StagedRows(Connection connection, long id) {
    static final String ROW =
            "SELECT sheet, number, cells, record_id, fresh, level, outcome FROM jontrel_import_row WHERE import_id = ?";
    private static final int LONGEST_TEXT = 255;

    /** @param rows sheet, number and cells of each */
    public void insert(List<List<Object>> rows) throws SQLException {
        Jdbc.insertAll(connection, "INSERT INTO jontrel_import_row (import_id, sheet, number, cells)", "", rows);
    }

    static StagedRow row(ResultSet row) throws SQLException {
        return new StagedRow(
                row.getInt(1),
                row.getInt(2),
                MappingText.cells(row.getString(3)),
                row.getLong(4),
                row.getInt(5) > 0,
                row.getInt(6),
                RowOutcome.of(row.getString(7)));
    }

    /** In the order of numbers. */
    public List<StagedRow> after(int sheet, long number, int most) throws SQLException {
        return Jdbc.query(
                connection,
                ROW + " AND sheet = ? AND number > ? ORDER BY number LIMIT " + most,
                StagedRows::row,
                id,
                sheet,
                number);
    }

    /** What others stand under comes before those. */
    public List<StagedRow> placed(int sheet, int level, long number, int most) throws SQLException {
        return Jdbc.query(
                connection,
                ROW + " AND sheet = ? AND (level = ? AND number > ? OR level > ?) ORDER BY level, number LIMIT " + most,
                StagedRows::row,
                id,
                sheet,
                level,
                number,
                level);
    }

    /** Those that lead to other rows of the import, and are not known to fail. */
    public List<StagedRow> leading(int sheet, long number, int most) throws SQLException {
        return Jdbc.query(
                connection,
                ROW + " AND sheet = ? AND number > ? AND leads = 1 AND outcome <> 'failed' ORDER BY number LIMIT "
                        + most,
                StagedRows::row,
                id,
                sheet,
                number);
    }

    public List<StagedRow> numbered(int sheet, Collection<Integer> numbers) throws SQLException {
        return having(sheet, "number", numbers, "number");
    }

    List<StagedRow> having(int sheet, String column, Collection<?> values, String order) throws SQLException {
        var parameters = new ArrayList<Object>(List.of(id, sheet));
        parameters.addAll(Jdbc.padded(values));
        var in = " AND sheet = ? AND " + column + " IN (" + Jdbc.marks(parameters.size() - 2) + ") ORDER BY " + order;
        return Jdbc.query(connection, ROW + in, StagedRows::row, parameters.toArray());
    }

    /** Those that stand under themselves; the first ten thousand. */
    public List<StagedRow> unplaced(int sheet) throws SQLException {
        return Jdbc.query(
                connection,
                ROW + " AND sheet = ? AND level = -1 AND outcome <> 'failed' ORDER BY number LIMIT 10000",
                StagedRows::row,
                id,
                sheet);
    }

    /** Which record of the same import each row stands under. */
    public void above(int sheet, Map<Integer, Long> above) throws SQLException {
        var rows = new ArrayList<List<Object>>();
        above.forEach((number, record) -> {
            if (record != 0) {
                rows.add(List.of(record, number));
            }
        });
        Jdbc.batch(
                connection,
                "UPDATE jontrel_import_row SET above = ? WHERE import_id = " + id + " AND sheet = " + sheet
                        + " AND number = ?",
                rows);
    }

    /**
     * What became of rows; with one statement for each outcome.
     *
     * @param rows as they were; where a trial has told the same, nothing is stored
     */
    public void outcomes(int sheet, List<StagedRow> rows, Map<Integer, RowOutcome> outcomes) throws SQLException {
        var known = new HashMap<Integer, RowOutcome>();
        rows.forEach(row -> known.put(row.number(), row.outcome()));
        var numbers = new EnumMap<RowOutcome, List<Integer>>(RowOutcome.class);
        outcomes.forEach((number, outcome) -> {
            if (known.get(number) != outcome) {
                numbers.computeIfAbsent(outcome, _ -> new ArrayList<>()).add(number);
            }
        });
        for (var each : numbers.entrySet()) {
            some(sheet, each.getValue(), "outcome = '" + each.getKey().code() + "'");
        }
    }

    /** @param change what is set */
    public void some(int sheet, Collection<Integer> numbers, String change) throws SQLException {
        if (numbers.isEmpty()) {
            return;
        }
        var parameters = new ArrayList<Object>(List.of(id, sheet));
        parameters.addAll(Jdbc.padded(numbers));
        Jdbc.update(
                connection,
                "UPDATE jontrel_import_row SET " + change + " WHERE import_id = ? AND sheet = ? AND number IN ("
                        + Jdbc.marks(parameters.size() - 2) + ")",
                parameters);
    }

    /** Which records rows are: number of the record, whether it is new, outcome, number of the row. */
    public void records(int sheet, List<List<Object>> records) throws SQLException {
        var rows = new ArrayList<List<Object>>();
        for (var each : records) {
            var row = new ArrayList<Object>(List.of(id, sheet, each.getLast(), ""));
            row.addAll(each.subList(0, each.size() - 1));
            rows.add(row);
        }
        // all of them are there: they are changed
        Jdbc.insertAll(
                connection,
                "INSERT INTO jontrel_import_row (import_id, sheet, number, cells, record_id, fresh, outcome)",
                " ON DUPLICATE KEY UPDATE record_id = VALUES(record_id), fresh = VALUES(fresh), outcome = VALUES(outcome)",
                rows);
    }

    /** Problems of rows that had none yet. */
    public void problems(int sheet, Map<Integer, List<CellProblem>> problems) throws SQLException {
        var rows = new ArrayList<List<Object>>();
        problems.forEach((number, all) -> {
            int seq = 0;
            for (var each : all) {
                rows.add(List.of(
                        id,
                        sheet,
                        number,
                        seq++,
                        each.column(),
                        each.finding().code().name(),
                        VisibleText.start(each.text(), LONGEST_TEXT),
                        MappingText.finding(each.finding())));
            }
        });
        Jdbc.insertAll(
                connection,
                "INSERT IGNORE INTO jontrel_import_problem (import_id, sheet, number, seq, col, code, text, finding)",
                "",
                rows);
    }

    /** All that was found out of the rows is forgotten; the rows stay. */
    public void reset() throws SQLException {
        Jdbc.update(connection, "DELETE FROM jontrel_import_problem WHERE import_id = ?", id);
        Jdbc.update(connection, "DELETE FROM jontrel_import_name WHERE import_id = ?", id);
        Jdbc.update(connection, "DELETE FROM jontrel_import_made WHERE import_id = ?", id);
        Jdbc.update(
                connection,
                "UPDATE jontrel_import_row SET record_id = 0, fresh = 0, level = 0, above = 0, leads = 0, outcome = NULL WHERE"
                        + " import_id = ?",
                id);
    }

    /** Nothing of the import is left. */
    public void delete() throws SQLException {
        for (var table : List.of("problem", "name", "made", "row", "record")) {
            Jdbc.update(connection, "DELETE FROM jontrel_import_" + table + " WHERE import_id = ?", id);
        }
    }
}

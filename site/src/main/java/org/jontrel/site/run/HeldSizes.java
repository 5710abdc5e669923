package org.jontrel.site.run;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/** How much is held: by one statement for each table that has held columns, and the database's own figures for tables. */
final class HeldSizes {
    private final Connection connection;
    private final Map<String, HeldSize> columns = new HashMap<>();

    record HeldSize(long values, long bytes) {}

    HeldSizes(Connection connection, List<HeldPlace> places) throws SQLException {
        this.connection = connection;
        var byTable = places.stream().filter(HeldPlace::isColumn).collect(Collectors.groupingBy(HeldPlace::table));
        for (var each : byTable.entrySet()) {
            count(each.getKey(), each.getValue());
        }
    }

    private void count(String table, List<HeldPlace> places) throws SQLException {
        var sql = places.stream()
                .map(place -> PhysicalNames.quoted(place.column()))
                .map(column -> "COUNT(" + column + "), COALESCE(SUM(OCTET_LENGTH(" + column + ")), 0)")
                .collect(Collectors.joining(", ", "SELECT ", " FROM " + PhysicalNames.quoted(table)));
        Jdbc.each(connection, sql, row -> {
            for (int i = 0; i < places.size(); i++) {
                columns.put(places.get(i).name(), new HeldSize(row.getLong(1 + 2 * i), row.getLong(2 + 2 * i)));
            }
        });
    }

    HeldSize of(HeldPlace place) throws SQLException {
        if (place.isColumn()) {
            return columns.get(place.name());
        }
        var main = place.tables().get(PhysicalNames.mark(place.recordType().id(), place.fieldId()));
        long values = main == null ? 0 : Jdbc.number(connection, "SELECT COUNT(*) FROM " + PhysicalNames.quoted(main));
        var names =
                place.tables().values().stream().map(name -> "'" + name + "'").collect(Collectors.joining(", "));
        return new HeldSize(
                values,
                Jdbc.number(
                        connection,
                        "SELECT COALESCE(SUM(data_length + index_length), 0) FROM information_schema.tables"
                                + " WHERE table_schema = DATABASE() AND table_name IN (" + names + ")"));
    }
}

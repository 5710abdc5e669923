package org.jontrel.site.record.read;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.record.Conversion;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.ColumnValues;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.SureValues;

/** Finds the values of a field that another model cannot take as they are, wherever the field stands. */
public record UnconvertedValues(Connection connection, Binding binding) {
    private static final int REMEMBERED = 20_000;

    /** @param records how many have it; rows where the field stands in rows */
    public record CountedValue(String text, long records) {}

    /**
     * The most frequent values.
     *
     * @param distinct how many values there are, or more where so many cannot be remembered
     */
    public record CountedValues(List<CountedValue> values, int distinct, boolean more) {}

    public CountedValues of(Model to, String fieldId, int most) throws SQLException {
        var counts = new LinkedHashMap<String, Long>();
        boolean[] more = {false};
        for (var table : binding.tables().values()) {
            var before = table.recordType().field(fieldId);
            var after = to.definition(table.recordType().id())
                    .flatMap(each -> RecordType.of(to, each))
                    .flatMap(each -> each.field(fieldId));
            var place = table.placeOf(fieldId);
            if (before.isPresent() && after.isPresent() && place.isPresent() && inColumns(before.get(), after.get())) {
                count(place.get(), new Conversion(before.get(), after.get(), null), counts, more);
            }
        }
        var values = counts.entrySet().stream()
                .sorted(Map.Entry.<String, Long>comparingByValue(Comparator.reverseOrder())
                        .thenComparing(Map.Entry.comparingByKey()))
                .limit(most)
                .map(each -> new CountedValue(each.getKey(), each.getValue()))
                .toList();
        return new CountedValues(values, counts.size(), more[0]);
    }

    private static boolean inColumns(Field before, Field after) {
        return FieldStorage.of(before.kind()) == FieldStorage.COLUMN
                && FieldStorage.of(after.kind()) == FieldStorage.COLUMN;
    }

    private void count(Binding.ValueTable place, Conversion conversion, Map<String, Long> counts, boolean[] more)
            throws SQLException {
        var from = conversion.from();
        var column = Optional.ofNullable(place.columns().get(from.id())).map(PhysicalNames::quoted);
        if (column.isEmpty()) {
            return;
        }
        var doubtful = SureValues.condition(column.get(), conversion)
                .map(sure -> " AND " + sure + " IS NOT TRUE")
                .orElse("");
        var sql = "SELECT " + column.get() + " FROM " + PhysicalNames.quoted(place.name()) + " WHERE " + column.get()
                + " IS NOT NULL" + doubtful;
        Jdbc.each(connection, sql, row -> {
            var value = ColumnValues.read(row, 1, from.kind());
            if (value != null && !conversion.takes(value)) {
                var text = conversion.written(value);
                if (counts.size() < REMEMBERED || counts.containsKey(text)) {
                    counts.merge(text, 1L, Long::sum);
                } else {
                    more[0] = true;
                }
            }
        });
    }
}

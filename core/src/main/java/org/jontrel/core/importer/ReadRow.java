package org.jontrel.core.importer;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.condition.RecordState;

/**
 * What the cells of a row say.
 *
 * @param raw values by field key as forms send them, with a {@link CellName} where something is to be looked up, {@link NumberedValues} where a
 *     column says which row it is of, and {@code null} where a cell empties a field
 * @param key text by which the record is told; empty where the cell is
 * @param number of the record, where the site's own is said
 * @param address segment of its page; empty where none is said
 * @param publishAt in UTC
 * @param retireAt in UTC
 */
public record ReadRow(
        Map<String, Object> raw,
        String key,
        Optional<Long> number,
        Optional<CellName> parent,
        Optional<CellName> owner,
        String address,
        Optional<RecordState> state,
        Optional<LocalDateTime> publishAt,
        Optional<LocalDateTime> retireAt,
        List<CellProblem> problems) {

    /** Values of rows that columns say the number of, by that number. */
    public record NumberedValues(Map<Integer, Object> rows) {}

    /** Values that come beside those that are there: links that lead both ways stand perhaps in the row of the other end only. */
    public record AddedValues(List<Object> values) {}

    /** All names that are to be looked up. */
    public List<CellName> names() {
        var names = new ArrayList<CellName>();
        collect(raw, names);
        parent.ifPresent(names::add);
        return names;
    }

    private static void collect(Object value, List<CellName> names) {
        switch (value) {
            case CellName name -> names.add(name);
            case NumberedValues(Map<Integer, Object> rows) -> rows.values().forEach(each -> collect(each, names));
            case AddedValues(List<Object> more) -> more.forEach(each -> collect(each, names));
            case Map<?, ?> map -> map.values().forEach(each -> collect(each, names));
            case List<?> list -> list.forEach(each -> collect(each, names));
            case null, default -> {}
        }
    }
}

package org.jontrel.core.importer;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.function.Function;

/** What a row says, put over what a record has, as a form would send it. */
public final class ImportedValues {
    private static final String ROW = "_row";
    private final Function<CellName, Object> found;

    private ImportedValues(Function<CellName, Object> found) {
        this.found = found;
    }

    /**
     * Values as forms send them, by field key: all that the record has, and what the row says in its place.
     *
     * @param before what the record has, in the same form; empty for a new one
     * @param raw what a {@link ReadRow} says
     * @param found what a name leads to, as a form sends it; {@code null} where it is left out
     */
    public static Map<String, Object> over(
            Map<String, ?> before, Map<String, Object> raw, Function<CellName, Object> found) {
        return new ImportedValues(found).map(before, raw);
    }

    /** Rows of a repeater, or values of a field with several, that a whole list takes the place of; ids of rows stay by their place. */
    public static List<Object> list(List<?> before, List<?> raw, Function<CellName, Object> found) {
        return new ImportedValues(found).replaced(before, raw);
    }

    private Map<String, Object> map(Map<?, ?> before, Map<?, ?> raw) {
        var values = new LinkedHashMap<String, Object>();
        before.forEach((key, value) -> values.put(String.valueOf(key), value));
        raw.forEach((key, value) -> values.put(String.valueOf(key), value(values.get(String.valueOf(key)), value)));
        return values;
    }

    private Object value(Object before, Object raw) {
        return switch (raw) {
            case null -> null;
            case CellName name -> found.apply(name);
            case ReadRow.NumberedValues(Map<Integer, Object> rows) -> numbered(before, rows);
            case ReadRow.AddedValues(List<Object> more) -> added(before, more);
            case Map<?, ?> map -> map(before instanceof Map<?, ?> known ? known : Map.of(), map);
            case List<?> list ->
                list.stream()
                        .map(each -> value(null, each))
                        .filter(Objects::nonNull)
                        .toList();
            default -> raw;
        };
    }

    /** Rows that no column speaks of stay; those of which nothing is left go. */
    private List<Object> numbered(Object before, Map<Integer, Object> rows) {
        var known = new TreeMap<Integer, Object>();
        if (before instanceof List<?> list) {
            for (int i = 0; i < list.size(); i++) {
                known.put(i + 1, list.get(i));
            }
        }
        rows.forEach((number, row) -> known.put(number, value(known.get(number), row)));
        return known.values().stream().filter(each -> !isEmpty(each)).toList();
    }

    private List<Object> added(Object before, List<Object> more) {
        var all = new LinkedHashSet<Object>(before instanceof List<?> list ? list : List.of());
        more.stream().map(each -> value(null, each)).filter(Objects::nonNull).forEach(all::add);
        return List.copyOf(all);
    }

    private List<Object> replaced(List<?> before, List<?> raw) {
        var all = new ArrayList<>();
        for (var each : raw) {
            var row = value(null, each);
            if (row instanceof Map<?, ?> map) {
                var kept = new LinkedHashMap<Object, Object>(map);
                int at = all.size();
                if (at < before.size() && before.get(at) instanceof Map<?, ?> known && known.get(ROW) != null) {
                    kept.put(ROW, known.get(ROW));
                }
                all.add(kept);
            } else if (row != null) {
                all.add(row);
            }
        }
        return all;
    }

    private static boolean isEmpty(Object row) {
        return switch (row) {
            case null -> true;
            case String text -> text.isBlank();
            case Map<?, ?> map ->
                map.entrySet().stream().allMatch(each -> ROW.equals(each.getKey()) || isEmpty(each.getValue()));
            case List<?> list -> list.stream().allMatch(ImportedValues::isEmpty);
            default -> false;
        };
    }
}

package org.jontrel.core.importer;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.IntStream;

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

    /**
     * Rows that no column speaks of stay; those of which nothing is left go, and the others move up: what stood in the second place
     * alone is in the first one when it comes again.
     */
    private List<Object> numbered(Object before, Map<Integer, Object> rows) {
        var known = new ArrayList<Object>(before instanceof List<?> list ? list : List.of());
        var filled = new TreeMap<Integer, Object>();
        rows.forEach((number, row) -> {
            var value = value(null, row);
            if (!isEmpty(value)) {
                filled.put(number, value);
            }
        });
        if (filled.size() < rows.size()) {
            return replacedFirst(known, List.copyOf(filled.keySet()), rows);
        }
        var inOrder = List.copyOf(filled.values());
        boolean same = inOrder.size() == known.size()
                && IntStream.range(0, known.size()).allMatch(each -> has(known.get(each), inOrder.get(each)));
        if (same) {
            return known;
        }
        var all = new TreeMap<Integer, Object>();
        IntStream.range(0, known.size()).forEach(each -> all.put(each + 1, known.get(each)));
        rows.forEach((number, row) -> all.put(number, value(all.get(number), row)));
        return all.values().stream().filter(each -> !isEmpty(each)).toList();
    }

    /** Where empty cells empty their fields: those that are filled take the first places, and what is behind the last column stays. */
    private List<Object> replacedFirst(List<Object> known, List<Integer> filled, Map<Integer, Object> rows) {
        int spoken = rows.keySet().stream().mapToInt(Integer::intValue).max().orElse(0);
        var all = new ArrayList<Object>();
        for (int i = 0; i < filled.size(); i++) {
            all.add(value(i < Math.min(spoken, known.size()) ? known.get(i) : null, rows.get(filled.get(i))));
        }
        all.addAll(known.subList(Math.min(spoken, known.size()), known.size()));
        return all;
    }

    /** Whether a row says already what is said of it. */
    private static boolean has(Object row, Object said) {
        return said instanceof Map<?, ?> map && row instanceof Map<?, ?> known
                ? map.entrySet().stream()
                        .allMatch(each -> isEmpty(each.getValue()) || has(known.get(each.getKey()), each.getValue()))
                : Objects.equals(row, said);
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

package org.jontrel.core.move;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.jontrel.core.model.Field;

/** Fields that are numbered because there were no rows: {@code photo_1}, {@code photo_2}; also several side by side. */
public final class NumberedFields {
    private static final Pattern NUMBERED = Pattern.compile("(.*[a-z])_?([0-9]{1,3})");

    private NumberedFields() {}

    /** The fields with numbers, in their order, by the key before the number; those that have no number are left out. */
    public static Map<String, TreeMap<Integer, Field>> byStem(List<Field> fields) {
        var stems = new LinkedHashMap<String, TreeMap<Integer, Field>>();
        for (var each : fields) {
            var parts = NUMBERED.matcher(each.key());
            if (parts.matches()) {
                stems.computeIfAbsent(parts.group(1), _ -> new TreeMap<>())
                        .putIfAbsent(Integer.parseInt(parts.group(2)), each);
            }
        }
        return stems;
    }

    /**
     * A field that a value of a row comes from.
     *
     * @param to the field of the row
     */
    public record RowSource(Field from, Field to) {}

    /** Number of the row and id of its field that the values of a source come to. */
    static String place(List<Field> sources, Field repeater, String source) {
        var rows = rows(sources, repeater);
        for (int row = 0; row < rows.size(); row++) {
            for (var each : rows.get(row)) {
                if (each.from().id().equals(source)) {
                    return row + "/" + each.to().id();
                }
            }
        }
        return rows.size() + "/";
    }

    /** What each row is made of: one for each source, or one for each number where there are several with it. */
    public static List<List<RowSource>> rows(List<Field> all, Field repeater) {
        // groups bring along what is in them
        var sources = all.stream()
                .filter(each -> all.stream().noneMatch(group -> group.inner().contains(each)))
                .toList();
        var stems = byStem(sources);
        long numbered = stems.values().stream().mapToLong(Map::size).sum();
        boolean sets = stems.size() > 1
                && numbered == sources.size()
                && sources.stream().allMatch(each -> each.inner().isEmpty());
        if (!sets) {
            return sources.stream().map(each -> single(each, repeater)).toList();
        }
        var goals = goals(stems, repeater);
        var rows = new TreeMap<Integer, List<RowSource>>();
        goals.forEach((stem, goal) -> stems.get(stem)
                .forEach((number, from) ->
                        rows.computeIfAbsent(number, _ -> new ArrayList<>()).add(new RowSource(from, goal))));
        return List.copyOf(rows.values());
    }

    private static List<RowSource> single(Field source, Field repeater) {
        return source.inner().isEmpty()
                ? MoveRules.heir(repeater).map(heir -> new RowSource(source, heir)).stream()
                        .toList()
                : repeater.inner().stream()
                        .flatMap(each -> MoveRules.alike(source, each).map(from -> new RowSource(from, each)).stream())
                        .toList();
    }

    /** The field of a row for each stem: that of its name, else the next that can take its values. */
    public static Map<String, Field> goals(Map<String, TreeMap<Integer, Field>> stems, Field repeater) {
        var goals = new LinkedHashMap<String, Field>();
        var taken = new HashSet<Field>();
        for (boolean named : List.of(true, false)) {
            stems.forEach((stem, fields) -> {
                var first = fields.firstEntry().getValue();
                var goal = goals.containsKey(stem)
                        ? Optional.<Field>empty()
                        : repeater.inner().stream()
                                .filter(each ->
                                        !taken.contains(each) && each.inner().isEmpty())
                                .filter(each -> MoveRules.carries(first, each))
                                .filter(each -> !named || each.key().contains(stem) || stem.contains(each.key()))
                                .findFirst();
                goal.ifPresent(each -> {
                    goals.put(stem, each);
                    taken.add(each);
                });
            });
        }
        return goals;
    }
}

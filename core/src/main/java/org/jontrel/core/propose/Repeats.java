package org.jontrel.core.propose;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import org.jontrel.core.propose.word.Header;
import org.jontrel.core.sheet.ColumnFacts;
import org.jontrel.core.sheet.Sign;

/** Columns that hold the same again: "Image 1, Image 2", "Contact 1 name, Contact 1 phone", "Fee summer, Fee winter". */
final class Repeats {
    /**
     * Columns that are rows.
     *
     * @param stem what a row is
     * @param inner the columns of each value of a row, by what it is called; the stem itself where nothing is said
     * @param names of the rows, where they have names rather than numbers
     * @param namedBy what those names are, such as "Season"
     */
    record Repeat(String stem, Map<String, List<ColumnFacts>> inner, List<String> names, String namedBy) {
        List<ColumnFacts> columns() {
            return inner.values().stream().flatMap(List::stream).toList();
        }
    }

    private record NameSequence(String namedBy, Set<String> words) {
        static NameSequence of(String namedBy, String words) {
            return new NameSequence(namedBy, Set.of(words.split(" ")));
        }
    }

    private static final Pattern NUMBERED =
            Pattern.compile("(.*\\S)\\s*[#(/.-]?\\s*\\b(?:no\\.?\\s*)?([1-9][0-9]?)\\)?(?:\\s*[-:.]?\\s*(\\D*))?");
    private static final Pattern GLUED = Pattern.compile("([\\p{L} _-]*\\p{L})_?([1-9][0-9]?)");
    private static final Pattern NAMED = Pattern.compile("(.+?)[\\s(:–-]+([\\p{L}0-9]+)\\)?");
    private static final List<NameSequence> SEQUENCES = List.of(
            NameSequence.of("Season", "spring summer autumn fall winter"),
            NameSequence.of("Season", "low mid high peak off"),
            NameSequence.of(
                    "Day", "monday tuesday wednesday thursday friday saturday sunday mon tue wed thu fri sat sun"),
            NameSequence.of(
                    "Month",
                    "january february march april may june july august september october november december jan feb mar apr jun jul aug sep sept oct nov dec"),
            NameSequence.of("Quarter", "q1 q2 q3 q4"),
            NameSequence.of(
                    "For",
                    "adult adults child children senior seniors concession student students family member members group groups"),
            NameSequence.of("Size", "small medium large"),
            NameSequence.of("Time", "morning afternoon evening night"),
            NameSequence.of("Days", "weekday weekdays weekend weekends"));
    private static final Pattern YEAR = Pattern.compile("(19|20)[0-9]{2}");

    private Repeats() {}

    static List<Repeat> of(List<ColumnFacts> columns, Predicate<ColumnFacts> alone) {
        var free = columns.stream().filter(each -> !alone.test(each)).toList();
        var repeats = new ArrayList<>(numbered(free));
        var taken = repeats.stream().flatMap(each -> each.columns().stream()).toList();
        repeats.addAll(named(free.stream().filter(each -> !taken.contains(each)).toList()));
        return repeats;
    }

    private static List<Repeat> numbered(List<ColumnFacts> columns) {
        // by stem, then by what is behind the number
        var stems = new LinkedHashMap<String, Map<String, Map<Integer, ColumnFacts>>>();
        var shown = new LinkedHashMap<String, String>();
        for (var column : columns) {
            var label = Header.of(column.header()).label();
            var parts = NUMBERED.matcher(label);
            var glued = GLUED.matcher(label);
            String stem;
            int number;
            var tail = "";
            if (parts.matches() && parts.group(1).matches(".*\\p{L}.*")) {
                stem = parts.group(1);
                number = Integer.parseInt(parts.group(2));
                tail = parts.group(3) == null ? "" : parts.group(3).strip();
            } else if (glued.matches()) {
                stem = glued.group(1).replace('_', ' ').strip();
                number = Integer.parseInt(glued.group(2));
            } else {
                continue;
            }
            var key = stem.toLowerCase(Locale.ROOT);
            shown.putIfAbsent(key, stem);
            stems.computeIfAbsent(key, _ -> new LinkedHashMap<>())
                    .computeIfAbsent(tail.toLowerCase(Locale.ROOT), _ -> new LinkedHashMap<>())
                    .putIfAbsent(number, column);
        }
        var repeats = new ArrayList<Repeat>();
        stems.forEach((key, tails) -> {
            var inner = new LinkedHashMap<String, List<ColumnFacts>>();
            tails.forEach((tail, byNumber) -> {
                if (byNumber.size() >= 2 && byNumber.containsKey(1) && byNumber.containsKey(2)) {
                    inner.put(Header.label(tail.isEmpty() ? shown.get(key) : tail), List.copyOf(byNumber.values()));
                }
            });
            if (!inner.isEmpty()) {
                repeats.add(new Repeat(Header.label(shown.get(key)), inner, List.of(), ""));
            }
        });
        return repeats;
    }

    private static List<Repeat> named(List<ColumnFacts> columns) {
        var stems = new LinkedHashMap<String, Map<String, ColumnFacts>>();
        var shown = new LinkedHashMap<String, String>();
        for (var column : columns) {
            var header = Header.of(column.header());
            var words = header.help().isEmpty()
                    ? header.label()
                    : header.label() + " " + header.help().replaceFirst("\\.$", "");
            var parts = NAMED.matcher(words);
            if (parts.matches() && sequence(parts.group(2)) != null) {
                var key = sequence(parts.group(2)) + "/" + parts.group(1).toLowerCase(Locale.ROOT);
                shown.putIfAbsent(key, parts.group(1));
                stems.computeIfAbsent(key, _ -> new LinkedHashMap<>()).putIfAbsent(parts.group(2), column);
            }
        }
        var repeats = new ArrayList<Repeat>();
        stems.forEach((key, byName) -> {
            if (byName.size() >= 2 && isAlike(List.copyOf(byName.values()))) {
                var stem = Header.label(shown.get(key));
                repeats.add(new Repeat(
                        stem,
                        Map.of(stem, List.copyOf(byName.values())),
                        byName.keySet().stream().map(Header::label).toList(),
                        key.substring(0, key.indexOf('/'))));
            }
        });
        return repeats;
    }

    private static String sequence(String word) {
        if (YEAR.matcher(word).matches()) {
            return "Year";
        }
        var small = word.toLowerCase(Locale.ROOT);
        return SEQUENCES.stream()
                .filter(each -> each.words().contains(small))
                .map(NameSequence::namedBy)
                .findFirst()
                .orElse(null);
    }

    /** All numbers, all times or all texts: one field can hold them. */
    private static boolean isAlike(List<ColumnFacts> columns) {
        return List.of(Sign.NUMBER, Sign.NUMBER_WITH_COMMA, Sign.NUMBER_WITH_THOUSANDS, Sign.TIME, Sign.YES_NO).stream()
                        .anyMatch(sign -> columns.stream().allMatch(each -> each.said() == 0 || each.all(sign)))
                || columns.stream()
                        .allMatch(each -> each.said() == 0
                                || each.signs().keySet().stream().noneMatch(sign -> each.all(sign)));
    }
}

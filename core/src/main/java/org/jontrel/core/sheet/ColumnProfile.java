package org.jontrel.core.sheet;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.naming.VisibleText;

/** Looks at the cells of one column, one after the other, and keeps no more of them than it needs. */
final class ColumnProfile {
    /** How many different texts are counted one by one. */
    static final int MOST_COUNTED = 2_000;

    private static final int MOST_KEPT = 400;
    private static final int SOME = 60;
    private static final int LONGEST_MISFIT = 60;
    private static final int MOST_MISFITS = 5;
    private static final int FEWEST_TO_JUDGE = 1_000;
    private static final Sign[] SIGNS = Sign.values();
    private static final int MOST_SAMPLES = 5;
    private static final int MOST_UNITS = 8;
    private static final int LONGEST_KEPT = 200;
    static final List<String> SEPARATORS = List.of("\n", ";", "|", ",", ">");

    private static final class Counter {
        private final int row;
        private final long signs;
        private long times;

        Counter(int row, long signs) {
            this.row = row;
            this.signs = signs;
        }
    }

    /** Values taken apart at one sign. */
    private static final class Split {
        private final Fingerprints fingerprints;
        private final Map<String, Counter> counted = new LinkedHashMap<>();
        private long values;
        private int longest;

        Split(Fingerprints.Budget budget) {
            this.fingerprints = new Fingerprints(budget);
        }
    }

    private final Fingerprints.Budget budget;
    private final Fingerprints fingerprints;
    private final Map<String, Counter> counted = new LinkedHashMap<>();
    private final Map<String, Split> splits = new HashMap<>();
    private final Map<String, Long> units = new LinkedHashMap<>();
    private final long[] having = new long[Sign.values().length];
    private final long[] uncounted = new long[Sign.values().length];
    private final Map<Sign, List<CountedText>> misfits = new EnumMap<>(Sign.class);
    private final List<String> samples = new ArrayList<>();
    /** Signs that may still be those of the column: what half of many values have not is looked for no more. */
    private long asked = Signs.ALL;

    /** Signs of which there are fewer misfits than are kept. */
    private long lacking = (1L << SIGNS.length) - 1;

    private long met;
    private long filled;
    private long lines;
    private long errors;
    private int firstError;
    private int longest;
    private int decimals;
    private BigDecimal least;
    private BigDecimal greatest;

    ColumnProfile(Fingerprints.Budget budget) {
        this.budget = budget;
        this.fingerprints = new Fingerprints(budget);
    }

    void see(int row, Cell cell) {
        if (cell.sort() == CellSort.ERROR) {
            errors++;
            firstError = firstError == 0 ? row : firstError;
            return;
        }
        var text = cell.text().strip();
        if (text.isEmpty()) {
            return;
        }
        filled++;
        longest = Math.max(longest, text.length());
        lines += text.indexOf('\n') >= 0 ? 1 : 0;
        if (!cell.unit().isEmpty() && units.size() < MOST_UNITS) {
            units.merge(cell.unit(), 1L, Long::sum);
        }
        var known = counted.get(text);
        if (known == null) {
            known = meet(row, text);
        }
        split(text);
        known.times++;
        splits.forEach((separator, split) -> parts(row, text, separator, split, 1));
    }

    /** A text for the first time, or one of more than are counted. */
    private Counter meet(int row, String text) {
        long signs = Signs.of(text, asked);
        boolean first = !Sign.NOTHING.in(signs) && fingerprints.add(Fingerprints.of(text));
        if (first && samples.size() < MOST_SAMPLES) {
            samples.add(shortened(text, LONGEST_KEPT));
        }
        measure(text, signs);
        var counter = new Counter(row, signs);
        if (counted.size() < MOST_COUNTED && text.length() <= LONGEST_KEPT) {
            counted.put(text, counter);
        } else {
            count(signs, uncounted);
        }
        count(signs, having);
        if (++met % FEWEST_TO_JUDGE == 0) {
            judge();
        }
        keepMisfits(row, text, signs);
        return counter;
    }

    private static void count(long signs, long[] into) {
        for (long rest = signs; rest != 0; rest &= rest - 1) {
            into[Long.numberOfTrailingZeros(rest)]++;
        }
    }

    private void judge() {
        asked = 0;
        for (var sign : Sign.values()) {
            asked |= having[sign.ordinal()] * 2 >= met ? sign.bit() : 0;
        }
    }

    private void keepMisfits(int row, String text, long signs) {
        if (Sign.NOTHING.in(signs) || (~signs & lacking) == 0) {
            return;
        }
        for (var sign : SIGNS) {
            if (!sign.in(signs) && sign.in(lacking)) {
                var kept = misfits.computeIfAbsent(sign, _ -> new ArrayList<>());
                kept.add(new CountedText(shortened(text, LONGEST_MISFIT), 1, row));
                lacking &= kept.size() < MOST_MISFITS ? Signs.ALL : ~sign.bit();
            }
        }
    }

    private void measure(String text, long signs) {
        boolean number =
                Sign.NUMBER.in(signs) || Sign.NUMBER_WITH_COMMA.in(signs) || Sign.NUMBER_WITH_THOUSANDS.in(signs);
        if (!number && !Sign.MEASURE.in(signs)) {
            return;
        }
        var unit = Sign.MEASURE.in(signs) ? Signs.unit(text).orElse("") : "";
        if (!unit.isEmpty() && (units.size() < MOST_UNITS || units.containsKey(unit))) {
            units.merge(unit, 1L, Long::sum);
        }
        Signs.number(text, unit).ifPresent(found -> {
            least = least == null ? found : least.min(found);
            greatest = greatest == null ? found : greatest.max(found);
            decimals = Math.max(decimals, found.stripTrailingZeros().scale());
        });
    }

    /** Where a sign comes for the first time, the values before it are parts too. */
    private void split(String text) {
        for (var separator : SEPARATORS) {
            if (text.indexOf(separator.charAt(0)) >= 0) {
                var split = splits.get(separator);
                if (split == null) {
                    var begun = new Split(budget);
                    splits.put(separator, begun);
                    counted.forEach((value, counter) -> parts(counter.row, value, separator, begun, counter.times));
                    split = begun;
                }
                split.values++;
            }
        }
    }

    private static void parts(int row, String text, String separator, Split split, long times) {
        int from = 0;
        while (from <= text.length()) {
            int end = text.indexOf(separator.charAt(0), from);
            end = end < 0 ? text.length() : end;
            var part = text.substring(from, end).strip();
            from = end + 1;
            if (!part.isEmpty()) {
                split.longest = Math.max(split.longest, part.length());
                var counter = split.counted.get(part);
                if (counter == null) {
                    split.fingerprints.add(Fingerprints.of(part));
                    counter = new Counter(row, 0);
                    if (split.counted.size() < MOST_COUNTED && part.length() <= LONGEST_KEPT) {
                        split.counted.put(part, counter);
                    }
                }
                counter.times += times;
            }
        }
    }

    private static String shortened(String text, int most) {
        return text.length() <= most ? text : VisibleText.start(text, most - 1) + "…";
    }

    Fingerprints fingerprints() {
        return fingerprints;
    }

    /** The parts that values have where the sign stands between them; {@code null} where none has it. */
    Fingerprints fingerprints(String separator) {
        var split = splits.get(separator);
        return split == null ? null : split.fingerprints;
    }

    ColumnFacts facts(int index, String group, String header, long rows) {
        var signs = new EnumMap<Sign, Long>(Sign.class);
        for (var sign : Sign.values()) {
            long times = uncounted[sign.ordinal()]
                    + counted.values().stream()
                            .filter(each -> sign.in(each.signs))
                            .mapToLong(each -> each.times)
                            .sum();
            if (times > 0) {
                signs.put(sign, times);
            }
        }
        var parts = new HashMap<String, Parts>();
        splits.forEach((separator, split) -> parts.put(
                separator,
                new Parts(
                        split.values,
                        split.fingerprints.known() ? split.fingerprints.size() : -1,
                        split.longest,
                        common(split.counted, split.fingerprints))));
        return new ColumnFacts(
                index,
                group,
                header,
                filled,
                rows - filled,
                signs.getOrDefault(Sign.NOTHING, 0L),
                fingerprints.known() ? fingerprints.size() : -1,
                longest,
                lines,
                errors,
                firstError,
                signs,
                nearly(signs),
                common(counted, fingerprints),
                units,
                least,
                greatest,
                decimals,
                parts,
                samples);
    }

    /** What does not fit is of interest where most does. */
    private Map<Sign, List<CountedText>> nearly(Map<Sign, Long> signs) {
        var kept = new EnumMap<>(misfits);
        kept.keySet().removeIf(sign -> signs.getOrDefault(sign, 0L) * 2 < filled);
        return kept;
    }

    /** The most frequent; of a column with so many that they are no words to choose from, only some. */
    private List<CountedText> common(Map<String, Counter> texts, Fingerprints distinct) {
        boolean few = distinct.known() && distinct.size() <= MOST_KEPT;
        int most = budget.letters();
        int letters = 0;
        var kept = new ArrayList<CountedText>();
        var sorted = texts.entrySet().stream()
                .map(each -> new CountedText(each.getKey(), each.getValue().times, each.getValue().row))
                .sorted(Comparator.comparing(CountedText::times).reversed())
                .limit(few ? MOST_KEPT : SOME)
                .toList();
        for (var each : sorted) {
            letters += each.text().length();
            if (letters > most) {
                break;
            }
            kept.add(each);
        }
        budget.take(Math.min(letters, most));
        return kept;
    }
}

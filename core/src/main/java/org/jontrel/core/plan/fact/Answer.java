package org.jontrel.core.plan.fact;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What a site answers: numbers of records, and up to five examples as a person reads them.
 *
 * @param records all records of the type
 * @param empty records without a value of the field as it is now (all of them where it is new)
 * @param unconverted values that the conversion to the new kind cannot take
 * @param outside values that break limits of the field that they satisfied before
 * @param altered values that are taken over, but could not be had back from what becomes of them
 * @param alteredExamples up to five of them with what they become
 * @param breaches how many there are of each sort; none are left out
 * @param separator what stands between the parts of texts that may become several values; empty where nothing does
 * @param match key of the field by which names are found that no title has; empty where there is none
 * @param aside values that the conversion cannot take and of which the architect has said that they are set aside
 * @param held values that a run took out of use, where the field or definition comes back
 */
public record Answer(
        long records,
        long empty,
        long unconverted,
        long outside,
        List<String> unconvertedExamples,
        List<String> outsideExamples,
        long altered,
        List<String> alteredExamples,
        Map<Breach, Long> breaches,
        String separator,
        String match,
        long aside,
        Optional<Offer> held) {
    public Answer {
        breaches = Map.copyOf(breaches);
    }

    private static final int EXAMPLES = 5;
    public static final Answer NONE = new Answer(0, 0, 0, 0, List.of(), List.of());

    /** Where nothing is held. */
    public Answer(
            long records,
            long empty,
            long unconverted,
            long outside,
            List<String> unconvertedExamples,
            List<String> outsideExamples) {
        this(
                records,
                empty,
                unconverted,
                outside,
                unconvertedExamples,
                outsideExamples,
                0,
                List.of(),
                Map.of(),
                "",
                "",
                0,
                Optional.empty());
    }

    /** Nothing but a number of records. */
    public static Answer ofRecords(long records) {
        return new Answer(records, 0, 0, 0, List.of(), List.of());
    }

    /** With what is held for a field or definition that comes back. */
    public Answer offering(Optional<Offer> offer) {
        return new Answer(
                records,
                empty,
                unconverted,
                outside,
                unconvertedExamples,
                outsideExamples,
                altered,
                alteredExamples,
                breaches,
                separator,
                match,
                aside,
                offer);
    }

    /** With what the definitions no longer allow, beside what was found before. */
    public Answer breaking(Map<Breach, Long> found) {
        var all = new EnumMap<Breach, Long>(Breach.class);
        all.putAll(breaches);
        all.putAll(found);
        return new Answer(
                records,
                empty,
                unconverted,
                outside,
                unconvertedExamples,
                outsideExamples,
                altered,
                alteredExamples,
                all,
                separator,
                match,
                aside,
                held);
    }

    /** With the values that lose something on the way. */
    public Answer altering(long values, List<String> examples) {
        return new Answer(
                records,
                empty,
                unconverted,
                outside,
                unconvertedExamples,
                outsideExamples,
                values,
                examples,
                breaches,
                separator,
                match,
                aside,
                held);
    }

    /** With what texts may be split at. */
    public Answer splitting(String found) {
        return new Answer(
                records,
                empty,
                unconverted,
                outside,
                unconvertedExamples,
                outsideExamples,
                altered,
                alteredExamples,
                breaches,
                found,
                match,
                aside,
                held);
    }

    /** With the field by which names are found. */
    public Answer matchedBy(String key) {
        return new Answer(
                records,
                empty,
                unconverted,
                outside,
                unconvertedExamples,
                outsideExamples,
                altered,
                alteredExamples,
                breaches,
                separator,
                key,
                aside,
                held);
    }

    /** With the values that are set aside one by one. */
    public Answer settingAside(long values) {
        return new Answer(
                records,
                empty,
                unconverted,
                outside,
                unconvertedExamples,
                outsideExamples,
                altered,
                alteredExamples,
                breaches,
                separator,
                match,
                values,
                held);
    }

    /** Together with what is answered of other records. */
    public Answer plus(Answer other) {
        var all = new EnumMap<Breach, Long>(Breach.class);
        all.putAll(breaches);
        other.breaches().forEach((breach, count) -> all.merge(breach, count, Long::sum));
        return new Answer(
                records + other.records(),
                empty + other.empty(),
                unconverted + other.unconverted(),
                outside + other.outside(),
                some(unconvertedExamples, other.unconvertedExamples()),
                some(outsideExamples, other.outsideExamples()),
                altered + other.altered(),
                some(alteredExamples, other.alteredExamples()),
                all,
                separator.isEmpty() ? other.separator() : separator,
                match.isEmpty() ? other.match() : match,
                aside + other.aside(),
                held.or(other::held));
    }

    private static List<String> some(List<String> one, List<String> other) {
        return Stream.concat(one.stream(), other.stream())
                .distinct()
                .limit(EXAMPLES)
                .toList();
    }

    /** Records without a value of the field as it will be. */
    public long lacking() {
        return empty + unconverted + aside;
    }

    public long filled() {
        return records - empty;
    }
}

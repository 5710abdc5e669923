package org.jontrel.core.plan.fact;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.record.Conversion;
import org.jontrel.core.record.Values;

/** Makes an answer from the distinct values of a field and how often each occurs. */
public final class Tally {
    private static final int EXAMPLES = 5;
    private static final int LONGEST = 60;

    private final Field from;
    private final Field to;
    private final Conversion conversion;
    private long records;
    private long empty;
    private long unconverted;
    private long aside;
    private long outside;
    private long altered;
    private long unformatted;
    private final List<String> alteredExamples = new ArrayList<>();
    private final List<String> unconvertedExamples = new ArrayList<>();
    private final List<String> outsideExamples = new ArrayList<>();

    public Tally(Field from, Field to) {
        this(from, to, Map.of());
    }

    /** @param corrections as those of a {@link Conversion} */
    public Tally(Field from, Field to, Map<String, String> corrections) {
        this.from = from;
        this.to = to;
        this.conversion = new Conversion(from, to, null, corrections);
    }

    /** Values that {@link Conversion#sure()} finds. */
    public void addSure(long times) {
        records += times;
    }

    public Conversion conversion() {
        return conversion;
    }

    public void add(Object value, long times) {
        records += times;
        if (value == null) {
            empty += times;
        } else if (conversion.setsAside(value)) {
            aside += times;
        } else if (!conversion.takes(value)) {
            unconverted += times;
            example(unconvertedExamples, value);
        } else if (Values.fits(from, value) && !Values.fits(to, conversion.apply(value))) {
            outside += times;
            example(outsideExamples, value);
        }
        if (value != null && conversion.unformats(value)) {
            unformatted += times;
        }
        if (value != null && conversion.alters(value)) {
            altered += times;
            if (alteredExamples.size() < EXAMPLES) {
                alteredExamples.add(
                        shortened(plain(from, value)) + " becomes " + shortened(plain(to, conversion.apply(value))));
            }
        }
    }

    /** Rich text as it is written, so that what is lost shows. */
    private static String plain(Field field, Object value) {
        return field.kind() instanceof Kind.RichText ? String.valueOf(value) : Values.show(field.kind(), value);
    }

    private static String shortened(String text) {
        return text.length() > LONGEST ? text.substring(0, LONGEST) + "…" : text;
    }

    private void example(List<String> examples, Object value) {
        if (examples.size() < EXAMPLES) {
            examples.add(Values.show(from.kind(), value));
        }
    }

    public Answer answer() {
        return new Answer(
                        records,
                        empty,
                        unconverted,
                        outside,
                        List.copyOf(unconvertedExamples),
                        List.copyOf(outsideExamples))
                .altering(altered, List.copyOf(alteredExamples))
                .settingAside(aside)
                .breaking(unformatted > 0 ? Map.of(Breach.FORMATTING, unformatted) : Map.of());
    }
}

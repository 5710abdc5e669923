package org.jontrel.core.propose.kind;

import java.util.ArrayList;
import java.util.List;
import org.jontrel.core.model.Kind;
import org.jontrel.core.sheet.ColumnFacts;
import org.jontrel.core.sheet.CountedText;
import org.jontrel.core.sheet.Sign;

/**
 * How a column would do as another kind.
 *
 * @param code of the kind
 * @param misfits values that are none of it
 * @param samples the first of them
 */
public record KindFit(String code, long misfits, List<CountedText> samples) {
    private static final int MOST_SAMPLES = 5;

    public KindFit {
        samples = List.copyOf(samples);
    }

    /** For each kind that a column could be given, the plainest first. */
    public static List<KindFit> of(ColumnFacts facts) {
        var fits = new ArrayList<KindFit>();
        fits.add(text(facts));
        fits.add(new KindFit(Kind.LongText.PLAIN.code(), 0, List.of()));
        fits.add(new KindFit(Kind.RichText.PLAIN.code(), 0, List.of()));
        fits.add(number(facts));
        add(fits, facts, Kind.YesNo.PLAIN, Sign.YES_NO);
        best(fits, facts, Kind.Date.PLAIN, Sign.DATE, Sign.DATE_DAY_FIRST, Sign.DATE_MONTH_FIRST);
        add(fits, facts, Kind.Time.PLAIN, Sign.TIME);
        best(fits, facts, Kind.DateTime.PLAIN, Sign.MOMENT, Sign.MOMENT_DAY_FIRST, Sign.MOMENT_MONTH_FIRST);
        fits.add(new KindFit(Kind.Choice.PLAIN.code(), 0, List.of()));
        fits.add(new KindFit(Kind.TermPick.PLAIN.code(), 0, List.of()));
        add(fits, facts, Kind.Image.PLAIN, Sign.PICTURE_NAME);
        add(fits, facts, Kind.File.PLAIN, Sign.FILE_NAME);
        add(fits, facts, Kind.Email.PLAIN, Sign.EMAIL);
        add(fits, facts, Kind.Url.PLAIN, Sign.WEB_ADDRESS);
        add(fits, facts, Kind.Phone.PLAIN, Sign.PHONE);
        add(fits, facts, Kind.Colour.PLAIN, Sign.COLOUR);
        add(fits, facts, Kind.Coordinates.PLAIN, Sign.PLACE);
        return fits;
    }

    private static KindFit text(ColumnFacts facts) {
        boolean fits = facts.longest() <= Kind.Text.LONGEST && facts.lines() == 0;
        return new KindFit(Kind.Text.PLAIN.code(), fits ? 0 : Math.max(1, facts.lines()), List.of());
    }

    private static KindFit number(ColumnFacts facts) {
        long measures = facts.units().size() == 1 ? facts.count(Sign.MEASURE) : 0;
        var best = best(facts, Sign.NUMBER, Sign.NUMBER_WITH_COMMA, Sign.NUMBER_WITH_THOUSANDS);
        return new KindFit(
                Kind.Numeric.PLAIN.code(),
                Math.max(0, facts.said() - facts.count(best) - measures),
                measures > 0 ? List.of() : samples(facts, best));
    }

    private static void add(List<KindFit> fits, ColumnFacts facts, Kind kind, Sign sign) {
        fits.add(new KindFit(kind.code(), facts.said() - facts.count(sign), samples(facts, sign)));
    }

    private static void best(List<KindFit> fits, ColumnFacts facts, Kind kind, Sign... signs) {
        add(fits, facts, kind, best(facts, signs));
    }

    private static Sign best(ColumnFacts facts, Sign... signs) {
        var best = signs[0];
        for (var sign : signs) {
            best = facts.count(sign) > facts.count(best) ? sign : best;
        }
        return best;
    }

    /** Where hardly any fits, those that come first. */
    private static List<CountedText> samples(ColumnFacts facts, Sign sign) {
        return facts.count(sign) == facts.said()
                ? List.of()
                : facts.misfits()
                        .getOrDefault(
                                sign,
                                facts.common().stream().limit(MOST_SAMPLES).toList());
    }
}

package org.jontrel.core.propose.kind;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.jontrel.core.infer.KindGuess;
import org.jontrel.core.model.Kind;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.propose.word.Header;
import org.jontrel.core.sheet.ColumnFacts;
import org.jontrel.core.sheet.Parts;
import org.jontrel.core.sheet.Sign;
import org.jontrel.core.spelling.Reading;

/**
 * The kind for a column: the narrowest that every one of its values can be read as. Words that only say that nothing is known count as
 * empty, except among texts.
 */
public final class ColumnKinds {
    private static final Pattern PHONE_WORDS =
            Pattern.compile("(?i).*\\b(tel(ephone)?|phone|mobile|fax|cell|call)\\b.*");
    private static final Map<String, String> SIGNS = Map.of("€", "EUR", "£", "GBP", "$", "USD", "¥", "JPY");
    private static final Pattern NAMES = Pattern.compile("(?i)(.*\\b)?(name|title|label|heading|designation)(\\b.*)?");
    private static final Pattern CODES =
            Pattern.compile("(?i)(.*\\b)?(id|no\\.?|nr\\.?|number|code|ref(erence)?|key|sku|#)(\\b.*)?");
    private final Ids ids;
    private final WordKinds words;

    public ColumnKinds(Ids ids) {
        this.ids = ids;
        this.words = new WordKinds(ids);
    }

    public WordKinds words() {
        return words;
    }

    public GuessedKind of(ColumnFacts facts, Map<String, String> joins) {
        var header = Header.of(facts.title());
        if (facts.said() == 0) {
            var guess = new KindGuess(ids).of(facts.title(), List.of());
            return GuessedKind.of(
                    guess.kind(),
                    facts.filled() == 0 ? "it has no values; its name says so" : "no value says anything");
        }
        var plain = plain(facts, header);
        if (plain != null) {
            return plain;
        }
        var files = files(facts);
        if (files != null) {
            return files;
        }
        if (facts.count(Sign.FORMATTED) * 2 >= facts.said()) {
            return GuessedKind.of(Kind.RichText.PLAIN, facts.count(Sign.FORMATTED) + " texts with formatting");
        }
        return words.ofTexts(facts, header, joins);
    }

    /** What all values can be read as; {@code null} where they are texts. */
    private GuessedKind plain(ColumnFacts facts, Header header) {
        if (facts.all(Sign.YES_NO)) {
            return GuessedKind.of(Kind.YesNo.PLAIN, all(facts, "yes or no"));
        }
        if (facts.all(Sign.EMAIL)) {
            return GuessedKind.of(Kind.Email.PLAIN, all(facts, "e-mail addresses"));
        }
        if (facts.all(Sign.WEB_ADDRESS)) {
            return GuessedKind.of(Kind.Url.PLAIN, all(facts, "web addresses"));
        }
        if (facts.all(Sign.COLOUR)) {
            return GuessedKind.of(Kind.Colour.PLAIN, all(facts, "colours"));
        }
        var day = day(facts);
        if (day != null) {
            return day;
        }
        if (facts.all(Sign.TIME) && !facts.all(Sign.NUMBER)) {
            return GuessedKind.of(Kind.Time.PLAIN, all(facts, "times of day"));
        }
        boolean phone = PHONE_WORDS.matcher(facts.title()).matches();
        if (facts.all(Sign.PHONE) && (phone || facts.count(Sign.NUMBER) * 2 < facts.said())) {
            return GuessedKind.of(Kind.Phone.PLAIN, all(facts, "telephone numbers"));
        }
        if (facts.all(Sign.PLACE) && !facts.all(Sign.NUMBER)) {
            return GuessedKind.of(Kind.Coordinates.PLAIN, all(facts, "places, as latitude and longitude"));
        }
        return number(facts, header);
    }

    private static GuessedKind day(ColumnFacts facts) {
        var date = read(facts, Sign.DATE, Sign.DATE_DAY_FIRST, Sign.DATE_MONTH_FIRST);
        if (date != null) {
            return date.fits() ? dated(facts, Kind.Date.PLAIN, "dates", date) : null;
        }
        var moment = read(facts, Sign.MOMENT, Sign.MOMENT_DAY_FIRST, Sign.MOMENT_MONTH_FIRST);
        return moment != null && moment.fits() ? dated(facts, Kind.DateTime.PLAIN, "dates with a time", moment) : null;
    }

    private record DayOrder(boolean fits, Reading reading, boolean either) {}

    private static GuessedKind dated(ColumnFacts facts, Kind kind, String what, DayOrder order) {
        var how = order.reading() == null
                ? ""
                : order.reading() == Reading.DAY_FIRST ? ", the day first" : ", the month first";
        var doubt = order.either() ? " (the month could stand first as well)" : "";
        return GuessedKind.of(kind, all(facts, what) + how + doubt).read(order.reading());
    }

    /** In which order day and month stand; {@code null} where not all are dates. */
    private static DayOrder read(ColumnFacts facts, Sign any, Sign dayFirst, Sign monthFirst) {
        if (facts.all(any)) {
            return new DayOrder(true, null, false);
        }
        if (facts.all(dayFirst)) {
            return new DayOrder(true, Reading.DAY_FIRST, facts.all(monthFirst));
        }
        return facts.all(monthFirst) ? new DayOrder(true, Reading.MONTH_FIRST, false) : null;
    }

    private static GuessedKind number(ColumnFacts facts, Header header) {
        boolean plain = facts.count(Sign.NUMBER) + facts.count(Sign.MEASURE) == facts.said();
        boolean comma = facts.count(Sign.NUMBER_WITH_COMMA) + facts.count(Sign.MEASURE) == facts.said();
        boolean thousands = facts.count(Sign.NUMBER_WITH_THOUSANDS) + facts.count(Sign.MEASURE) == facts.said();
        if (!plain && !comma && !thousands || facts.units().size() > 1 && facts.count(Sign.MEASURE) > 0) {
            return null;
        }
        var reading = plain ? null : thousands ? Reading.THOUSANDS_COMMA : Reading.DECIMAL_COMMA;
        if (isCode(facts) && facts.isUnique() && facts.decimals() > 0) {
            return GuessedKind.of(
                    Kind.Text.PLAIN, "figures by which each row is known; as numbers they would lose zeros");
        }
        int decimals = Math.max(Math.max(0, facts.decimals()), reading == Reading.DECIMAL_COMMA ? 3 : 0);
        if (decimals > Kind.Numeric.MOST_DECIMALS || isTooLarge(facts.least()) || isTooLarge(facts.greatest())) {
            return GuessedKind.of(Kind.Text.PLAIN, "numbers with more figures than a number can have");
        }
        var found =
                facts.units().size() == 1 ? facts.units().keySet().iterator().next() : "";
        var unit = found.isEmpty() ? header.unit() : SIGNS.getOrDefault(found, found);
        var why = all(facts, decimals == 0 ? "whole numbers" : "numbers");
        var between = facts.least() == null
                ? ""
                : ", from " + facts.least().toPlainString() + " to "
                        + facts.greatest().toPlainString();
        var doubt = plain || !(comma && thousands)
                ? ""
                : " (read with a comma before thousands; it could stand before decimals as well)";
        return GuessedKind.of(
                        new Kind.Numeric(
                                decimals, plain ? least(facts, unit) : null, plain ? most(facts, unit) : null, unit),
                        why + between + doubt)
                .read(reading);
    }

    private static boolean isTooLarge(BigDecimal number) {
        return number != null && number.precision() - number.scale() > Kind.Numeric.MOST_DIGITS;
    }

    /** What is measured or paid is seldom below zero: a slip of the finger is found then. */
    private static BigDecimal least(ColumnFacts facts, String unit) {
        boolean measured = !unit.isEmpty() && !unit.startsWith("°");
        return measured && facts.least() != null && facts.least().signum() >= 0 ? BigDecimal.ZERO : null;
    }

    private static BigDecimal most(ColumnFacts facts, String unit) {
        var hundred = BigDecimal.valueOf(100);
        return unit.equals("%") && facts.greatest() != null && facts.greatest().compareTo(hundred) <= 0
                ? hundred
                : null;
    }

    private static String all(ColumnFacts facts, String what) {
        return facts.said() == 1 ? "its one value" : "all " + facts.said() + " values are " + what;
    }

    private static GuessedKind files(ColumnFacts facts) {
        for (var sign : List.of(Sign.PICTURE_NAME, Sign.FILE_NAME)) {
            boolean picture = sign == Sign.PICTURE_NAME;
            if (facts.all(sign)) {
                var separator = separator(
                        facts,
                        Set.of("\n", ";", ",", "|"),
                        parts -> parts.common().stream()
                                .allMatch(each -> each.text().matches("(?i).+\\.[a-z0-9]{2,4}")));
                var amount = new Kind.Amount(!separator.isEmpty(), null, null);
                // no column describes them, so that no row could come in where a description is required
                var kind = picture
                        ? new Kind.Image(null, null, null, null, null, false, Set.of(), List.of(), amount)
                        : new Kind.File(Set.of(), null, amount);
                return new GuessedKind(
                        kind,
                        false,
                        separator,
                        false,
                        List.of(),
                        null,
                        all(facts, picture ? "names of pictures" : "names of files"));
            }
        }
        return null;
    }

    private static String separator(ColumnFacts facts, Set<String> signs, java.util.function.Predicate<Parts> holds) {
        return signs.stream()
                .filter(sign -> facts.parts().containsKey(sign)
                        && holds.test(facts.parts().get(sign)))
                .findFirst()
                .orElse("");
    }

    /** The kind that somebody chose, with what the column says of its settings. */
    public GuessedKind as(ColumnFacts facts, String code, Boolean many, Map<String, String> joins) {
        var proposed = of(facts, joins);
        if (code == null || code.equals(proposed.kind().code())) {
            return many == null || many == !proposed.separator().isEmpty()
                    ? proposed
                    : severalOrOne(facts, proposed, many, joins);
        }
        var chosen = "chosen";
        if (code.equals(Kind.Choice.PLAIN.code())) {
            return words.options(facts, Boolean.TRUE.equals(many) ? WordKinds.anySeparator(facts) : "", joins, chosen);
        }
        if (code.equals(Kind.TermPick.PLAIN.code())) {
            return words.terms(
                    facts,
                    Boolean.TRUE.equals(many) ? WordKinds.anySeparator(facts) : "",
                    facts.parts().containsKey(">"),
                    joins,
                    chosen);
        }
        if (code.equals(Kind.Numeric.PLAIN.code())) {
            var unit = facts.units().size() == 1
                    ? facts.units().keySet().iterator().next()
                    : Header.of(facts.title()).unit();
            int decimals = Math.min(Math.max(0, facts.decimals()), Kind.Numeric.MOST_DECIMALS);
            return GuessedKind.of(new Kind.Numeric(decimals, null, null, SIGNS.getOrDefault(unit, unit)), chosen);
        }
        return Kind.all().stream()
                .filter(each -> each.code().equals(code))
                .findFirst()
                .map(each -> GuessedKind.of(each, chosen).read(proposed.reading()))
                .orElse(proposed);
    }

    private GuessedKind severalOrOne(ColumnFacts facts, GuessedKind proposed, boolean many, Map<String, String> joins) {
        var separator = many ? WordKinds.anySeparator(facts) : "";
        return switch (proposed.kind()) {
            case Kind.Choice _ -> words.options(facts, separator, joins, proposed.why());
            case Kind.TermPick _ -> words.terms(facts, separator, proposed.hierarchical(), joins, proposed.why());
            default -> proposed;
        };
    }

    /** Whether a column holds the numbers or codes by which people know its rows. */
    public static boolean isCode(ColumnFacts column) {
        boolean codes = column.common().stream()
                .limit(20)
                .allMatch(each -> each.text().matches("(?i)[A-Z]{0,5}[-/_ ]?[0-9]+[A-Z]?"));
        return CODES.matcher(Header.of(column.header()).label()).matches()
                        && !NAMES.matcher(column.header()).matches()
                || codes;
    }
}

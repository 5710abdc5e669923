package org.jontrel.core.propose.kind;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.model.Kind;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.naming.Keys;
import org.jontrel.core.naming.VisibleText;
import org.jontrel.core.propose.word.Header;
import org.jontrel.core.propose.word.SpelledWord;
import org.jontrel.core.propose.word.Spellings;
import org.jontrel.core.sheet.ColumnFacts;
import org.jontrel.core.sheet.CountedText;
import org.jontrel.core.sheet.Parts;
import org.jontrel.core.sheet.Sign;

/** Kinds for columns of words: options, terms, or texts that are all different. */
public final class WordKinds {
    private static final int FEWEST_FOR_OPTIONS = 4;
    private static final int MOST_OPTIONS = 12;
    private static final int MOST_TERMS = 300;
    private static final int LONGEST_OPTION = 60;
    private static final int LONGEST_TERM = 80;
    private static final int LONG = 120;
    private static final int FEWEST_LEVELS = 2;
    private static final Pattern TERM_WORDS = Pattern.compile(
            "(?i).*\\b(categor(y|ies)|tags?|topics?|keywords?|subjects?|themes?|regions?|areas?|districts?|department|genre|class(ification)?|interests?)\\b.*");

    private final Ids ids;

    public WordKinds(Ids ids) {
        this.ids = ids;
    }

    GuessedKind ofTexts(ColumnFacts facts, Header header, Map<String, String> joins) {
        boolean termWords = TERM_WORDS.matcher(header.label()).matches();
        var levels = facts.parts().get(">");
        // the marks of formatting lead nowhere
        if (levels != null
                && facts.count(Sign.FORMATTED) == 0
                && levels.values() >= FEWEST_LEVELS
                && levels.values() * 3 >= facts.said()
                && levels.longest() <= LONGEST_TERM) {
            var separator = several(facts, termWords, true);
            return terms(
                    facts, separator, true, joins, levels.values() + " values lead from one word to another by “>”");
        }
        var separator = several(facts, termWords, false);
        if (!separator.isEmpty()) {
            var parts = facts.parts().get(separator);
            var why = parts.values() + " cells have several of " + parts.distinct() + " words, with " + sign(separator)
                    + " between";
            return termWords || parts.distinct() > MOST_OPTIONS
                    ? terms(facts, separator, false, joins, why)
                    : options(facts, separator, joins, why);
        }
        if (facts.lines() > 0 || facts.longest() > LONG) {
            return GuessedKind.of(
                    Kind.LongText.PLAIN,
                    facts.lines() > 0
                            ? facts.lines() + " texts have several lines"
                            : "texts of up to " + facts.longest() + " characters");
        }
        return few(facts, termWords, joins);
    }

    private static String sign(String separator) {
        return separator.equals("\n") ? "a new line" : "“" + separator + "”";
    }

    private GuessedKind few(ColumnFacts facts, boolean termWords, Map<String, String> joins) {
        long distinct = facts.distinct();
        // mostly numbers or dates: those that are none are slips, or remarks
        boolean mostly = Stream.of(
                        Sign.NUMBER, Sign.NUMBER_WITH_COMMA, Sign.NUMBER_WITH_THOUSANDS, Sign.DATE, Sign.DATE_DAY_FIRST)
                .anyMatch(sign -> facts.count(sign) * 2 > facts.said());
        boolean again = !mostly && facts.said() >= FEWEST_FOR_OPTIONS && distinct > 0 && distinct * 2 <= facts.said();
        boolean short_ = facts.longest() <= LONGEST_OPTION && facts.count(Sign.CODE) == 0;
        var why = facts.said() + " values with " + distinct + " words";
        if (again && short_ && distinct <= MOST_OPTIONS && !termWords) {
            return options(facts, "", joins, why);
        }
        boolean often =
                again && distinct * 3 <= facts.said() || termWords && distinct > 0 && distinct * 2 <= facts.said();
        if (often && facts.longest() <= LONGEST_TERM && distinct <= MOST_TERMS && facts.count(Sign.CODE) == 0) {
            return terms(facts, "", false, joins, why);
        }
        return GuessedKind.of(Kind.Text.PLAIN, text(facts));
    }

    private static String text(ColumnFacts facts) {
        if (facts.all(Sign.CODE)
                || facts.count(Sign.CODE) > 0 && facts.count(Sign.CODE) + facts.count(Sign.NUMBER) == facts.said()) {
            return "figures with zeros before them, which a number would lose";
        }
        return KindFit.of(facts).stream()
                .filter(each -> each.misfits() > 0 && each.misfits() * 2 <= facts.said())
                .filter(each -> !each.code().equals("text"))
                .findFirst()
                .map(each -> "all but " + each.misfits() + " could be a "
                        + each.code().replace('_', ' ') + ": "
                        + each.samples().stream()
                                .limit(2)
                                .map(sample -> "“" + sample.text() + "” in row " + sample.row())
                                .collect(Collectors.joining(", ")))
                .orElse(
                        facts.said() == 1
                                ? "its one value"
                                : facts.isUnique()
                                        ? facts.said() + " texts, none of them twice"
                                        : facts.said() + " texts");
    }

    /** The sign that stands between several values of one cell; empty where each has one. */
    private static String several(ColumnFacts facts, boolean termWords, boolean levels) {
        return List.of("\n", ";", "|", ",").stream()
                .filter(sign -> facts.parts().containsKey(sign)
                        && isSeveral(facts, sign, facts.parts().get(sign), termWords || levels))
                .findFirst()
                .orElse("");
    }

    private static boolean isSeveral(ColumnFacts facts, String sign, Parts parts, boolean lenient) {
        long all = parts.common().stream().mapToLong(CountedText::times).sum();
        boolean again =
                parts.distinct() > 0 && parts.distinct() * (lenient ? 3 : 4) <= all * 2 && all >= FEWEST_FOR_OPTIONS;
        boolean words = parts.longest() <= (sign.equals(",") ? 40 : LONGEST_TERM) && parts.distinct() <= MOST_TERMS;
        // a comma stands in many a name; where it parts words, the same words stand alone elsewhere
        boolean parted = !sign.equals(",") || parts.distinct() < facts.distinct() || lenient && parts.values() >= 2;
        return again && words && parted && parts.values() >= 2 && parts.values() * 20 >= facts.said();
    }

    private static List<SpelledWord> words(ColumnFacts facts, String separator, Map<String, String> joins) {
        return Spellings.joined(
                Spellings.words(
                        separator.isEmpty()
                                ? facts.common()
                                : facts.parts().get(separator).common()),
                joins);
    }

    public GuessedKind terms(
            ColumnFacts facts, String separator, boolean hierarchical, Map<String, String> joins, String why) {
        boolean many = !separator.isEmpty();
        return new GuessedKind(
                new Kind.TermPick("", new Kind.Amount(many, null, null)),
                true,
                separator,
                hierarchical,
                words(facts, separator, joins),
                null,
                why);
    }

    public GuessedKind options(ColumnFacts facts, String separator, Map<String, String> joins, String why) {
        var words = words(facts, separator, joins);
        var kind = new Kind.Choice(
                options(words.stream().map(each -> each.label()).toList()),
                "",
                new Kind.Amount(!separator.isEmpty(), null, null),
                separator.isEmpty() ? Kind.Choice.ChoiceControl.MENU : Kind.Choice.ChoiceControl.TICKS);
        return new GuessedKind(kind, false, separator, false, words, null, why);
    }

    public List<Kind.Option> options(List<String> labels) {
        var taken = new HashSet<String>();
        var options = new ArrayList<Kind.Option>();
        for (var written : labels) {
            var label = VisibleText.of(written);
            var key = Keys.free(Keys.fromLabel(label), taken);
            taken.add(key);
            options.add(new Kind.Option(ids.next('o'), key, label, false));
        }
        return options;
    }

    static String anySeparator(ColumnFacts facts) {
        return List.of("\n", ";", "|", ",").stream()
                .filter(facts.parts()::containsKey)
                .findFirst()
                .orElse("");
    }

    public static boolean isTermWord(String header) {
        return TERM_WORDS.matcher(header.toLowerCase(Locale.ROOT)).matches();
    }
}

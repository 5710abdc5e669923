package org.jontrel.core.infer;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jontrel.core.model.Kind;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.naming.Keys;
import org.jontrel.core.work.Deadline;

/** What kind of values a name and some samples speak of. Samples count more than the name. */
public final class KindGuess {
    /** @param label the name without what became a setting, such as a unit in brackets */
    public record Guess(String label, Kind kind, String why) {}

    private record KindPattern(Pattern pattern, Kind kind) {}

    private static final Pattern UNIT = Pattern.compile("\\s*[(\\[]\\s*([^)\\]]{1,12})\\s*[)\\]]\\s*$");
    private static final Pattern NUMBER =
            Pattern.compile("[-+]?(?:\\d{1,3}(?:[ ,']\\d{3})+|\\d+)(?:[.,](\\d{1,6}))?\\s*([^\\d\\s][^\\d]{0,8})?");
    private static final Pattern DATE = Pattern.compile(
            "\\d{4}-\\d{1,2}-\\d{1,2}|\\d{1,2}[./-]\\d{1,2}[./-](\\d{4}|\\d{2})|\\d{1,2}\\.? \\p{L}{3,9} \\d{4}");
    private static final Pattern MOMENT = Pattern.compile("(" + DATE.pattern() + ")[T ,]+\\d{1,2}:\\d{2}(:\\d{2})?");
    private static final Pattern YES_NO = Pattern.compile("(?i)yes|no|y|n|true|false|x|✓|✗");
    private static final int MOST_OPTIONS = 12;
    private static final int LONG = 120;

    /** What samples must all match, the narrowest first. */
    private static final Map<String, KindPattern> OF_SAMPLES = new LinkedHashMap<>();

    /** What a name must contain, the surest first. */
    private static final List<KindPattern> OF_NAMES = List.of(
            name("e-?mail", Kind.Email.PLAIN),
            name("(tele)?phone|mobile|fax", Kind.Phone.PLAIN),
            name("web ?site|url|link|home ?page", Kind.Url.PLAIN),
            name("colou?r|tint|shade", Kind.Colour.PLAIN),
            name("icon", Kind.Icon.PLAIN),
            name("photos?|pictures?|images?|portrait|logo", Kind.Image.PLAIN),
            name("pdf|documents?|files?|attachments?", Kind.File.PLAIN),
            name("coordinates|map position|place on the map", Kind.Coordinates.PLAIN),
            name("(begins|starts|ends|from|until) at", Kind.DateTime.PLAIN),
            name(
                    "dates?|day|since|until|born|founded|valid|(opened|closed|built|received|signed|begun) on",
                    Kind.Date.PLAIN),
            name("opens|closes|time|hour", Kind.Time.PLAIN),
            name("is|has|are|can|open to|allowed|accessible|needed|available|active", Kind.YesNo.PLAIN),
            name(
                    "description|notes?|remarks?|comments?|story|history|about|details|directions|advice",
                    Kind.LongText.PLAIN),
            name("number of|count|how many|quantity|capacity|limit|year|age|rank", Kind.Numeric.PLAIN),
            name(
                    "length|width|height|depth|rise|draught|weight|distance|altitude|latitude|longitude|price|cost|fee|per night|amount|temperature",
                    new Kind.Numeric(2, null, null, "")));

    static {
        OF_SAMPLES.put("e-mail addresses", sample("[^@\\s]+@[^@\\s]+\\.[^@\\s]+", Kind.Email.PLAIN));
        OF_SAMPLES.put("web addresses", sample("https?://\\S+", Kind.Url.PLAIN));
        OF_SAMPLES.put("colours", sample("#[0-9a-fA-F]{6}", Kind.Colour.PLAIN));
        OF_SAMPLES.put("moments", new KindPattern(MOMENT, Kind.DateTime.PLAIN));
        OF_SAMPLES.put("dates", new KindPattern(DATE, Kind.Date.PLAIN));
        OF_SAMPLES.put("times", sample("\\d{1,2}:\\d{2}(:\\d{2})?", Kind.Time.PLAIN));
        OF_SAMPLES.put("yes and no", new KindPattern(YES_NO, Kind.YesNo.PLAIN));
    }

    private final Ids ids;

    public KindGuess(Ids ids) {
        this.ids = ids;
    }

    private static KindPattern name(String words, Kind kind) {
        return new KindPattern(Pattern.compile("(?i)(^|.*\\W)(" + words + ")(\\W.*|$)"), kind);
    }

    private static KindPattern sample(String pattern, Kind kind) {
        return new KindPattern(Pattern.compile(pattern), kind);
    }

    public Guess of(String name, List<String> samples) {
        var bracket = UNIT.matcher(name);
        var unit = bracket.find() ? bracket.group(1) : "";
        var bare = unit.isEmpty() ? name : name.substring(0, bracket.start()).strip();
        var guess = samples.isEmpty() ? ofName(name, bare, unit) : ofSamples(name, bare, unit, samples);
        return guess.label().isBlank() ? new Guess(name, guess.kind(), guess.why()) : guess;
    }

    private static Guess ofName(String name, String bare, String unit) {
        for (var sign : OF_NAMES) {
            if (sign.pattern().matcher(bare).matches()) {
                return sign.kind() instanceof Kind.Numeric number
                        ? new Guess(bare, new Kind.Numeric(number.decimals(), null, null, unit), "its name")
                        : new Guess(name, sign.kind(), "its name");
            }
        }
        return unit.matches("[a-zµ°]{1,3}\\d?|%|EUR|GBP|USD|€|£|\\$")
                ? new Guess(bare, new Kind.Numeric(2, null, null, unit), "the unit in its name")
                : new Guess(name, Kind.Text.PLAIN, "nothing in its name");
    }

    private Guess ofSamples(String name, String bare, String unit, List<String> samples) {
        for (var sign : OF_SAMPLES.entrySet()) {
            if (all(sign.getValue().pattern(), samples)) {
                return new Guess(name, sign.getValue().kind(), why(samples, sign.getKey()));
            }
        }
        var number = number(bare, unit, samples);
        if (number != null) {
            return number;
        }
        if (samples.stream().anyMatch(each -> each.length() > LONG || each.contains("\n"))) {
            return new Guess(name, Kind.LongText.PLAIN, why(samples, "long texts"));
        }
        if (samples.stream().allMatch(each -> each.matches("[+()0-9 /.-]{6,20}"))
                && samples.stream().anyMatch(each -> each.matches("[+0(].*"))) {
            return new Guess(name, Kind.Phone.PLAIN, why(samples, "telephone numbers"));
        }
        return choice(name, samples);
    }

    private static boolean all(Pattern pattern, List<String> samples) {
        return samples.stream().allMatch(each -> pattern.matcher(each).matches());
    }

    private static String why(List<String> samples, String what) {
        return samples.size() == 1 ? "its sample" : "its " + samples.size() + " samples, all " + what;
    }

    /** Numbers all in one unit; {@code null} where some sample is none, or looks like a telephone number. */
    private static Guess number(String bare, String unit, List<String> samples) {
        int decimals = 0;
        var units = new HashSet<String>();
        for (var sample : samples) {
            Deadline.check();
            var matcher = NUMBER.matcher(sample);
            if (!matcher.matches() || sample.matches("0\\d{5,}") || sample.startsWith("+")) {
                return null;
            }
            decimals = Math.max(
                    decimals, matcher.group(1) == null ? 0 : matcher.group(1).length());
            units.add(matcher.group(2) == null ? "" : matcher.group(2).strip());
        }
        if (units.size() > 1) {
            return null;
        }
        var found = units.iterator().next();
        return new Guess(
                bare, new Kind.Numeric(decimals, null, null, found.isEmpty() ? unit : found), why(samples, "numbers"));
    }

    /** A few texts that come again and again are options; one spelling of each. */
    private Guess choice(String name, List<String> samples) {
        var spellings = new LinkedHashMap<String, String>();
        samples.forEach(each -> spellings.putIfAbsent(each.toLowerCase(Locale.ROOT), each));
        boolean again =
                samples.size() >= 4 && spellings.size() <= MOST_OPTIONS && spellings.size() * 2 <= samples.size();
        if (!again || spellings.values().stream().anyMatch(each -> each.length() > 40)) {
            return new Guess(
                    name, Kind.Text.PLAIN, samples.size() == 1 ? "its sample" : "its samples, all different texts");
        }
        var taken = new HashSet<String>();
        var options = new ArrayList<Kind.Option>();
        for (var label : spellings.values()) {
            var key = Keys.free(Keys.fromLabel(label), taken);
            taken.add(key);
            options.add(new Kind.Option(ids.next('o'), key, label, false));
        }
        var words = options.stream().map(Kind.Option::label).limit(3).collect(Collectors.joining(", "));
        return new Guess(
                name,
                new Kind.Choice(options),
                samples.size() + " samples with " + options.size() + " texts (" + words + " …)");
    }
}

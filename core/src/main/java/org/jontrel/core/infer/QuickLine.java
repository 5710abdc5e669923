package org.jontrel.core.infer;

import java.math.BigDecimal;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jontrel.core.model.ChoiceList;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Kind.Choice;
import org.jontrel.core.model.Kind.Repeater;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.naming.Keys;

/**
 * One line of plain words: a label, then perhaps a kind, then perhaps settings. {@code Rise number 2 decimals m required},
 * {@code Surface: grass, gravel, hard}, {@code Keeper relation to person}, {@code Rating 1 to 5},
 * {@code Inspections repeater: day date, inspector, faults text}.
 */
final class QuickLine {
    /** What a line says; {@code kind} is {@code null} where it says none. */
    record ParsedLine(String label, Kind kind, boolean required, String why) {}

    /** Words for kinds, the longest first where one begins with another. */
    private static final Map<String, Kind> KINDS = kinds();

    /** Kinds that names end with: "Start date" is a name, and "Rise number" is a name and a kind. */
    private static final Set<String> NATURAL =
            Set.of("email", "e-mail", "phone", "date", "time", "image", "colour", "icon");

    private static final Pattern ENDS_REQUIRED = Pattern.compile("(?i)(.*\\S)(?:\\s+(?:required|needed|must))+");
    private static final Set<String> MANY = Set.of("many", "several", "multiple");
    private final Model model;
    private final Ids ids;

    /** How many groups and repeaters the line stands in. */
    private final int depth;

    QuickLine(Model model, Ids ids, int depth) {
        this.model = model;
        this.ids = ids;
        this.depth = depth;
    }

    private static Map<String, Kind> kinds() {
        var kinds = new LinkedHashMap<String, Kind>();
        kinds.put("date and time", Kind.DateTime.PLAIN);
        kinds.put("date time", Kind.DateTime.PLAIN);
        kinds.put("web address", Kind.Url.PLAIN);
        kinds.put("whole number", Kind.Numeric.PLAIN);
        kinds.put("rich text", Kind.RichText.PLAIN);
        kinds.put("long text", Kind.LongText.PLAIN);
        kinds.put("yes or no", Kind.YesNo.PLAIN);
        kinds.put("yes/no", Kind.YesNo.PLAIN);
        kinds.put("yes no", Kind.YesNo.PLAIN);
        kinds.put("e-mail", Kind.Email.PLAIN);
        for (var kind : Kind.all()) {
            kinds.put(kind.code(), kind);
        }
        return kinds;
    }

    /** A kind is looked for behind any word of a line, but not in a text as long as a page. */
    private static final int MOST_WORDS = 60;

    /** A range such as "1 to 5" or "0–100 %", at the end of a line. */
    private static final Pattern RANGE =
            Pattern.compile("(.*\\S)\\s+(-?\\d{1,9})\\s*(?:to|-|–|\\.\\.)\\s*(-?\\d{1,9})(?:\\s+(\\S{1,12}))?");

    private static final Pattern WITH_FIELDS = Pattern.compile("(?i)(.*\\S)\\s+(repeater|rows|group)");

    ParsedLine read(String line) {
        int colon = line.indexOf(':');
        var recordType = colon > 0 && depth < Repeater.DEEPEST
                ? WITH_FIELDS.matcher(line.substring(0, colon).strip())
                : null;
        if (recordType != null && recordType.matches()) {
            return new ParsedLine(
                    recordType.group(1), withFields(recordType.group(2), line.substring(colon + 1)), false, "");
        }
        var required = ENDS_REQUIRED.matcher(line);
        return required.matches() ? unmarked(required.group(1), true) : unmarked(line, false);
    }

    private ParsedLine unmarked(String line, boolean required) {
        int colon = line.indexOf(':');
        if (colon > 0 && !line.startsWith("://", colon)) {
            var before = line.substring(0, colon).strip();
            var after = line.substring(colon + 1).strip();
            if (after.indexOf(',') > 0 || after.indexOf(';') > 0) {
                return new ParsedLine(before, new Choice(options(Arrays.asList(after.split("[,;]")))), required, "");
            }
            if (beginsWithKind(after)) {
                return new ParsedLine(before, said(before, after, List.of()), required, "");
            }
            var said = words(before + " " + after, required);
            if (said.kind() != null && said.label().equals(before)) {
                return said;
            }
        }
        return words(line, required);
    }

    /** Rows or a group of the fields that a list names, each as a line of its own. */
    private Kind withFields(String word, String list) {
        var lines = list.replace('\t', ' ').replaceAll("[,;]", "\n");
        var fields = new Infer(model, Set.of(), ids, depth + 1)
                .fields(lines).stream().map(Proposal::field).toList();
        return word.equalsIgnoreCase("group")
                ? new Kind.FieldGroup(fields)
                : new Repeater(fields, null, null, "", Kind.Repeater.RowStyle.TABLE);
    }

    private ParsedLine words(String line, boolean required) {
        var words = Arrays.asList(line.split("\\s+"));
        for (int at = 1; at < words.size() && words.size() <= MOST_WORDS; at++) {
            var rest = String.join(" ", words.subList(at, words.size()));
            for (var named : KINDS.entrySet()) {
                if (begins(rest, named.getKey())) {
                    var after = rest.substring(named.getKey().length()).strip();
                    if (after.isEmpty() && NATURAL.contains(named.getKey())) {
                        return new ParsedLine(String.join(" ", words), named.getValue(), required, "");
                    }
                    if (!namesSomething(named.getValue()) && endsWithKind(after)) {
                        break;
                    }
                    return said(String.join(" ", words.subList(0, at)), named.getValue(), after, required);
                }
            }
        }
        var all = String.join(" ", words);
        var range = RANGE.matcher(all);
        return words.size() <= MOST_WORDS && range.matches() && rises(range)
                ? new ParsedLine(range.group(1), range(range), required, "")
                : new ParsedLine(all, null, required, "");
    }

    private static boolean rises(Matcher range) {
        return Long.parseLong(range.group(2)) < Long.parseLong(range.group(3));
    }

    private static Kind range(Matcher range) {
        var unit = range.group(4) == null ? "" : range.group(4);
        return new Kind.Numeric(0, new BigDecimal(range.group(2)), new BigDecimal(range.group(3)), unit);
    }

    static boolean beginsWithKind(String text) {
        return KINDS.keySet().stream().anyMatch(word -> begins(text, word));
    }

    /** The kind that words say, such as "number 2 decimals m"; a list beside them holds its options, or the fields within it. */
    Kind said(String label, String words, List<String> list) {
        var named = KINDS.entrySet().stream()
                .filter(each -> begins(words, each.getKey()))
                .findFirst()
                .orElseThrow();
        var after = words.substring(named.getKey().length()).strip();
        var names = list.isEmpty() ? after : (after + " " + String.join(", ", list)).strip();
        return switch (named.getValue()) {
            case Kind.FieldGroup _ -> withFields("group", names);
            case Repeater _ -> withFields("repeater", names);
            case Choice _ -> {
                var said = (Choice) said(label, named.getValue(), after, false).kind();
                yield said.list().isEmpty() && !list.isEmpty()
                        ? new Choice(options(list), "", said.amount(), said.shown())
                        : said;
            }
            case Kind.Relation _, Kind.TermPick _ ->
                said(label, named.getValue(), names, false).kind();
            case Kind.Plain _, Kind.Image _, Kind.File _, Kind.Note _ ->
                said(label, named.getValue(), after, false).kind();
        };
    }

    /** Whether words behind a kind are names, which may be words of kinds themselves. */
    private static boolean namesSomething(Kind kind) {
        return kind instanceof Choice || kind instanceof Kind.Relation || kind instanceof Kind.TermPick;
    }

    /** Whether another kind follows: then the word before it, although a kind's, is part of the label ("Strike note text"). */
    private static boolean endsWithKind(String after) {
        return KINDS.keySet().stream()
                .anyMatch(word -> after.equalsIgnoreCase(word)
                        || after.toLowerCase(Locale.ROOT).endsWith(" " + word));
    }

    static boolean begins(String text, String word) {
        var small = text.toLowerCase(Locale.ROOT);
        return small.startsWith(word)
                && (small.length() == word.length() || !Character.isLetterOrDigit(small.charAt(word.length())));
    }

    List<Kind.Option> options(List<String> labels) {
        var taken = new HashSet<String>();
        var options = new ArrayList<Kind.Option>();
        for (var label : labels) {
            if (!label.isBlank()) {
                var key = Keys.free(Keys.fromLabel(label.strip()), taken);
                taken.add(key);
                options.add(new Kind.Option(ids.next('o'), key, label.strip(), false));
            }
        }
        return options;
    }

    private ParsedLine said(String label, Kind kind, String rest, boolean required) {
        var words = new ArrayDeque<>(Arrays.asList(rest.split("\\s+")));
        return switch (kind) {
            case Kind.Numeric _ -> number(label, words, required);
            case Kind.Text _ -> text(label, words, required);
            case Choice _ -> choice(label, rest, required);
            case Kind.Relation _ -> relation(label, words, required);
            case Kind.TermPick _ -> {
                boolean many = words.removeIf(word -> MANY.contains(word.toLowerCase(Locale.ROOT)));
                var taxonomy = find(Taxonomy.class, name(words, Set.of("of", "from", "in")));
                yield new ParsedLine(label, new Kind.TermPick(taxonomy, amount(many)), required, "");
            }
            case Kind.Image _ -> {
                boolean many = words.removeIf(word -> MANY.contains(word.toLowerCase(Locale.ROOT)));
                var plain = Kind.Image.PLAIN;
                yield new ParsedLine(
                        label,
                        new Kind.Image(
                                null, null, null, null, null, plain.altRequired(), Set.of(), List.of(), amount(many)),
                        required,
                        "");
            }
            case Kind.File _ -> {
                boolean many = words.removeIf(word -> MANY.contains(word.toLowerCase(Locale.ROOT)));
                yield new ParsedLine(label, new Kind.File(Set.of(), null, amount(many)), required, "");
            }
            case Kind.Plain _, Kind.Nested _, Kind.Note _ -> new ParsedLine(label, kind, required, "");
        };
    }

    private static Kind.Amount amount(boolean many) {
        return new Kind.Amount(many, null, null);
    }

    private static ParsedLine number(String label, Deque<String> words, boolean required) {
        int decimals = 0;
        BigDecimal min = null;
        BigDecimal max = null;
        var unit = new ArrayList<String>();
        while (!words.isEmpty()) {
            var word = words.pop();
            var small = word.toLowerCase(Locale.ROOT);
            var next = words.peek();
            if (next != null && next.toLowerCase(Locale.ROOT).startsWith("decimal") && word.matches("\\d")) {
                decimals = Math.min(Kind.Numeric.MOST_DECIMALS, Integer.parseInt(word));
                words.pop();
            } else if ((small.equals("min") || small.equals("from")) && isNumber(next)) {
                min = new BigDecimal(words.pop());
            } else if ((small.equals("max") || small.equals("to")) && isNumber(next)) {
                max = new BigDecimal(words.pop());
            } else if (isNumber(word) && "to".equalsIgnoreCase(next)) {
                min = new BigDecimal(word);
            } else if (!word.isEmpty() && !small.equals("unit") && !small.equals("in")) {
                unit.add(word);
            }
        }
        return new ParsedLine(label, new Kind.Numeric(decimals, min, max, String.join(" ", unit)), required, "");
    }

    private static boolean isNumber(String word) {
        return word != null && word.matches("-?\\d{1,12}(\\.\\d{1,6})?");
    }

    private static ParsedLine text(String label, Deque<String> words, boolean required) {
        Integer max = null;
        boolean unique = false;
        while (!words.isEmpty()) {
            var word = words.pop().toLowerCase(Locale.ROOT);
            if (word.equals("unique")) {
                unique = true;
            } else if (word.equals("max") && isNumber(words.peek())) {
                max = new BigDecimal(words.pop()).intValue();
            }
        }
        return new ParsedLine(label, new Kind.Text(null, max, "", "", "", "", unique), required, "");
    }

    private ParsedLine choice(String label, String rest, boolean required) {
        var words = new ArrayDeque<>(Arrays.asList(rest.split("\\s+")));
        boolean many = words.removeIf(word -> MANY.contains(word.toLowerCase(Locale.ROOT)));
        var after =
                String.join(" ", words).replaceFirst("^(of|from|list)\\s+", "").replaceFirst("^:\\s*", "");
        var list = find(ChoiceList.class, after);
        var options = list.isEmpty() ? options(Arrays.asList(after.split("[,;/]"))) : List.<Kind.Option>of();
        var shown = many ? Kind.Choice.ChoiceControl.TICKS : Kind.Choice.ChoiceControl.MENU;
        return new ParsedLine(label, new Choice(options, list, amount(many), shown), required, "");
    }

    private ParsedLine relation(String label, Deque<String> words, boolean required) {
        boolean many = words.removeIf(word -> MANY.contains(word.toLowerCase(Locale.ROOT)));
        var named = name(words, Set.of("to"));
        var targets = Arrays.stream(named.split(",| or | and "))
                .map(String::strip)
                .map(name -> find(ContentType.class, name))
                .filter(id -> !id.isEmpty())
                .collect(Collectors.toSet());
        return new ParsedLine(label, new Kind.Relation(targets, amount(many), false, false, null), required, "");
    }

    private static String name(Deque<String> words, Set<String> before) {
        return words.stream().filter(word -> !before.contains(word)).collect(Collectors.joining(" "));
    }

    /** Id of the definition that a name, plural or key means; empty where none does. */
    private <D extends Definition> String find(Class<D> sort, String name) {
        return model.all(sort).stream()
                .filter(each -> each.key().equalsIgnoreCase(name)
                        || each.name().equalsIgnoreCase(name)
                        || (each instanceof ContentType type && type.plural().equalsIgnoreCase(name))
                        || (each instanceof Taxonomy taxonomy
                                && taxonomy.plural().equalsIgnoreCase(name)))
                .findFirst()
                .map(Definition::id)
                .orElse("");
    }
}

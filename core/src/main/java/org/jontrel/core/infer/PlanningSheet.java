package org.jontrel.core.infer;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A table in which somebody has planned fields, one a row: its first row says which column is the label, the type, whether the field is
 * required, its help, its options. The words are those that people use for such columns and types in spreadsheets.
 */
final class PlanningSheet {
    /** What a row says about a field. */
    record PlannedField(QuickLine.ParsedLine said, String key, String help) {}

    private enum Column {
        LABEL("label", "field", "field name", "field label", "name", "title", "question", "caption"),
        KEY("key", "field key", "machine name", "slug", "code"),
        TYPE("type", "kind", "field type", "data type", "content type", "format", "input", "input type"),
        REQUIRED("required", "required?", "mandatory", "mandatory?", "needed", "must", "compulsory", "obligatory"),
        MANY("many", "multiple", "multiple?", "several", "repeat", "repeats", "how many", "number of values"),
        UNIT("unit", "units"),
        HELP(
                "help",
                "help text",
                "hint",
                "description",
                "instructions",
                "notes",
                "note",
                "comment",
                "comments",
                "explanation"),
        OPTIONS(
                "options",
                "choices",
                "values",
                "allowed values",
                "list",
                "list of values",
                "possible values",
                "fields");

        private final Set<String> headings;

        Column(String... headings) {
            this.headings = Set.of(headings);
        }

        static Optional<Column> of(String heading) {
            var word = heading.strip().replaceFirst("\\s*[:*]$", "").toLowerCase(Locale.ROOT);
            return Arrays.stream(values())
                    .filter(column -> column.headings.contains(word))
                    .findFirst();
        }
    }

    private static final Set<String> YES =
            Set.of("yes", "y", "x", "true", "1", "required", "mandatory", "must", "✓", "✔");
    private static final Set<String> NO = Set.of("", "no", "n", "false", "0", "-", "–", "optional");
    /** One in so many cells under "Type" may be no type, for a table to be a plan. */
    private static final int ODD_ONE_IN = 2;

    /** What people write for kinds besides our own words. */
    private static final Map<String, String> OTHER_WORDS = PlanningWords.otherWords();

    private final Map<Column, Integer> columns;
    private final List<List<String>> rows;

    private PlanningSheet(Map<Column, Integer> columns, List<List<String>> rows) {
        this.columns = columns;
        this.rows = rows;
    }

    /** The sheet that these rows are; none where the first names no columns of a plan, or what stands below is data. */
    static Optional<PlanningSheet> of(List<List<String>> rows) {
        if (rows.size() < 2) {
            return Optional.empty();
        }
        var columns = new EnumMap<Column, Integer>(Column.class);
        var heading = rows.getFirst();
        for (int i = 0; i < heading.size(); i++) {
            int at = i;
            Column.of(heading.get(i)).ifPresent(column -> columns.putIfAbsent(column, at));
        }
        var sheet = new PlanningSheet(columns, rows.subList(1, rows.size()));
        return columns.containsKey(Column.LABEL) && sheet.isPlan() ? Optional.of(sheet) : Optional.empty();
    }

    private boolean isPlan() {
        if (columns.containsKey(Column.TYPE)) {
            var types = cells(Column.TYPE);
            long known =
                    types.stream().filter(type -> !kindWords(type).isEmpty()).count();
            return !types.isEmpty() && known * ODD_ONE_IN >= types.size();
        }
        boolean saysMore = columns.containsKey(Column.REQUIRED) && columns.size() > 2;
        return saysMore
                && cells(Column.REQUIRED).stream()
                        .map(PlanningSheet::small)
                        .allMatch(cell -> YES.contains(cell) || NO.contains(cell));
    }

    private List<String> cells(Column column) {
        return rows.stream()
                .map(row -> cell(row, column))
                .filter(cell -> !cell.isEmpty())
                .toList();
    }

    private String cell(List<String> row, Column column) {
        int at = columns.getOrDefault(column, -1);
        return at >= 0 && at < row.size() ? row.get(at).strip() : "";
    }

    private static String small(String text) {
        return text.strip().toLowerCase(Locale.ROOT);
    }

    /** A type in the words of the quick line; empty where it names no kind. */
    private static String kindWords(String type) {
        var bare = type.strip()
                .replaceAll("[()\\[\\]]", " ")
                .replaceAll("\\s+", " ")
                .strip();
        var translated = OTHER_WORDS.entrySet().stream()
                .filter(each -> QuickLine.begins(bare, each.getKey()))
                .findFirst()
                .map(each -> each.getValue() + bare.substring(each.getKey().length()))
                .orElse(bare);
        return QuickLine.beginsWithKind(translated) ? translated : "";
    }

    List<PlannedField> lines(QuickLine quick, KindGuess guess) {
        var lines = new ArrayList<PlannedField>();
        for (var row : rows) {
            var label = cell(row, Column.LABEL).replaceFirst("\\s*\\*$", "");
            if (!label.isEmpty()) {
                boolean required = YES.contains(small(cell(row, Column.REQUIRED)))
                        || cell(row, Column.LABEL).endsWith("*");
                lines.add(new PlannedField(
                        said(row, label, required, quick, guess), cell(row, Column.KEY), cell(row, Column.HELP)));
            }
        }
        return lines;
    }

    private QuickLine.ParsedLine said(
            List<String> row, String label, boolean required, QuickLine quick, KindGuess guess) {
        var type = cell(row, Column.TYPE);
        var options = list(cell(row, Column.OPTIONS));
        var words = kindWords(type);
        if (words.isEmpty() && !options.isEmpty()) {
            words = "choice";
        }
        if (words.isEmpty()) {
            var guessed = guess.of(label, List.of());
            var why = type.isEmpty() ? guessed.why() : "its name: “" + type + "” is no kind of field here";
            return new QuickLine.ParsedLine(guessed.label(), guessed.kind(), required, why);
        }
        if (YES.contains(small(cell(row, Column.MANY)))) {
            words += " many";
        }
        var unit = cell(row, Column.UNIT);
        var said = quick.said(label, unit.isEmpty() ? words : words + " " + unit, options);
        return new QuickLine.ParsedLine(label, said, required, "");
    }

    /** The options of a cell: one a line, or between semicolons, bars, else commas, else strokes. */
    private static List<String> list(String cell) {
        for (var separator : List.of("\n", ";", "\\|", ",", "/")) {
            var parts = cell.split(separator);
            if (parts.length > 1) {
                return Arrays.stream(parts)
                        .map(String::strip)
                        .filter(part -> !part.isEmpty())
                        .toList();
            }
        }
        return cell.isEmpty() ? List.of() : List.of(cell);
    }
}

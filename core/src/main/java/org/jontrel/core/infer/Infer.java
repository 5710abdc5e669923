package org.jontrel.core.infer;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.naming.Keys;

/**
 * Fields for a text: lines such as {@code Rise number 2 decimals m required}, a table that plans fields (see {@link PlanningSheet}), or
 * rows of values copied from a spreadsheet.
 */
public final class Infer {
    /** Most fields of one text; the rest is left out. */
    public static final int MOST = 200;

    private static final int MOST_ROWS = 500;
    private static final int LONGEST_LABEL = 200;
    private final Model model;
    private final Ids ids;
    private final Set<String> taken;
    private final int depth;

    /** @param taken keys that fields beside these have */
    public Infer(Model model, Set<String> taken, Ids ids) {
        this(model, taken, ids, 0);
    }

    /** @param depth of groups and repeaters that the fields stand in */
    Infer(Model model, Set<String> taken, Ids ids, int depth) {
        this.depth = depth;
        this.model = model;
        this.taken = new HashSet<>(taken);
        this.ids = ids;
    }

    /** The fields, in order; none for a text without words. Cells are told apart by tabs, as spreadsheets copy them. */
    public List<Proposal> fields(String text) {
        return text.contains("\t") ? columns(text) : lines(text);
    }

    private List<Proposal> lines(String text) {
        return text.lines()
                .map(line -> line.strip().replaceFirst("^([-*•–]|\\d+[.)])\\s+", ""))
                .filter(line -> !line.isBlank())
                .limit(MOST)
                .map(line -> proposal(new QuickLine(model, ids, depth).read(line), List.of()))
                .toList();
    }

    private List<Proposal> columns(String text) {
        var rows = rows(text);
        var sheet = PlanningSheet.of(rows);
        if (sheet.isPresent()) {
            return sheet.get().lines(new QuickLine(model, ids, depth), new KindGuess(ids)).stream()
                    .limit(MOST)
                    .map(this::planned)
                    .toList();
        }
        var proposals = new ArrayList<Proposal>();
        for (int i = 0; !rows.isEmpty() && i < rows.getFirst().size() && proposals.size() < MOST; i++) {
            int column = i;
            var name = rows.getFirst().get(i).strip();
            var samples = rows.stream()
                    .skip(1)
                    .filter(row -> column < row.size())
                    .map(row -> row.get(column).strip())
                    .filter(cell -> !cell.isEmpty())
                    .toList();
            if (!name.isEmpty() || !samples.isEmpty()) {
                proposals.add(column(name.isEmpty() ? "Column " + (i + 1) : name, samples));
            }
        }
        return proposals;
    }

    private static List<List<String>> rows(String text) {
        try (var parser = CSVFormat.TDF
                .builder()
                .setIgnoreEmptyLines(true)
                .setLenientEof(true)
                .setTrailingData(true)
                .get()
                .parse(new StringReader(text.strip()))) {
            return parser.stream().limit(MOST_ROWS).map(row -> row.toList()).toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private Proposal column(String name, List<String> samples) {
        var guess = new KindGuess(ids).of(name, samples);
        var said = new QuickLine.ParsedLine(guess.label(), guess.kind(), false, guess.why());
        return proposal(said, samples.subList(0, Math.min(3, samples.size())));
    }

    private Proposal planned(PlanningSheet.PlannedField line) {
        var plain = proposal(line.said(), List.of());
        var field = plain.field();
        var key = Keys.isKey(line.key()) && !taken.contains(line.key()) ? line.key() : field.key();
        taken.add(key);
        return new Proposal(
                new Field(field.id(), key, field.label(), line.help(), field.required(), field.kind()),
                plain.why(),
                List.of());
    }

    private Proposal proposal(QuickLine.ParsedLine said, List<String> samples) {
        var label = said.label().length() > LONGEST_LABEL ? said.label().substring(0, LONGEST_LABEL) : said.label();
        var guess = said.kind() == null ? new KindGuess(ids).of(label, List.of()) : null;
        var shown = guess == null ? label : guess.label();
        var key = Keys.free(Keys.fromLabel(shown), taken);
        taken.add(key);
        var kind = guess == null ? said.kind() : guess.kind();
        return new Proposal(
                new Field(ids.next('f'), key, shown, "", said.required(), kind),
                guess == null ? said.why() : guess.why(),
                samples);
    }
}

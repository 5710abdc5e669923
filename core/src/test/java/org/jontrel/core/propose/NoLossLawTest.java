package org.jontrel.core.propose;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.Term;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.propose.kind.CellTexts;
import org.jontrel.core.propose.word.Spellings;
import org.jontrel.core.record.Values;
import org.jontrel.core.sheet.WorkbookProfile;
import org.jontrel.core.sheet.WrittenSheet;
import org.jontrel.core.spelling.Reading;
import org.testng.annotations.Test;

/** Whatever stands in a table, every value of it can be read as the kind that is proposed for its column. */
public class NoLossLawTest {
    private static final int CASES = Integer.getInteger("loss.cases", 250);
    private static final int FROM = Integer.getInteger("loss.from", 1);
    private static final String[] NOTHING = {"", "n/a", "-", "unknown"};

    /** Cells of one sort; a column is mostly of one, with some of another. */
    private static final List<Function<Random, String>> CELLS = List.of(
            chance -> String.valueOf(chance.nextInt(5_000)),
            chance -> chance.nextInt(90) + "," + chance.nextInt(100),
            chance -> chance.nextInt(90) + "." + chance.nextInt(1_000),
            chance -> (1 + chance.nextInt(99)) + "," + "%03d".formatted(chance.nextInt(1_000)),
            chance -> "%05d".formatted(chance.nextInt(3_000)),
            chance -> chance.nextInt(100) + " %",
            chance -> "€" + chance.nextInt(500) + ".50",
            chance -> chance.nextInt(30) + " m",
            chance -> chance.nextInt(12) + " ft " + chance.nextInt(12) + " in",
            chance -> (1 + chance.nextInt(28)) + "/" + (1 + chance.nextInt(12)) + "/" + (1990 + chance.nextInt(30)),
            chance -> (1 + chance.nextInt(12)) + "/" + (13 + chance.nextInt(15)) + "/" + (1990 + chance.nextInt(30)),
            chance -> "20%02d-%02d-%02d".formatted(chance.nextInt(30), 1 + chance.nextInt(12), 1 + chance.nextInt(28)),
            chance -> "20%02d-%02d-%02d %02d:%02d"
                    .formatted(
                            chance.nextInt(30),
                            1 + chance.nextInt(12),
                            1 + chance.nextInt(28),
                            chance.nextInt(24),
                            chance.nextInt(60)),
            chance -> (1 + chance.nextInt(28)) + " May 20" + (10 + chance.nextInt(20)),
            chance -> "%d:%02d".formatted(chance.nextInt(24), chance.nextInt(60)),
            chance -> chance.nextBoolean() ? "yes" : "no",
            chance -> chance.nextBoolean() ? "X" : "",
            chance -> "n" + chance.nextInt(900) + "@post.example",
            chance -> "https://web.example/" + chance.nextInt(900),
            chance -> "#%06x".formatted(chance.nextInt(1 << 24)),
            chance -> "+44 20 7946 %04d".formatted(chance.nextInt(10_000)),
            chance -> "51.%d, -1.%d".formatted(chance.nextInt(1_000), chance.nextInt(1_000)),
            chance -> List.of("red", "Red ", "green", "blue", "bleu").get(chance.nextInt(5)),
            chance -> List.of("a, b", "a", "b; c", "c, a", "b").get(chance.nextInt(5)),
            chance -> List.of("North > Hill", "North", "South > Vale > Brook", "South")
                    .get(chance.nextInt(4)),
            chance -> "Row " + chance.nextInt(10_000),
            chance -> "a long line of text that goes on ".repeat(1 + chance.nextInt(8)),
            chance -> "one\ntwo " + chance.nextInt(50),
            chance -> "½",
            chance -> "<p>so <b>" + chance.nextInt(9) + "</b></p>",
            chance -> "-" + chance.nextInt(90) + ".25");

    @Test
    public void everyValueCanBeRead() throws IOException {
        for (int i = FROM; i < FROM + CASES; i++) {
            var chance = new Random(i * 7_919L);
            var rows = table(chance);
            var facts = WorkbookProfile.of(List.of(WrittenSheet.of("Things", rows)));
            var proposed = Proposing.of(facts, Choices.NONE, Model.EMPTY, new Ids(new Random(i)));
            for (var column : proposed.sheets().getFirst().columns()) {
                for (var row : rows.subList(1, rows.size())) {
                    assertEquals(unread(proposed, column, row), "", "case " + i + ", " + column);
                }
            }
        }
    }

    private static List<List<String>> table(Random chance) {
        int columns = 2 + chance.nextInt(6);
        var sorts = new ArrayList<List<Function<Random, String>>>();
        for (int c = 0; c < columns; c++) {
            sorts.add(List.of(CELLS.get(chance.nextInt(CELLS.size())), CELLS.get(chance.nextInt(CELLS.size()))));
        }
        int rows = 3 + chance.nextInt(60);
        int mixed = chance.nextInt(3) == 0 ? chance.nextInt(20) : 0;
        var table = new ArrayList<List<String>>();
        table.add(Stream.iterate(0, n -> n < columns, n -> n + 1)
                .map(n -> "Field " + (char) ('a' + n))
                .toList());
        for (int r = 0; r < rows; r++) {
            var row = new ArrayList<String>();
            for (var sort : sorts) {
                boolean odd = chance.nextInt(100) < mixed;
                row.add(
                        chance.nextInt(12) == 0
                                ? NOTHING[chance.nextInt(NOTHING.length)]
                                : sort.get(odd ? 1 : 0).apply(chance));
            }
            table.add(row);
        }
        return table;
    }

    /** The text of a cell that the column would lose; empty where it would lose none. */
    private static String unread(ProposedModel model, ProposedColumn column, List<String> row) {
        var text = column.column() < row.size() ? row.get(column.column()).strip() : "";
        if (text.isEmpty()) {
            return "";
        }
        return switch (column.use()) {
            case TITLE -> text.length() <= Kind.Text.LONGEST ? "" : text;
            case TERMS -> parts(column, text).allMatch(part -> isTerm(model, column.target(), part)) ? "" : text;
            case FIELD -> {
                // what says nothing is empty in a field of another kind than text
                boolean nothing = List.of(NOTHING).contains(text);
                yield parts(column, text).allMatch(part -> reads(column.field(), column.reading(), part)) || nothing
                        ? ""
                        : text;
            }
            default -> "";
        };
    }

    private static Stream<String> parts(ProposedColumn column, String text) {
        return column.separator().isEmpty()
                ? Stream.of(text)
                : Stream.of(text.split(java.util.regex.Pattern.quote(column.separator())))
                        .map(String::strip)
                        .filter(part -> !part.isEmpty());
    }

    private static boolean reads(Field field, Reading reading, String text) {
        if (field.kind() instanceof Kind.Image || field.kind() instanceof Kind.File) {
            return true;
        }
        return CellTexts.read(field.kind(), reading, text)
                .filter(value -> Values.fits(field, value))
                .isPresent();
    }

    private static boolean isTerm(ProposedModel model, String taxonomy, String text) {
        var label =
                text.contains(">") ? text.substring(text.lastIndexOf('>') + 1).strip() : text;
        return model.definitions().stream()
                .filter(each ->
                        each.sort() == Definition.Sort.TAXONOMY && each.name().equals(taxonomy))
                .flatMap(each -> ((Taxonomy) each).allTerms())
                .map(Term::label)
                .map(Spellings::bare)
                .anyMatch(each -> each.equals(Spellings.bare(label)) || each.equals(Spellings.bare(text)));
    }
}

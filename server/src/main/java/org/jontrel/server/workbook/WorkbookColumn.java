package org.jontrel.server.workbook;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.jontrel.core.format.Things;
import org.jontrel.core.propose.ProposedColumn;
import org.jontrel.core.propose.kind.KindFit;
import org.jontrel.core.propose.word.SpelledWord;
import org.jontrel.core.shape.WriteContext;
import org.jontrel.core.sheet.ColumnFacts;
import org.jontrel.core.sheet.CountedText;
import org.jontrel.core.sheet.SheetFacts;
import org.jontrel.core.sheet.SheetRow;

/** A column, what it holds, and what becomes of it. */
@Schema(
        requiredProperties = {
            "column",
            "letters",
            "header",
            "group",
            "filled",
            "empty",
            "nothing",
            "distinct",
            "samples",
            "use",
            "state",
            "label",
            "target",
            "kind",
            "several",
            "required",
            "rowsOf",
            "why",
            "words",
            "wordCount",
            "fits"
        })
record WorkbookColumn(
        int column,

        @Schema(description = "By which people know it, such as C")
        String letters,

        String header,
        String group,
        long filled,
        long empty,

        @Schema(description = "Cells that only say that nothing is known")
        long nothing,

        @Schema(description = "Different texts; -1 where there are too many to tell")
        long distinct,

        List<String> samples,

        @Schema(description = "One of title, field, terms, parent, address, state, place, row, owner and skip")
        String use,

        @Schema(description = "new, there or differs") String state,

        @Schema(ref = "#/components/schemas/Field", description = "The field that it becomes or has a part in")
        Object field,

        String label,

        @Schema(description = "Name of the type, taxonomy or list that its values are of; else empty")
        String target,

        @Schema(description = "Code of the kind of field; empty where it becomes none")
        String kind,

        @Schema(description = "Whether a cell has several values")
        boolean several,

        boolean required,

        @Schema(description = "What the rows are called that it is a value of; else empty")
        String rowsOf,

        String why,

        @Schema(description = "The most frequent words, and all that are spelled in several ways")
        List<WordView> words,

        int wordCount,
        List<FitView> fits) {
    private static final int MOST_WORDS = 30;

    /** A word and its spellings. */
    @Schema(requiredProperties = {"label", "times", "others", "perhaps"})
    record WordView(String label, long times, List<TextView> others, List<TextView> perhaps) {
        static WordView of(SpelledWord word) {
            return new WordView(word.label(), word.times(), TextView.of(word.others()), TextView.of(word.perhaps()));
        }
    }

    /** A text, how often it stands there, and the row of the first. */
    @Schema(requiredProperties = {"text", "times", "row"})
    record TextView(String text, long times, int row) {
        static List<TextView> of(List<CountedText> texts) {
            return texts.stream()
                    .map(each -> new TextView(each.text(), each.times(), each.row()))
                    .toList();
        }
    }

    /** How the column would do as another kind. */
    @Schema(requiredProperties = {"kind", "misfits", "samples"})
    record FitView(String kind, long misfits, List<TextView> samples) {
        static FitView of(KindFit fit) {
            return new FitView(fit.code(), fit.misfits(), TextView.of(fit.samples()));
        }
    }

    static WorkbookColumn of(ProposedColumn column, SheetFacts sheet) {
        var facts = sheet.columns().stream()
                .filter(each -> each.index() == column.column())
                .findFirst()
                .orElseThrow();
        var field = column.field();
        return new WorkbookColumn(
                column.column(),
                SheetRow.letters(column.column()),
                facts.header(),
                facts.group(),
                facts.filled(),
                facts.empty(),
                facts.nothing(),
                facts.distinct(),
                facts.samples(),
                column.use().code(),
                column.state().name().toLowerCase(Locale.ROOT),
                field == null ? null : Things.of(field).write(field, WriteContext.PLAIN),
                column.label(),
                column.target(),
                kind(column),
                !column.separator().isEmpty(),
                column.required(),
                column.rowsOf(),
                column.why(),
                words(column),
                column.words().size(),
                fits(column, facts));
    }

    private static String kind(ProposedColumn column) {
        return switch (column.use()) {
            case FIELD, ROW, PLACE ->
                column.field() == null ? "" : column.field().kind().code();
            case TERMS -> "term";
            default -> "";
        };
    }

    private static List<WordView> words(ProposedColumn column) {
        var words = column.words();
        var spelled = words.stream()
                .skip(MOST_WORDS)
                .filter(each -> !each.others().isEmpty() || !each.perhaps().isEmpty());
        return Stream.concat(words.stream().limit(MOST_WORDS), spelled)
                .map(WordView::of)
                .toList();
    }

    /** An empty column fits every kind alike. */
    private static List<FitView> fits(ProposedColumn column, ColumnFacts facts) {
        return facts.said() == 0
                ? column.fits().stream()
                        .map(each -> new FitView(each.code(), 0, List.of()))
                        .toList()
                : column.fits().stream().map(FitView::of).toList();
    }
}

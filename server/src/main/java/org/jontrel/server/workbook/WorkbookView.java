package org.jontrel.server.workbook;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.stream.IntStream;
import org.jontrel.core.propose.Choices;
import org.jontrel.core.propose.ProposedModel;
import org.jontrel.core.propose.ProposedSheet;
import org.jontrel.core.sheet.SheetFacts;
import org.jontrel.core.sheet.WorkbookFacts;
import org.jontrel.serve.web.FindingView;

/** A workbook that was read, and the model that is proposed for it. */
@Schema(
        requiredProperties = {
            "id",
            "name",
            "by",
            "readAt",
            "revision",
            "chosen",
            "choices",
            "sheets",
            "definitions",
            "findings",
            "problems"
        })
record WorkbookView(
        long id,

        @Schema(description = "Names of the files") String name,

        String by,
        Instant readAt,
        Instant takenAt,

        @Schema(description = "Of the draft that the proposal is compared with; sent back when it is taken")
        long revision,

        @Schema(
                description =
                        "How often somebody chose otherwise; sent back with the next choice, and when it is taken")
        long chosen,

        @Schema(description = "What somebody chose otherwise than is proposed")
        Choices choices,

        List<SheetView> sheets,

        @Schema(description = "What would be new in the draft, or get more")
        List<DefinitionLine> definitions,

        @Schema(description = "What somebody should know of the files")
        List<FindingView> findings,

        @Schema(description = "What the draft would have to be corrected in")
        List<FindingView> problems) {

    /** A definition that would be new in the draft, or get more. */
    @Schema(requiredProperties = {"sort", "name", "there", "fields"})
    record DefinitionLine(String sort, String name, boolean there, int fields) {}

    /** A sheet, and what becomes of it. */
    @Schema(
            requiredProperties = {
                "sheet",
                "file",
                "name",
                "hidden",
                "rows",
                "header",
                "role",
                "noun",
                "definition",
                "there",
                "why",
                "notes",
                "columns"
            })
    record SheetView(
            int sheet,
            String file,
            String name,
            boolean hidden,
            long rows,

            @Schema(description = "Row of the names of its columns, from 1; 0 where it has none")
            int header,

            @Schema(description = "One of type, taxonomy, list, values, relation, rows and skip")
            String role,

            @Schema(description = "What a row is called") String noun,

            @Schema(description = "Name of the definition that its rows become, or that gets them; empty for none")
            String definition,

            @Schema(description = "Whether that is in the draft already")
            boolean there,

            String why,
            List<String> notes,
            List<WorkbookColumn> columns) {
        static SheetView of(ProposedSheet sheet, SheetFacts facts, String definition) {
            return new SheetView(
                    sheet.sheet(),
                    facts.file(),
                    facts.name(),
                    facts.hidden(),
                    facts.rows(),
                    facts.header(),
                    sheet.role().code(),
                    sheet.noun(),
                    definition,
                    sheet.there(),
                    sheet.why(),
                    sheet.notes(),
                    IntStream.range(0, sheet.columns().size())
                            .mapToObj(each -> WorkbookColumn.of(sheet.columns().get(each), facts))
                            .toList());
        }
    }

    static List<SheetView> sheets(
            ProposedModel proposed, WorkbookFacts facts, java.util.function.Function<String, String> names) {
        return proposed.sheets().stream()
                .map(each -> SheetView.of(each, facts.sheets().get(each.sheet()), names.apply(each.definition())))
                .toList();
    }
}

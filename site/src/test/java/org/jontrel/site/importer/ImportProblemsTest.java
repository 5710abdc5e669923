package org.jontrel.site.importer;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.importer.ColumnMapping;
import org.jontrel.core.importer.ImportMapping;
import org.jontrel.core.importer.SheetMapping;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.sheet.WrittenSheet;
import org.jontrel.core.value.Link;
import org.testng.annotations.Test;

/** Rows that cannot be brought: what is said of them, how they are mended, and what is brought all the same. */
public class ImportProblemsTest extends ImportingTest {
    private static ColumnMapping title() {
        return ColumnMapping.field("Title", "part_title");
    }

    private static SheetMapping trees(String key, ColumnMapping... columns) {
        return new SheetMapping(
                "Trees",
                SheetMapping.SheetUse.RECORDS,
                "tree",
                key,
                SheetMapping.Mode.ALL,
                RecordState.DRAFT,
                false,
                List.of(columns));
    }

    private static SheetMapping in(SheetMapping sheet, SheetMapping.Mode mode, boolean clears) {
        return new SheetMapping(
                sheet.sheet(), sheet.use(), sheet.to(), sheet.key(), mode, sheet.state(), clears, sheet.columns());
    }

    private long of(SheetMapping mapping, String... lines) {
        return create(new ImportMapping(List.of(mapping)), WrittenSheet.rows("Trees", lines));
    }

    private List<String> codes(long id) {
        return imports.rows(id, 0, null, 0, 500).stream()
                .flatMap(row -> row.problems().stream()
                        .map(each -> row.number() + ":" + each.column() + " "
                                + each.finding().code()))
                .toList();
    }

    @Test
    public void eachProblemIsToldAtItsCellAndTheOtherRowsAreBrought() {
        long id = of(
                trees(
                        "Tag",
                        ColumnMapping.field("Tag", "tag"),
                        title(),
                        ColumnMapping.field("Height", "height"),
                        ColumnMapping.field("Planted", "planted"),
                        ColumnMapping.field("Keeper", "keeper"),
                        ColumnMapping.field("Tone", "bark.tone"),
                        ColumnMapping.of("State", ColumnMapping.Goal.STATE)),
                "Tag | Title | Height | Planted | Keeper | Tone | State",
                "A | Fine | 2 | 2020-01-01 | | #aabbcc | draft",
                "B | Low | -2 | | | | ",
                "C | Tall | about 9 | 3/4/2020 | Nobody | mauve | perhaps",
                " | None | | | | |",
                "E | | | | | |",
                "A | Again | | | | |",
                "G | #REF! | | | | |");
        tryOut(id);
        assertEquals(
                codes(id),
                List.of(
                        "2:0 IMPORT_KEY_TWICE",
                        "3:2 VALUE_TOO_SMALL",
                        "4:2 VALUE_NOT_NUMBER",
                        "4:3 IMPORT_TWO_WAYS",
                        "4:5 VALUE_NOT_COLOUR",
                        "4:6 IMPORT_STATE",
                        "4:4 IMPORT_NAME_UNKNOWN",
                        "5:0 IMPORT_KEY_EMPTY",
                        "6:1 VALUE_REQUIRED",
                        "7:0 IMPORT_KEY_TWICE"));
        run(id);
        assertEquals(byTitle("ttree").keySet(), Set.of("#REF!"));
        assertEquals(outcomes(id, 0), "new 1, failed 6");
    }

    @Test
    public void problemsAreAnsweredTogetherAndCellsCorrected() {
        long id = of(
                trees("", title(), ColumnMapping.field("Height", "height")),
                "Title | Height",
                "One | n/a",
                "Two | n/a",
                "Three | 3 apples");
        tryOut(id);
        var problems = imports.problems(id);
        assertEquals(problems.getFirst().rows(), 2);
        assertEquals(problems.getFirst().text(), "n/a");
        assertTrue(imports.replace(id, 0, 1, "n/a", ""));
        assertFalse(view(id).tried(), "what was tried is of another mapping");
        assertTrue(imports.correct(id, 0, 4, 1, "3"));
        run(id);
        assertEquals(outcomes(id, 0), "new 3");
        assertEquals(byTitle("ttree").get("Three").values().get("fheight"), new BigDecimal("3"));
        assertFalse(imports.correct(id, 0, 4, 1, "4"), "it is done");
        // next month, the same mapping knows what n/a is
        var kept = imports.open(id).orElseThrow().mapping();
        imports.mappings().keep("Trees of the year", kept, "anna");
        long next = create(
                imports.mappings().find("Trees of the year").orElseThrow().mapping(),
                WrittenSheet.rows("May", "Height | Title", "n/a | Four"));
        run(next);
        assertEquals(outcomes(next, 0), "new 1", problems(next, 0).toString());
    }

    @Test
    public void rowsThatLeadToFailingRowsFailAndSaySo() {
        long id = of(
                trees(
                        "Title",
                        title(),
                        ColumnMapping.field("Height", "height"),
                        ColumnMapping.field("From", "parents").separated(","),
                        ColumnMapping.field("Near", "near").separated(",").missing(ColumnMapping.WhenMissing.LEAVE)),
                "Title | Height | From | Near",
                "A | 1 | B |",
                "B | 1 | C |",
                "C | tall | |",
                "D | 1 | | C, E",
                "E | 1 | F | A",
                "F | 1 | E | ");
        tryOut(id);
        assertEquals(codes(id), List.of("2:2 IMPORT_NAME_FAILS", "3:2 IMPORT_NAME_FAILS", "4:1 VALUE_NOT_NUMBER"));
        run(id);
        var trees = byTitle("ttree");
        assertEquals(trees.keySet(), Set.of("D", "E", "F"));
        assertEquals(
                trees.get("E").values().get("fparents"),
                List.of(new Link("ttree", trees.get("F").id())));
        assertEquals(
                trees.get("F").values().get("fparents"),
                List.of(new Link("ttree", trees.get("E").id())));
        assertEquals(
                trees.get("D").values().get("fnear"),
                List.of(new Link("ttree", trees.get("E").id())));
    }

    @Test
    public void whatStandsUnderItselfIsNotBrought() {
        var plots = new SheetMapping(
                "Trees",
                SheetMapping.SheetUse.RECORDS,
                "tplot",
                "Title",
                SheetMapping.Mode.ALL,
                RecordState.DRAFT,
                false,
                List.of(title(), ColumnMapping.of("Under", ColumnMapping.Goal.PARENT)));
        long id = of(plots, "Title | Under", "A | B", "B | C", "C | A", "D | E", "E |", "F | C", "G | G");
        run(id);
        assertEquals(byTitle("tplot").keySet(), Set.of("D", "E"));
        assertEquals(outcomes(id, 0), "new 2, failed 5");
    }

    @Test
    public void onlyWhatIsNewOrOnlyWhatIsThere() {
        site.save("ttree", Map.of("title", "Old", "height", "2"));
        var columns = trees("Title", title(), ColumnMapping.field("Height", "height"));
        String[] lines = {"Title | Height", "Old | 5", "Young | 1"};
        long changed = of(in(columns, SheetMapping.Mode.CHANGED, false), lines);
        run(changed);
        assertEquals(outcomes(changed, 0), "changed 1, left 1");
        assertEquals(byTitle("ttree").keySet(), Set.of("Old"));
        site.edit("ttree", byTitle("ttree").get("Old").id(), Map.of("height", "7"));
        long fresh = of(in(columns, SheetMapping.Mode.NEW, false), lines);
        run(fresh);
        assertEquals(outcomes(fresh, 0), "new 1, left 1");
        assertEquals(byTitle("ttree").get("Old").values().get("fheight"), new BigDecimal("7"));
    }

    @Test
    public void anEmptyCellLeavesAValueUnlessItIsToClearIt() {
        site.save(
                "ttree", Map.of("title", "Old", "height", "2", "bark", Map.of("tone", "#112233", "texture", "Rough")));
        var columns = trees(
                "Title", title(), ColumnMapping.field("Height", "height"), ColumnMapping.field("Tone", "bark.tone"));
        run(of(columns, "Title | Height | Tone", "Old | |"));
        var kept = byTitle("ttree").get("Old").values();
        assertEquals(kept.get("fheight"), new BigDecimal("2"));
        run(of(in(columns, SheetMapping.Mode.ALL, true), "Title | Height | Tone", "Old | |"));
        var cleared = byTitle("ttree").get("Old").values();
        assertEquals(cleared.get("fheight"), null);
        assertEquals(cleared.get("fbark"), Map.of("ftexture", "Rough"), "what no column speaks of stays");
    }

    @Test
    public void numberedColumnsAreRowsAndPlacesOfSeveralValues() {
        var mapping = trees(
                "Title",
                title(),
                ColumnMapping.field("Pruned 1", "prunings.day").row(1),
                ColumnMapping.field("Tool 1", "prunings.tools").row(1),
                ColumnMapping.field("Pruned 2", "prunings.day").row(2),
                ColumnMapping.field("Tool 2", "prunings.tools").row(2),
                ColumnMapping.field("Use 1", "uses").row(1),
                ColumnMapping.field("Use 2", "uses").row(2));
        String head = "Title | Pruned 1 | Tool 1 | Pruned 2 | Tool 2 | Use 1 | Use 2";
        long id = of(
                mapping,
                head,
                "A | 2020-01-01 | Saw | 2021-01-01 | Shears | Juice | Table",
                "B | | | 2021-01-01 | | | Table");
        run(id);
        assertEquals(outcomes(id, 0), "new 2", problems(id, 0).toString());
        assertEquals(((List<?>) byTitle("ttree").get("A").values().get("fprunings")).size(), 2);
        assertEquals(byTitle("ttree").get("A").values().get("fuses"), List.of("juice", "table"));
        assertEquals(((List<?>) byTitle("ttree").get("B").values().get("fprunings")).size(), 1);
        long again = of(mapping, head, "A | 2020-01-01 | Saw | 2021-01-02 | Shears | Juice | Table");
        run(again);
        assertEquals(outcomes(again, 0), "changed 1");
        long same = of(mapping, head, "A | 2020-01-01 | Saw | 2021-01-02 | Shears | Juice | Table");
        run(same);
        assertEquals(outcomes(same, 0), "same 1");
    }

    @Test
    public void whatOnlyOneMayHaveIsToldBeforeItIsBrought() {
        site.save("tperson", Map.of("title", "Ada"));
        site.save("ttree", Map.of("title", "There", "tag", "T-9"));
        var mapping =
                trees("Title", title(), ColumnMapping.field("Tag", "tag"), ColumnMapping.field("Keeper", "keeper"));
        long id = of(mapping, "Title | Tag | Keeper", "A | T-1 | Ada", "B | t-1 |", "C | T-9 |", "D | T-2 | Ada");
        tryOut(id);
        var tried = codes(id);
        assertEquals(tried, List.of("3:1 IMPORT_CLAIMED", "4:1 VALUE_NOT_UNIQUE", "5:2 VALUE_LINK_TAKEN"));
        run(id);
        assertEquals(codes(id), tried, "the run says the same");
        assertEquals(byTitle("ttree").keySet(), Set.of("A", "There"));
    }

    @Test
    public void aMappingThatCannotBeCarriedOutSaysWhy() {
        var mapping = trees(
                "Code",
                ColumnMapping.field("Title", "titel"),
                ColumnMapping.field("Height", "height"),
                ColumnMapping.field("Tall", "height"),
                ColumnMapping.field("Bark", "bark"),
                ColumnMapping.field("Keeper", "keeper").by("shoe_size"),
                ColumnMapping.field("Gone", "planted"));
        long id = of(mapping, "Title | Height | Tall | Bark | Keeper", "A | 1 | 2 | b | Ada");
        var outcome = imports.tryOut(id);
        assertTrue(outcome instanceof ImportOutcome.UnfitMapping, outcome.toString());
        assertEquals(
                ((ImportOutcome.UnfitMapping) outcome)
                        .findings().stream().map(Finding::code).toList(),
                List.of(
                        Code.IMPORT_FIELD_UNKNOWN,
                        Code.IMPORT_FIELD_WHOLE,
                        Code.IMPORT_COLUMN_MISSING,
                        Code.IMPORT_BY_UNKNOWN,
                        Code.IMPORT_TWICE,
                        Code.IMPORT_KEY_MISSING,
                        Code.IMPORT_NO_TITLE));
        var nowhere = of(new SheetMapping("Trees", null, "shed", null, null, null, false, null), "Title", "A");
        assertEquals(
                imports.open(nowhere).orElseThrow().findings().stream()
                        .map(Finding::code)
                        .toList(),
                List.of(Code.IMPORT_TYPE_UNKNOWN));
    }

    @Test
    public void aRecordThatGetsTooManyRowsIsToldAndTheOthersAreBrought() {
        var rows = new ArrayList<>(List.of("Tree | Day"));
        for (int i = 0; i < 2_500; i++) {
            rows.add("Many | 2020-01-01");
        }
        rows.add("Few | 2021-01-01");
        var prunings = new SheetMapping(
                "Prunings",
                SheetMapping.SheetUse.ROWS,
                "tree",
                "",
                null,
                null,
                false,
                List.of(
                        ColumnMapping.of("Tree", ColumnMapping.Goal.OWNER),
                        ColumnMapping.field("Day", "prunings.day")));
        long id = create(
                new ImportMapping(List.of(trees("Title", title()), prunings)),
                WrittenSheet.rows("Trees", "Title", "Many", "Few"),
                WrittenSheet.rows("Prunings", rows.toArray(String[]::new)));
        run(id);
        assertEquals(outcomes(id, 0), "new 2");
        assertEquals(outcomes(id, 1), "changed 1, failed 2500");
        assertEquals(byTitle("ttree").get("Many").values().get("fprunings"), null);
        assertEquals(((List<?>) byTitle("ttree").get("Few").values().get("fprunings")).size(), 1);
    }

    @Test
    public void editsSinceStayWhenAnImportIsUndone() {
        long id = of(trees("Title", title()), "Title", "A", "B", "C", "D");
        run(id);
        var trees = byTitle("ttree");
        site.edit("ttree", trees.get("A").id(), Map.of("height", "3"));
        site.edit(
                "ttree",
                trees.get("A").id(),
                Map.of("parents", List.of(trees.get("B").id())));
        site.save(
                "ttree",
                Map.of("title", "Mine", "parents", List.of(trees.get("C").id())));
        assertEquals(imports.undoPlan(id), Optional.of(new UndoCounts(1, 0, 1, 2)));
        undo(id);
        assertEquals(byTitle("ttree").keySet(), Set.of("A", "B", "C", "Mine"));
        // and it can be brought anew
        run(id);
        assertEquals(byTitle("ttree").keySet(), Set.of("A", "B", "C", "D", "Mine"));
        assertEquals(outcomes(id, 0), "new 1, same 3");
    }
}

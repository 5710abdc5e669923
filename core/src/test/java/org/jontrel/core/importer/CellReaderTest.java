package org.jontrel.core.importer;

import static org.testng.Assert.assertEquals;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.sheet.WrittenSheet;
import org.testng.annotations.Test;

/** What the cells of a row say, put over what a record has. */
public class CellReaderTest {
    private static ReadRow read(boolean clears, List<ColumnMapping> columns, String... cells) {
        var heads =
                String.join(" | ", columns.stream().map(ColumnMapping::column).toList());
        var facts = MappingProposalTest.facts(WrittenSheet.rows("Cloths", heads, String.join(" | ", cells)));
        var mapping = new SheetMapping("Cloths", null, "cloth", "", null, null, clears, columns);
        var bound = BoundSheet.of(0, facts.sheets().getFirst(), mapping, MappingProposalTest.LOOMS)
                .orElseThrow();
        return new CellReader(bound).read(List.of(cells));
    }

    private static List<Code> codes(ReadRow row) {
        return row.problems().stream().map(each -> each.finding().code()).toList();
    }

    @Test
    public void valuesAreReadAsPeopleWriteThem() {
        var row = read(
                false,
                List.of(
                        ColumnMapping.field("Name", "title"),
                        ColumnMapping.field("Width", "width"),
                        ColumnMapping.field("Woven", "woven"),
                        ColumnMapping.field("Lat", "whereabouts").part("latitude"),
                        ColumnMapping.field("Long", "whereabouts").part("longitude"),
                        ColumnMapping.field("Hem", "edge.hem"),
                        ColumnMapping.field("Heat 2", "washes.heat").row(2)),
                " Blue ",
                "90,5 cm",
                "12 May 2020",
                "52,5",
                "-0.25",
                "plain",
                "40");
        assertEquals(row.problems(), List.of());
        assertEquals(
                ImportedValues.over(Map.of(), row.raw(), name -> null),
                Map.of(
                        "title",
                        "Blue",
                        "width",
                        "90.5",
                        "woven",
                        "2020-05-12",
                        "whereabouts",
                        Map.of("latitude", "52.5", "longitude", "-0.25"),
                        "edge",
                        Map.of("hem", "plain"),
                        "washes",
                        List.of(Map.of("heat", "40"))));
    }

    @Test
    public void whatIsNoValueIsToldAtItsCell() {
        var row = read(
                false,
                List.of(
                        ColumnMapping.field("Width", "width"),
                        ColumnMapping.field("Woven", "woven"),
                        ColumnMapping.field("Lat", "whereabouts").part("latitude"),
                        ColumnMapping.of("State", ColumnMapping.Goal.STATE),
                        ColumnMapping.of("From", ColumnMapping.Goal.PUBLISH_AT),
                        ColumnMapping.of("Number", ColumnMapping.Goal.NUMBER),
                        ColumnMapping.field("Name", "title")),
                "wide",
                "3/4/2020",
                "north",
                "perhaps",
                "soon",
                "007",
                CellReader.ERROR + "#DIV/0!");
        assertEquals(
                codes(row),
                List.of(
                        Code.VALUE_NOT_NUMBER,
                        Code.IMPORT_TWO_WAYS,
                        Code.IMPORT_DEGREES,
                        Code.IMPORT_STATE,
                        Code.IMPORT_MOMENT,
                        Code.IMPORT_NUMBER,
                        Code.IMPORT_CELL_ERROR));
        assertEquals(row.problems().get(1).column(), 1);
        assertEquals(row.problems().get(1).text(), "3/4/2020");
    }

    @Test
    public void textsThatCanBeReadInTwoWaysAreReadAsItWasSaid() {
        var row = read(false, List.of(ColumnMapping.field("Woven", "woven").reading("month_first")), "3/4/2020");
        assertEquals(row.raw(), Map.of("woven", "2020-03-04"));
    }

    @Test
    public void textsAreReadAsOthersWhereThatWasSaid() {
        var columns = List.of(
                ColumnMapping.field("Width", "width").replacing("n/a", "").replacing("one metre", "100"),
                ColumnMapping.of("State", ColumnMapping.Goal.STATE).replacing("sold", "retired"),
                ColumnMapping.of("From", ColumnMapping.Goal.PUBLISH_AT));
        assertEquals(read(false, columns, "one metre", "sold", "2030-01-01").raw(), Map.of("width", "100.0"));
        var row = read(false, columns, "n/a", "Live", "2030-01-01 09:30");
        assertEquals(row.raw(), Map.of());
        assertEquals(row.state(), Optional.of(RecordState.PUBLISHED));
        assertEquals(row.publishAt(), Optional.of(LocalDateTime.parse("2030-01-01T09:30")));
    }

    @Test
    public void namesWaitToBeLookedUpAndEmptyCellsEmptyOnlyWhereTheyAreTo() {
        var columns = List.of(
                ColumnMapping.field("Weaver", "weaver"),
                ColumnMapping.field("Fibre", "fibre").separated(";").by(ColumnMapping.BY_PATH),
                ColumnMapping.field("Hem", "edge.hem"));
        var row = read(true, columns, "Ada", "Wool > Lamb; Flax", "");
        assertEquals(row.names().stream().map(CellName::text).toList(), List.of("Ada", "Wool > Lamb", "Flax"));
        assertEquals(row.names().get(1).path(), List.of("Wool", "Lamb"));
        var before = Map.of("edge", Map.of("hem", "plain"), "width", "5");
        var after = ImportedValues.over(before, row.raw(), name -> name.text().equals("Ada") ? 7L : null);
        assertEquals(after.get("weaver"), 7L);
        assertEquals(after.get("fibre"), List.of());
        assertEquals(((Map<?, ?>) after.get("edge")).get("hem"), null);
        assertEquals(after.get("width"), "5");
        assertEquals(
                ImportedValues.over(before, read(false, columns, "", "", "").raw(), name -> null), before);
    }

    @Test
    public void rowsKeepTheirNumbersByTheirPlace() {
        var before = List.of(Map.of("_row", 5L, "heat", "30"), Map.of("_row", 6L, "heat", "40"));
        var row =
                read(false, List.of(ColumnMapping.field("Heat 2", "washes.heat").row(2)), "60");
        var after = ImportedValues.over(Map.of("washes", before), row.raw(), name -> null);
        assertEquals(after.get("washes"), List.of(Map.of("_row", 5L, "heat", "30"), Map.of("_row", 6L, "heat", "60")));
        var replaced = ImportedValues.list(before, List.of(Map.of("heat", "1")), name -> null);
        assertEquals(replaced, List.of(Map.of("heat", "1", "_row", 5L)));
    }

    @Test
    public void aRowThatStoodInTheSecondPlaceAloneIsTheSameWhenItComesAgain() {
        var before = List.of(Map.of("_row", 5L, "type", "hot", "by", Map.of("type", "tweaver", "id", 7L)));
        var said = Map.<Integer, Object>of(2, Map.of("type", "hot", "by", Map.of("type", "tweaver", "id", 7L)));
        var raw = Map.<String, Object>of("washes", new ReadRow.NumberedValues(said));
        assertEquals(
                ImportedValues.over(Map.of("washes", before), raw, name -> null).get("washes"), before);
        var other = Map.<Integer, Object>of(2, Map.of("type", "cold"));
        var changed = Map.<String, Object>of("washes", new ReadRow.NumberedValues(other));
        assertEquals(
                ImportedValues.over(Map.of("washes", before), changed, name -> null)
                        .get("washes"),
                List.of(before.getFirst(), Map.of("type", "cold")));
    }
}

package org.jontrel.core.importer;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.sheet.WorkbookFacts;
import org.jontrel.core.sheet.WorkbookProfile;
import org.jontrel.core.sheet.WrittenSheet;
import org.testng.annotations.Test;

/** Where rows would go, by what sheets and columns are called; and what is wrong with where they go. */
public class MappingProposalTest {
    static final Model LOOMS = model(Map.of(
            "types/weaver.yaml",
            "{id: tweaver, key: weaver, singular: Weaver, plural: Weavers, path: weavers, parts: [title], groups: []}",
            "types/cloth.yaml",
            """
            id: tcloth
            key: cloth
            singular: Cloth
            plural: Cloths
            path: cloths
            parts: [title]
            nested: {under: [cloth]}
            groups:
              - id: gfacts
                title: Facts
                fields:
                  - {id: fcode, key: code, label: Code, kind: text, unique: true}
                  - {id: fwidth, key: width, label: Width, kind: number, decimals: 1, unit: cm}
                  - {id: fwoven, key: woven, label: Woven on, kind: date}
                  - {id: fwhere, key: whereabouts, label: Whereabouts, kind: place}
                  - id: fedge
                    key: edge
                    label: Edge
                    kind: group
                    fields: [{id: fhem, key: hem, label: Hem, kind: text}]
                  - id: fwashes
                    key: washes
                    label: Washes
                    kind: repeater
                    fields:
                      - {id: fday, key: day, label: Day, kind: date}
                      - {id: fheat, key: heat, label: Heat, kind: number}
                  - {id: fweaver, key: weaver, label: Weaver, kind: relation, to: [weaver]}
            taxonomies: [{use: fibre}]
            """,
            "taxonomies/fibre.yaml",
            "{id: xfibre, key: fibre, singular: Fibre, plural: Fibres, path: fibres, hierarchical: true}"));

    private static Model model(Map<String, String> texts) {
        var files = new TreeMap<String, byte[]>();
        files.put("package.yaml", "name: looms\nversion: \"1.0.0\"\n".getBytes(StandardCharsets.UTF_8));
        texts.forEach((path, text) -> files.put(path, text.getBytes(StandardCharsets.UTF_8)));
        return PackageReader.read(files, List.of()).content().orElseThrow().model();
    }

    static WorkbookFacts facts(WrittenSheet... sheets) {
        try {
            return WorkbookProfile.of(List.of(sheets));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String told(ColumnMapping column) {
        return column.column() + " → "
                + (column.goal() == ColumnMapping.Goal.FIELD
                        ? column.field()
                                + (column.row() > 0 ? " " + column.row() : "")
                                + (column.part().isEmpty() ? "" : " " + column.part())
                        : column.goal());
    }

    private static List<String> columns(SheetMapping sheet) {
        return sheet.columns().stream().map(MappingProposalTest::told).toList();
    }

    @Test
    public void columnsGoToTheFieldsThatTheyAreCalledLike() {
        var mapping = MappingProposal.of(
                facts(
                        WrittenSheet.rows(
                                "Cloths",
                                "Name | Code | Width (cm) | Woven on | Edge hem | Wash 1 day | Wash 1 heat | Wash 2 day | Wash 2 heat | Lat | Long | Weaver | Fibre | Part of",
                                "Blue | C-1 | 90 | 2020-01-02 | blanket | 2021-01-01 | 30 | 2022-01-01 | 40 | 52.1 | 0.5 | Ada | Wool > Lamb |",
                                "Red | C-2 | 120.5 | 2021-01-02 | plain | 2021-02-01 | 30 | | | 52.2 | 0.6 | Ben | Flax | Blue",
                                "Green | C-3 | 60 | 2022-01-02 | plain | | | | | 52.3 | 0.7 | Ada | Wool | Blue"),
                        WrittenSheet.rows("Weavers", "Weaver", "Ada", "Ben")),
                LOOMS,
                Ids.secure());
        var cloths = mapping.sheets().getFirst();
        assertEquals(
                columns(cloths),
                List.of(
                        "Name → part_title",
                        "Code → fcode",
                        "Width (cm) → fwidth",
                        "Woven on → fwoven",
                        "Edge hem → fhem",
                        "Wash 1 day → fday 1",
                        "Wash 1 heat → fheat 1",
                        "Wash 2 day → fday 2",
                        "Wash 2 heat → fheat 2",
                        "Lat → fwhere latitude",
                        "Long → fwhere longitude",
                        "Weaver → fweaver",
                        "Fibre → xfibre",
                        "Part of → PARENT"));
        assertEquals(cloths.key(), "Code");
        assertEquals(cloths.to(), "tcloth");
        assertEquals(mapping.sheets().getLast().to(), "tweaver");
        var fibre = cloths.columns().get(12);
        assertEquals(fibre.by(), ColumnMapping.BY_PATH);
        assertEquals(fibre.missing(), ColumnMapping.WhenMissing.MAKE);
    }

    @Test
    public void whatWasExportedGoesBackByItsNumberAndEmptyCellsEmpty() {
        var mapping = MappingProposal.of(
                facts(WrittenSheet.rows(
                        "cloth",
                        "Number | State | Address | Title | Width",
                        "118637557387537 | published | blue | Blue | 90",
                        "118637557387538 | draft | red | Red |")),
                LOOMS,
                Ids.secure());
        var sheet = mapping.sheets().getFirst();
        assertEquals(
                columns(sheet),
                List.of(
                        "Number → NUMBER",
                        "State → STATE",
                        "Address → ADDRESS",
                        "Title → part_title",
                        "Width → fwidth"));
        assertEquals(sheet.key(), "Number");
        assertEquals(sheet.clears(), true);
    }

    @Test
    public void aSheetCalledLikeRowsBelongsToTheirRecords() {
        var mapping = MappingProposal.of(
                facts(
                        WrittenSheet.rows("Cloths", "Title | Code", "Blue | C-1", "Red | C-2"),
                        WrittenSheet.rows(
                                "Washes",
                                "Cloth | Day | Heat | Note",
                                "C-1 | 2020-01-01 | 30 | x",
                                "C-2 | 2020-01-02 | 40 | y",
                                "C-1 | 2021-01-01 | 30 | x")),
                LOOMS,
                Ids.secure());
        var washes = mapping.sheets().getLast();
        assertEquals(washes.use(), SheetMapping.SheetUse.ROWS);
        assertEquals(columns(washes), List.of("Cloth → OWNER", "Day → fday", "Heat → fheat", "Note → SKIP"));
        assertEquals(washes.columns().getFirst().by(), "code");
    }

    @Test
    public void aMappingForAnotherSheetSaysWhatItLacks() {
        var facts = facts(WrittenSheet.rows("Cloths", "Title | Width", "Blue | 90", "Red | 100"));
        var mapping = new SheetMapping(
                "Cloths",
                null,
                "cloth",
                "Code",
                null,
                null,
                false,
                List.of(
                        ColumnMapping.field("Code", "code"),
                        ColumnMapping.field("title", "title"),
                        ColumnMapping.field("Width", "edge.hemm")));
        var bound = BoundSheet.of(0, facts.sheets().getFirst(), mapping, LOOMS).orElseThrow();
        assertEquals(
                bound.findings().stream().map(Finding::code).toList(),
                List.of(Code.IMPORT_COLUMN_MISSING, Code.IMPORT_FIELD_UNKNOWN, Code.IMPORT_KEY_MISSING));
        assertEquals(bound.columns().size(), 1, "capital letters of headers are no difference");
    }

    @Test
    public void aCellForOneOfSeveralRowsMustSayWhich() {
        var facts = facts(WrittenSheet.rows("Cloths", "Title | Day | Heat", "Blue | 2026-01-02 | 40"));
        var day = ColumnMapping.field("Day", "washes.day");
        var heat = ColumnMapping.field("Heat", "washes.heat").row(1);
        var columns = List.of(ColumnMapping.field("Title", "title"), day, heat);
        var mapping = new SheetMapping("Cloths", null, "cloth", "", null, null, false, columns);
        var findings = BoundSheet.of(0, facts.sheets().getFirst(), mapping, LOOMS)
                .orElseThrow()
                .findings();
        assertEquals(
                findings.stream().map(Finding::sentence).toList(),
                List.of(
                        "Day goes to “Day” of Washes, which has several. Say which row of it the column is, such as 1."));
    }
}

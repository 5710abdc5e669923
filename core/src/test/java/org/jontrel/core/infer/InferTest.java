package org.jontrel.core.infer;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.testng.annotations.Test;

/** Lines and pasted rows, and the fields that come of them. */
public class InferTest extends Inferring {
    @Test(dataProvider = "lines")
    public void aLineSaysLabelKindAndSettings(String line, String field) {
        assertEquals(infer(line).stream().map(InferTest::written).toList(), List.of(field));
    }

    @Test
    public void aListOfNamesLosesItsBulletsAndKeysMeetNothing() {
        var found = infer("- Name\n• Name\n3. Date of birth\n\n   \nname", "name");
        assertEquals(
                found.stream()
                        .map(each ->
                                each.field().key() + ":" + each.field().kind().code())
                        .toList(),
                List.of("name_2:text", "name_3:text", "date_of_birth:date", "name_4:text"));
    }

    @Test(dataProvider = "columns")
    public void samplesSayWhatAColumnHolds(String column, String expected) {
        var text = column.lines().map(line -> line + "\tx").collect(Collectors.joining("\n"));
        var field = infer(text).getFirst().field();
        var said =
                switch (field.kind()) {
                    case Kind.Numeric number ->
                        "number decimals=" + number.decimals()
                                + (number.unit().isEmpty() ? "" : " unit=" + number.unit());
                    case Kind.Choice choice ->
                        "choice options=" + choice.options().size();
                    default -> field.kind().code();
                };
        assertEquals(said, expected);
    }

    @Test
    public void columnsHaveReasonsAndSamplesAndOddRowsDoNoHarm() {
        var found = infer("Name\tDepth\t\nA\t2.5\tz\nB\nC\t3\n\"D\nE\"\t4\n");
        assertEquals(found.stream().map(each -> each.field().label()).toList(), List.of("Name", "Depth", "Column 3"));
        assertEquals(found.get(1).why(), "its 3 samples, all numbers");
        assertEquals(found.get(1).samples(), List.of("2.5", "3", "4"));
        assertEquals(infer("\t\n"), List.of());
        assertEquals(infer("  \n"), List.of());
        assertEquals(infer("a\n".repeat(1_000)).size(), Infer.MOST);
    }

    @Test
    public void whatIsInferredPassesTheChecksInAType() {
        var lines =
                "Rise number 2 decimals m required\nSurface: Grass, Hard\nOpen yes/no\nBegins date and time\nKeeper relation to person\nStory rich text";
        var type = MODEL.typeByKey("vault").orElseThrow();
        var group = type.groups().getFirst();
        var fields = new java.util.ArrayList<>(group.fields());
        infer(lines).forEach(each -> fields.add(each.field()));
        var model = MODEL.with(type.withSections(List.of(group.withFields(fields))));
        assertTrue(
                !Finding.blocks(ModelCheck.check(model)),
                ModelCheck.check(model).toString());
        assertTrue(PackageWriter.text(model, model.typeByKey("vault").orElseThrow())
                .contains("key: rise"));
    }

    /** Rows within rows go as deep as they may; what is deeper is a word like any other. */
    @Test
    public void rowsWithinRowsAreNoDeeperThanTheyMayBe() {
        var kind = infer("a repeater: ".repeat(50_000)).getFirst().field().kind();
        int depth = 0;
        for (; kind instanceof Kind.Repeater rows && !rows.fields().isEmpty(); depth++) {
            kind = rows.fields().getFirst().kind();
        }
        assertTrue(depth <= Kind.Repeater.DEEPEST, depth + " deep");
        assertEquals(written(infer("Score 5 to 1").getFirst()), "{key=score_5_to_1, label=Score 5 to 1, kind=text}");
    }

    /** A line as long as a book is one field, whose label is cut; its words are looked at once. */
    @Test
    public void aVeryLongLineHoldsNobodyUp() {
        var fields = new Infer(Model.EMPTY, Set.of(), Ids.secure()).fields("word ".repeat(400_000));
        assertEquals(fields.size(), 1);
    }
}

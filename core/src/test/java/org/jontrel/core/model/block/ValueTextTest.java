package org.jontrel.core.model.block;

import static org.testng.Assert.assertEquals;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Texts with values within: what is a value, what are words, and that other ways leave all else as it was. */
public class ValueTextTest {
    @DataProvider
    public Object[][] texts() {
        return new Object[][] {
            {"plain words", "plain words", List.of()},
            {"Built in {built} by {builder}", "Built in ? by ?", List.of("built", "builder")},
            {"{a else b.c else \"none at all\"}", "?", List.of("a", "b.c")},
            {"{ a  else  b }", "?", List.of("a", "b")},
            {"{{a}}", "{a}", List.of()},
            {"{{{a}}}", "{?}", List.of("a")},
            {"a { b", "a { b", List.of()},
            {"a } b", "a } b", List.of()},
            {"{}", "{}", List.of()},
            {"{A b}", "{A b}", List.of()},
            {"{a else}", "{a else}", List.of()},
            {"{\"only words\"}", "{\"only words\"}", List.of()},
            {"{?1}", "?", List.of("?1")},
            {"", "", List.of()},
        };
    }

    @Test(dataProvider = "texts")
    public void valuesStandInBraces(String text, String shown, List<String> paths) {
        var read = ValueText.of(text);
        assertEquals(read.paths().toList(), paths);
        assertEquals(
                read.pieces().stream()
                        .map(piece -> piece instanceof ValueText.Words words ? words.text() : "?")
                        .collect(Collectors.joining()),
                shown);
        assertEquals(read.toString(), text, "written as it was");
    }

    @Test
    public void otherWaysLeaveWordsAsTheyWere() {
        var text = "{{so}} { x {a else b else \"c\"} {d}";
        assertEquals(
                ValueText.of(text)
                        .with(path -> path.equals("d") ? "d" : path + ".k")
                        .toString(),
                "{{so}} { x {a.k else b.k else \"c\"} {d}");
    }

    @Test
    public void whatStandsThereWhereNothingIsFilledIsKnown() {
        var piece = (ValueText.FirstFilled)
                ValueText.of("{a else \"no {one\"}").pieces().getFirst();
        assertEquals(piece.otherwise(), Optional.of("no {one"));
    }
}

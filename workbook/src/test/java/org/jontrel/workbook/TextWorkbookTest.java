package org.jontrel.workbook;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jontrel.core.finding.Code;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Tables as text, in whichever encoding and with whichever sign between the cells. */
public class TextWorkbookTest {
    private static final Charset WESTERN = Charset.forName("windows-1252");
    private static final String CAFES = "Name;Straße\nCafé Öl;Am Fluß 1\nChâlet;Rue de l'Été\n";
    private static final List<String> CAFE_LINES =
            List.of("1: Name|Straße", "2: Café Öl|Am Fluß 1", "3: Châlet|Rue de l'Été");

    @DataProvider
    public Object[][] encodings() {
        return new Object[][] {
            {StandardCharsets.UTF_8, "", false},
            {StandardCharsets.UTF_8, "\uFEFF", false},
            {StandardCharsets.UTF_16LE, "\uFEFF", false},
            {StandardCharsets.UTF_16BE, "\uFEFF", false},
            {StandardCharsets.UTF_16LE, "", false},
            {WESTERN, "", true},
        };
    }

    @Test(dataProvider = "encodings")
    public void theEncodingIsFoundOut(Charset charset, String mark, boolean guessed) throws IOException {
        var opened = Opened.of("cafes.csv", mark + CAFES, charset);
        assertEquals(opened.lines(), CAFE_LINES);
        assertEquals(opened.told(), guessed ? List.of(Code.WORKBOOK_ENCODING) : List.of());
    }

    @DataProvider
    public Object[][] delimiters() {
        return new Object[][] {{","}, {";"}, {"\t"}, {"|"}};
    }

    @Test(dataProvider = "delimiters")
    public void theSignBetweenCellsIsFoundOut(String sign) throws IOException {
        var text = "Name,Length,Built\nMill lock,21.5,1820\n\"Lock, old\",19,1799\nWeir,8,1901\n"
                .replace("Lock, old", "Lock" + sign + " old");
        var rows = text.lines()
                .map(line -> {
                    var quoted = "\"Lock" + sign + " old\"";
                    return line.startsWith("\"")
                            ? quoted + line.substring(quoted.length()).replace(",", sign)
                            : line.replace(",", sign);
                })
                .toList();
        var opened = Opened.of("locks.csv", String.join("\r\n", rows), StandardCharsets.UTF_8);
        assertEquals(
                opened.lines(),
                List.of(
                        "1: Name|Length|Built",
                        "2: Mill lock|21.5|1820",
                        "3: Lock" + sign + " old|19|1799",
                        "4: Weir|8|1901"));
        assertEquals(opened.columns(), List.of("Name title", "Length number", "Built number"));
    }

    @Test
    public void aFirstLineMaySayTheSign() throws IOException {
        var opened = Opened.of("a.csv", "sep=:\nName:Note\na,b:c;d\n", StandardCharsets.UTF_8);
        assertEquals(opened.lines(), List.of("2: Name|Note", "3: a,b|c;d"));
    }

    @Test
    public void quotesAndLineEndsWithinCells() throws IOException {
        var text = "Name,Note\n\"The \"\"old\"\" lock\",\"first line\nsecond, line\"\nWeir,plain\n";
        var opened = Opened.of("a.csv", text, StandardCharsets.UTF_8);
        assertEquals(
                opened.lines(),
                List.of("1: Name|Note", "2: The \"old\" lock|first line\nsecond, line", "4: Weir|plain"));
        assertEquals(opened.columns(), List.of("Name title", "Note long_text"));
    }

    @Test
    public void aQuoteThatIsNeverClosedIsTold() {
        var text = "Name,Note\nMill,\"begins and\nnever ends\nWeir,plain\n";
        var refused = Opened.refusal("a.csv", text.getBytes(StandardCharsets.UTF_8));
        assertEquals(refused.code(), Code.WORKBOOK_QUOTE);
        assertTrue(refused.sentence().contains("line 2"), refused.sentence());
    }

    @Test
    public void anOpenQuoteInALargeFileTakesNoMoreThanACell() {
        var text = "Name,Note\nMill,\"begins\n" + "Weir,plain text\n".repeat(200_000);
        var refused = Opened.refusal("a.csv", text.getBytes(StandardCharsets.UTF_8));
        assertEquals(refused.code(), Code.WORKBOOK_QUOTE);
        assertTrue(refused.sentence().contains("line 2"), refused.sentence());
    }

    @Test
    public void aQuoteWithinAWordIsALetter() throws IOException {
        var opened = Opened.of("a.csv", "Part,Size\nPipe,12\"\nRod,8\"\n", StandardCharsets.UTF_8);
        assertEquals(opened.lines(), List.of("1: Part|Size", "2: Pipe|12\"", "3: Rod|8\""));
    }

    @Test
    public void rowsMayBeShorterOrLongerThanTheHeader() throws IOException {
        var opened = Opened.of("a.csv", "Name,Length\nMill\nWeir,8,left over\n\n,,\nLock,9\n", StandardCharsets.UTF_8);
        assertEquals(opened.lines(), List.of("1: Name|Length", "2: Mill", "3: Weir|8|left over", "6: Lock|9"));
        assertEquals(opened.columns(), List.of("Name title", "Length number", "Column C text"));
    }

    @Test
    public void decimalCommasAreRead() throws IOException {
        var opened = Opened.of("a.csv", "Name;Length\nMill;21,5\nWeir;8,25\nLock;1.234,5\n", StandardCharsets.UTF_8);
        assertEquals(opened.columns(), List.of("Name title", "Length number"));
    }

    @Test
    public void aTitleAboveTheHeaderIsLeftOut() throws IOException {
        var opened = Opened.of(
                "a.csv",
                "Locks of the northern canals;;\n;;\nName;Length;Built\nMill;21;1820\nWeir;8;1901\n",
                StandardCharsets.UTF_8);
        assertEquals(opened.columns(), List.of("Name title", "Length number", "Built number"));
        assertEquals(opened.model.sheets().getFirst().notes(), List.of("One row above the header is left out."));
    }

    @Test
    public void aTableWithoutAHeaderIsTold() throws IOException {
        var opened = Opened.of(
                "a.csv", "Mill;21;1820-05-01\nWeir;8;1901-02-03\nLock;9;1950-02-03\n", StandardCharsets.UTF_8);
        assertEquals(opened.columns(), List.of("Column A title", "Column B number", "Column C date"));
        assertTrue(opened.model.sheets().getFirst().notes().getFirst().startsWith("No row names the columns"));
    }

    @Test
    public void headersMayBeTheSame() throws IOException {
        var opened = Opened.of(
                "a.csv", "Name;Note;Note;Note\na;near;1;2020-01-01\nb;far;2;2020-01-02\n", StandardCharsets.UTF_8);
        assertEquals(opened.columns(), List.of("Name title", "Note text", "Note 2 number", "Note 3 date"));
    }

    @Test
    public void emptyColumnsAreLeftOut() throws IOException {
        var opened = Opened.of("a.csv", "Name;;Length;;\nMill;;21;;\nWeir;;8;;\n", StandardCharsets.UTF_8);
        assertEquals(opened.columns(), List.of("Name title", "Length number"));
    }

    @Test
    public void trailingSpacesAndSpellingsAreOneWord() throws IOException {
        var rows = "Lock;Surface\n" + "a%d;Grass\nb%d;grass \nc%d; GRASS\nd%d;gravel\ne%d;Gravel\n".repeat(3);
        var numbered = new StringBuilder();
        int n = 0;
        for (var line : rows.split("\n")) {
            numbered.append(line.contains("%d") ? line.formatted(n++) : line).append('\n');
        }
        var opened = Opened.of("a.csv", numbered.toString(), StandardCharsets.UTF_8);
        assertEquals(opened.columns(), List.of("Lock title", "Surface choice"));
        var words = opened.model.sheets().getFirst().columns().get(1).words();
        assertEquals(words.size(), 2);
        assertEquals(words.getFirst().times(), 9);
        assertEquals(words.getFirst().others().size(), 2);
    }

    @Test
    public void moreCellsThanASheetHasAreTold() {
        var refused =
                Opened.refusal("a.csv", ("Name" + ",x".repeat(20_000) + "\n1\n").getBytes(StandardCharsets.UTF_8));
        assertEquals(refused.code(), Code.WORKBOOK_TOO_WIDE);
    }

    @Test
    public void sixteenThousandColumnsAreReadAndTheFirstLookedAt() throws IOException {
        var header = new StringBuilder("Name");
        for (int i = 1; i < 16_384; i++) {
            header.append(",c").append(i);
        }
        var opened = Opened.of(
                "a.csv",
                header + "\nMill" + ",1".repeat(16_383) + "\nWeir" + ",2".repeat(16_383) + "\n",
                StandardCharsets.UTF_8);
        assertEquals(opened.rows.getFirst().getFirst().cells().size(), 16_384);
        assertTrue(opened.model.sheets().getFirst().notes().getFirst().startsWith("Only the first 400 columns"));
    }

    @Test
    public void whatIsNoTextIsTold() {
        var picture = new byte[] {
            (byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10, 0, 0, 0, 13, 'I', 'H', 'D', 'R', 0, 1, 2, 3, 0, 0
        };
        assertEquals(Opened.refusal("a.csv", picture).code(), Code.WORKBOOK_NONE);
    }

    @Test
    public void anEmptyFileHasNoSheetToTake() throws IOException {
        var opened = Opened.of("a.csv", "", StandardCharsets.UTF_8);
        assertEquals(opened.model.sheets().getFirst().role().code(), "skip");
        assertEquals(opened.model.definitions(), List.of());
    }
}

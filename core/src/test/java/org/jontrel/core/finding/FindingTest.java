package org.jontrel.core.finding;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;

import java.util.Arrays;
import java.util.List;
import java.util.ResourceBundle;
import java.util.TreeSet;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

public class FindingTest {
    @Test
    public void everyCodeHasASentenceAndEverySentenceACode() {
        var sentences =
                ResourceBundle.getBundle("org.jontrel.core.finding.sentences").keySet();
        assertEquals(
                new TreeSet<>(sentences),
                new TreeSet<>(Arrays.stream(Code.values()).map(Code::name).toList()));
    }

    @Test
    public void sentencesTakeTheirArgumentsAsText() {
        var finding = Finding.of(Code.KEY_INVALID, Place.NOWHERE, "{1} $1 \\", "a_key");
        assertEquals(
                finding.sentence(),
                "The key {1} $1 \\ is not valid: small letters and digits, words joined by single underscores, a letter"
                        + " first, at most 40 characters. Try a_key.");
        assertFalse(Finding.of(Code.NAME_MISSING, Place.NOWHERE).sentence().contains("{0}"));
    }

    @Test
    public void whatIsCountedIsSingularOrPlural() {
        assertEquals(
                Finding.of(Code.VALUE_TOO_SHORT, Place.NOWHERE, "Code", 1, 2).sentence(),
                "Code has 1 character; at least 2 are needed.");
        assertEquals(
                Finding.of(Code.PLAN_RECORDS_HELD, Place.NOWHERE, "Moorings", 1).sentence(),
                "1 record of Moorings goes out of use. It is held, not deleted, and comes back with undo.");
        assertEquals(
                Finding.of(Code.PLAN_RECORDS_HELD, Place.NOWHERE, "Moorings", 1_200)
                        .sentence(),
                "1200 records of Moorings go out of use. They are held, not deleted, and come back with undo.");
        var plural = Pattern.compile(
                "\\b1 (bytes|characters|decimals|entries|fields|levels|links|options|pixels|records|values)\\b");
        for (var code : Code.values()) {
            var sentence = Finding.of(code, Place.NOWHERE, 1, 1, 1, 1, 1, 1).sentence();
            assertFalse(plural.matcher(sentence).find(), sentence);
            assertFalse(sentence.contains("{") || sentence.contains("|"), sentence);
        }
    }

    @Test
    public void theNearestWordIsOfferedOnlyWhereItIsNear() {
        assertEquals(Nearest.hint("lenght", List.of("width", "length")), " Did you mean \"length\"?");
        assertEquals(Nearest.hint("xyz", List.of("width", "length")), "");
    }
}

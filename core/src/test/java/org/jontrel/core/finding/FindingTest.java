package org.jontrel.core.finding;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;

import java.util.Arrays;
import java.util.List;
import java.util.ResourceBundle;
import java.util.TreeSet;
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
    public void theNearestWordIsOfferedOnlyWhereItIsNear() {
        assertEquals(Nearest.hint("lenght", List.of("width", "length")), " Did you mean \"length\"?");
        assertEquals(Nearest.hint("xyz", List.of("width", "length")), "");
    }
}

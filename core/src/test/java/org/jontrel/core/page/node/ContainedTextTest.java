package org.jontrel.core.page.node;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;

import java.text.Bidi;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class ContainedTextTest {
    private static final String SIGNS = "\u202A\u202B\u202C\u202D\u202E\u2066\u2067\u2068\u2069";

    @DataProvider
    public Object[][] texts() {
        return new Object[][] {
            {"Apple", "Apple"},
            {"\u05D0\u05D1 and \u0627", "\u05D0\u05D1 and \u0627"},
            {"Apple \u202Egnp.exe", "Apple gnp.exe"},
            {"\u202Eabc\u202C def", "abc def"},
            {"\u202Babc", "\u202Babc\u202C"},
            {"\u2067abc", "\u2067abc\u2069"},
            {"\u2067\u202Babc", "\u2067\u202Babc\u202C\u2069"},
            {"\u202B\u2067abc", "\u202B\u2067abc\u2069\u202C"},
            {"\u2067\u202Babc\u2069", "\u2067\u202Babc\u202C\u2069"},
            {"a\u202Cb\u2069c", "abc"},
        };
    }

    @Test(dataProvider = "texts")
    public void textEndsWhatItTurns(String text, String contained) {
        assertEquals(ContainedText.of(text), contained);
    }

    /** What stands behind a text in a line reads as it would without it: asked of Java's own reading of UAX #9. */
    @Test
    public void nothingBehindATextIsTurned() {
        var random = new Random(3);
        for (int i = 0; i < 20_000; i++) {
            var text = new StringBuilder();
            for (int n = random.nextInt(12); n >= 0; n--) {
                text.append(random.nextInt(3) == 0 ? 'a' : SIGNS.charAt(random.nextInt(SIGNS.length())));
            }
            var contained = ContainedText.of(text.toString());
            var line = new Bidi("x" + contained + " behind", Bidi.DIRECTION_LEFT_TO_RIGHT);
            for (int at = line.getLength() - 7; at < line.getLength(); at++) {
                assertEquals(line.getLevelAt(at), 0, "“" + text.toString().replaceAll("[^ -~]", "?") + "”");
            }
            assertEquals(ContainedText.of(contained), contained);
            assertFalse(contained.contains("\u202E") || contained.contains("\u202D"));
        }
    }
}

package org.jontrel.core.value;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import com.google.re2j.PatternSyntaxException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Patterns of texts: those that would freeze everybody are refused before they are made. */
public class PatternsTest {
    @DataProvider
    public Object[][] tooLarge() {
        return new Object[][] {
            {"((a{1000}){1000}){1000}"},
            {"(?:(?:x{0,999}){500})+"},
            {"((((((a{9}){9}){9}){9}){9}){9}){9}"},
            {"([a-z]{1000}){1000}"},
            {"(a|b{1000}){1,1000}"},
            {"(\\d{1000}){1000}"},
            {"a{1000}{1000}"},
            {"a".repeat(1_001)},
        };
    }

    @Test(dataProvider = "tooLarge")
    public void whatRepeatsInWhatRepeatsIsRefused(String pattern) {
        assertThrows(PatternSyntaxException.class, () -> Patterns.of(pattern));
        assertTrue(Patterns.matches(pattern, "anything"), "what cannot be used holds nobody up");
    }

    @DataProvider
    public Object[][] ordinary() {
        return new Object[][] {
            {"[A-Z]{2}-[0-9]{4}", "AB-1234", true},
            {"[A-Z]{2}-[0-9]{4}", "ab-1234", false},
            {"(\\d{1,3}\\.){3}\\d{1,3}", "192.0.2.1", true},
            {"[]{}()]+", "{]}", true},
            {"a{,3}", "a{,3}", true},
            {".{1,1000}", "long", true},
            {"\\{1000\\}", "{1000}", true},
        };
    }

    @Test(dataProvider = "ordinary")
    public void ordinaryOnesWork(String pattern, String text, boolean matches) {
        assertEquals(Patterns.of(pattern).matches(text), matches);
    }
}

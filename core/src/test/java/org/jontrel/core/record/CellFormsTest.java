package org.jontrel.core.record;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Which cells a spreadsheet is kept from taking for formulas, and what cells mean that come back. */
public class CellFormsTest {
    @DataProvider
    public Object[][] cells() {
        return new Object[][] {
            {"♪F#", "♪F#"},
            {"-5 °C at night", "-5 °C at night"},
            {"+44 (0)20 7946 0018", "+44 (0)20 7946 0018"},
            {"- milk, - bread", "- milk, - bread"},
            {"@harbour", "@harbour"},
            {"-12.5", "-12.5"},
            {"=1+1", "'=1+1"},
            {"=HYPERLINK(\"x\")", "'=HYPERLINK(\"x\")"},
            {"+SUM(A1:A9)", "'+SUM(A1:A9)"},
            {"-2+cmd|' /C calc'!A0", "'-2+cmd|' /C calc'!A0"},
            {"@SUM(1)", "'@SUM(1)"},
            {"\t=1+1", "'\t=1+1"},
            {"", ""},
        };
    }

    @Test(dataProvider = "cells")
    public void onlyFormulasGetAnApostrophe(String cell, String written) {
        assertEquals(CellForms.harmless(cell), written);
    }

    @Test(dataProvider = "cells")
    public void whatWentOutMeansTheSameWhenItComesBack(String cell, String written) {
        assertEquals(CellForms.meant(written), cell);
        assertTrue(CellForms.same(written, cell));
    }

    @Test
    public void anApostropheThatSomebodyWroteStays() {
        assertEquals(CellForms.meant("'tis"), "'tis");
        assertEquals(CellForms.meant("'-5 °C"), "'-5 °C");
        assertTrue(CellForms.same("'=1+1", "'=1+1"));
    }

    @Test
    public void whatASpreadsheetDoesToTextsIsNoDifference() {
        assertTrue(CellForms.same("two\r\nlines ", "two\nlines"));
        var longest = "a".repeat(40_000);
        assertTrue(CellForms.same(CellForms.shortened(longest), longest));
        assertFalse(CellForms.same("a", longest));
        assertFalse(CellForms.same("", "a"));
    }
}

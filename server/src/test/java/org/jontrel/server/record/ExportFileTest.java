package org.jontrel.server.record;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Which cells a spreadsheet is kept from taking for formulas. */
public class ExportFileTest {
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
        assertEquals(ExportFile.harmless(cell), written);
    }
}

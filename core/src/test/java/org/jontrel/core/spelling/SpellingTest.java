package org.jontrel.core.spelling;

import static org.testng.Assert.assertEquals;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.jontrel.core.model.Kind;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What people write in texts, read exactly or not at all. */
public class SpellingTest {
    private static final String NOT = "";

    @DataProvider
    public Object[][] numbers() {
        return new Object[][] {
            {"12,5", "", "12.5"},
            {"12.50", "", "12.50"},
            {"+3", "", "3"},
            {"−4,25", "", "-4.25"},
            {"- 4", "", "-4"},
            {"1 234", "", "1234"},
            {"1\u202f234\u00a0567,5", "", "1234567.5"},
            {"1'234.50", "", "1234.50"},
            {"1’234", "", "1234"},
            {"1.234,50", "", "1234.50"},
            {"1,234.50", "", "1234.50"},
            {"1.234.567", "", "1234567"},
            {"1,234,567", "", "1234567"},
            {"12,3456", "", "12.3456"},
            {"0,125", "", "0.125"},
            // how programs write decimals
            {"1.234", "", "1.234"},
            {"½", "", "0.5"},
            {"2½", "", "2.5"},
            {"2 ¾", "", "2.75"},
            {"3/4", "", "0.75"},
            {"6 1/2", "", "6.5"},
            // either of two numbers, one without an end, codes, and what is none
            {"1,234", "", NOT},
            {"1/3", "", NOT},
            {"⅓", "", NOT},
            {"1/0", "", NOT},
            {"007", "", NOT},
            {"00", "", NOT},
            {"007,5", "", NOT},
            {"0 123 456", "", NOT},
            {"0.123,5", "", NOT},
            {"1\n234", "", NOT},
            {"1\t234", "", NOT},
            {"8 ft\n6 in", "m", NOT},
            {"1.23.456", "", NOT},
            {"1,234,56", "", NOT},
            {"1 234 5", "", NOT},
            {"1,234,567,5", "", NOT},
            {"12..5", "", NOT},
            {"1e3", "", NOT},
            {"12 or 13", "", NOT},
            {"about 12", "", NOT},
            {"12-13", "", NOT},
            {"", "", NOT},
            {"9".repeat(61), "", NOT},
            // measures
            {"2.59 m", "m", "2.59"},
            {"2,59m", "m", "2.59"},
            {"259 cm", "m", "2.59"},
            {"8 ft 6 in", "m", "2.5908"},
            {"8' 6\"", "m", "2.5908"},
            {"8′6″", "m", "2.5908"},
            {"8’6”", "m", "2.5908"},
            {"8 feet 6½ inches", "m", "2.6035"},
            {"102 in", "ft", "8.5"},
            {"8 ft", "m", "2.4384"},
            {"-8 ft 6 in", "m", "-2.5908"},
            {"2 h", "min", "120"},
            {"12 %", "%", "12"},
            {"8 ft 13 in", "m", NOT},
            {"8.5 ft 6 in", "m", NOT},
            {"1 m", "ft", NOT},
            {"8 ft 6 1/8 in", "m", NOT},
            {"2.59 m", "", NOT},
            {"8 ft 6 in", "", NOT},
            {"2.59 kg", "m", NOT},
            {"2.59 parsecs", "m", NOT},
            // money
            {"€12.50", "EUR", "12.50"},
            {"12,50 €", "EUR", "12.50"},
            {"EUR 1.234,50", "EUR", "1234.50"},
            {"12.50 EUR", "€", "12.50"},
            {"-£3", "GBP", "-3"},
            {"£12", "EUR", NOT},
            {"€12", "", NOT},
        };
    }

    @Test(dataProvider = "numbers")
    public void numbersAreRead(String text, String unit, String number) {
        assertEquals(
                Spelling.read(new Kind.Numeric(4, null, null, unit), text)
                        .map(Object::toString)
                        .orElse(NOT),
                number,
                "“" + text + "” in " + unit);
    }

    @DataProvider
    public Object[][] dates() {
        return new Object[][] {
            {"2026-05-12", "2026-05-12"},
            {"2026/5/12", "2026-05-12"},
            {"12.5.2026", "2026-05-12"},
            {"12. 5. 2026", "2026-05-12"},
            {"3.4.2026", "2026-04-03"},
            {"31/12/2026", "2026-12-31"},
            {"12/31/2026", "2026-12-31"},
            {"4/4/2026", "2026-04-04"},
            {"12 May 2026", "2026-05-12"},
            {"12th of May 2026", "2026-05-12"},
            {"12-May-2026", "2026-05-12"},
            {"1. Sept. 2026", "2026-09-01"},
            {"May 12, 2026", "2026-05-12"},
            {"may 12th 2026", "2026-05-12"},
            {"Tuesday, 12 May 2026", "2026-05-12"},
            {"Tue 12 May 2026", "2026-05-12"},
            {"29 February 2024", "2024-02-29"},
            // the day or the month first, another day of the week, no such day, two figures for a year
            {"3/4/2026", NOT},
            {"3-4-2026", NOT},
            {"Monday, 12 May 2026", NOT},
            {"30 February 2026", NOT},
            {"32/1/2026", NOT},
            {"12.5.26", NOT},
            {"12.5", NOT},
            {"12 Mai 2026", NOT},
            {"spring 2026", NOT},
            {"2026", NOT},
            {"12 J 2026", NOT},
        };
    }

    @Test(dataProvider = "dates")
    public void datesAreRead(String text, String date) {
        assertEquals(Spelling.read(Kind.Date.PLAIN, text).map(Object::toString).orElse(NOT), date, "“" + text + "”");
    }

    @DataProvider
    public Object[][] times() {
        return new Object[][] {
            {"9:30", "09:30"},
            {"9.30", "09:30"},
            {"9.30 am", "09:30"},
            {"12:05 a.m.", "00:05"},
            {"12 pm", "12:00"},
            {"5 PM", "17:00"},
            {"17:00 h", "17:00"},
            {"17:00:05", "17:00:05"},
            {"9", NOT},
            {"13 pm", NOT},
            {"0 am", NOT},
            {"24:00", NOT},
            {"9:60", NOT},
            {"9:30 or so", NOT},
        };
    }

    @Test(dataProvider = "times")
    public void timesAreRead(String text, String time) {
        assertEquals(Spelling.read(Kind.Time.PLAIN, text).map(Object::toString).orElse(NOT), time, text);
    }

    @DataProvider
    public Object[][] moments() {
        return new Object[][] {
            {"12 May 2026, 9:30", "2026-05-12T09:30"},
            {"12.5.2026 09:30", "2026-05-12T09:30"},
            {"May 12, 2026 at 5 pm", "2026-05-12T17:00"},
            {"2026-05-12 9:30", "2026-05-12T09:30"},
            {"3/4/2026 9:30", NOT},
            {"12 May 2026", NOT},
            {"12 May 2026, noon", NOT},
        };
    }

    @Test(dataProvider = "moments")
    public void momentsAreRead(String text, String moment) {
        assertEquals(
                Spelling.read(Kind.DateTime.PLAIN, text).map(Object::toString).orElse(NOT), moment, text);
    }

    @Test
    public void wordsForYesAndNoAreRead() {
        for (var yes : List.of("y", "Y", " on ", "x", "✓")) {
            assertEquals(Spelling.read(Kind.YesNo.PLAIN, yes), Optional.of(true), yes);
        }
        for (var no : List.of("n", "Off", "✗")) {
            assertEquals(Spelling.read(Kind.YesNo.PLAIN, no), Optional.of(false), no);
        }
        for (var neither : List.of("", "-", "?", "perhaps", "nn")) {
            assertEquals(Spelling.read(Kind.YesNo.PLAIN, neither), Optional.empty(), neither);
        }
    }

    /** However a number is grouped and pointed, it is read as itself or not at all; and where both are seen, it is read. */
    @Test
    public void everySpellingOfANumberIsThatNumber() {
        var random = new Random(16);
        for (int i = 0; i < 20_000; i++) {
            var whole = String.valueOf(random.nextLong(1L << random.nextInt(1, 40)));
            int decimals = random.nextInt(5);
            var part = decimals == 0
                    ? ""
                    : ("%0" + decimals + "d").formatted(random.nextInt((int) Math.pow(10, decimals)));
            var number = new BigDecimal(part.isEmpty() ? whole : whole + "." + part);
            for (var grouping : List.of("", " ", "'", "\u202f", ".", ",")) {
                for (var point : List.of(".", ",")) {
                    if (!grouping.equals(point)) {
                        var grouped = whole.replaceAll("\\B(?=([0-9]{3})+$)", grouping);
                        assertSpells(grouped + (part.isEmpty() ? "" : point + part), grouped.equals(whole), number);
                    }
                }
            }
        }
    }

    /** {@code 1.234} is what programs write for one and a little, whoever means a thousand and more. */
    private static void assertSpells(String written, boolean bare, BigDecimal number) {
        var read = Spelling.read(new Kind.Numeric(4, null, null, ""), written).map(BigDecimal.class::cast);
        if (!written.matches("[0-9]{1,3}[.][0-9]{3}")) {
            read.ifPresent(each -> assertEquals(each.compareTo(number), 0, written + " read as " + each));
        }
        if (!bare && number.scale() > 0) {
            assertEquals(read.isPresent(), true, written);
        }
    }

    /** Days in every form that names the month or begins with the year. */
    @Test
    public void everySpellingOfADateIsThatDate() {
        var random = new Random(16);
        for (int i = 0; i < 5_000; i++) {
            var date = LocalDate.ofEpochDay(random.nextLong(-200_000, 800_000));
            if (date.getYear() < 1_000 || date.getYear() > 9_999) {
                continue;
            }
            for (var pattern : List.of(
                    "yyyy/M/d", "d.M.yyyy", "d MMMM yyyy", "EEEE, d MMMM yyyy", "MMMM d, yyyy", "dd-MMM-yyyy")) {
                var written = java.time.format.DateTimeFormatter.ofPattern(pattern, java.util.Locale.ENGLISH)
                        .format(date);
                assertEquals(Spelling.read(Kind.Date.PLAIN, written), Optional.of(date), written);
            }
        }
    }

    private static String readings(Kind kind, String text) {
        return Reading.of(kind, text).toString();
    }

    @Test
    public void whatCouldBeEitherOfTwoIsReadAsItIsSaid() {
        var metres = new Kind.Numeric(3, null, null, "m");
        assertEquals(readings(Kind.Date.PLAIN, "3/4/2026"), "{DAY_FIRST=2026-04-03, MONTH_FIRST=2026-03-04}");
        assertEquals(readings(Kind.Date.PLAIN, "03-04-2026"), "{DAY_FIRST=2026-04-03, MONTH_FIRST=2026-03-04}");
        assertEquals(
                readings(Kind.DateTime.PLAIN, "3/4/2026 9.30"),
                "{DAY_FIRST=2026-04-03T09:30, MONTH_FIRST=2026-03-04T09:30}");
        assertEquals(readings(metres, "1,234"), "{DECIMAL_COMMA=1.234, THOUSANDS_COMMA=1234}");
        assertEquals(readings(metres, "-1,234 m"), "{DECIMAL_COMMA=-1.234, THOUSANDS_COMMA=-1234}");
        // read in one way, or in none
        assertEquals(readings(Kind.Date.PLAIN, "13/4/2026"), "{}");
        assertEquals(readings(Kind.Date.PLAIN, "4/4/2026"), "{}");
        assertEquals(readings(Kind.Date.PLAIN, "31/31/2026"), "{}");
        assertEquals(readings(metres, "1,234.5"), "{}");
        assertEquals(readings(metres, "about 1,234"), "{}");
        assertEquals(readings(Kind.Text.PLAIN, "3/4/2026"), "{}");
    }
}

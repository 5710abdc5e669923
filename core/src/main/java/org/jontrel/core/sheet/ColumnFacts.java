package org.jontrel.core.sheet;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;

/**
 * What a column of a sheet was seen to hold.
 *
 * @param index from 0
 * @param group of the row above the header, or empty
 * @param header as it stands; empty where there is none
 * @param filled cells with a text
 * @param empty cells without, in rows that have others
 * @param nothing of those that are filled, cells that say only that nothing is known, such as {@code n/a}
 * @param distinct different texts of those that say something; -1 where there were too many to tell
 * @param longest characters of the longest text
 * @param lines cells with more than one line
 * @param errors cells with an error of the program in place of a result
 * @param firstError row of the first of them; 0 where there is none
 * @param signs how many of those that say something can be read so
 * @param misfits the first of those that cannot, where at least half can
 * @param common texts, the most frequent first
 * @param units that stand with numbers, and how often
 * @param least of its numbers; {@code null} where there is none
 * @param greatest of its numbers; {@code null} where there is none
 * @param decimals the most that a number has
 * @param parts by the sign between them: {@code , ; |}, a line's end, or {@code >} for a place in a hierarchy
 * @param samples the first different texts
 */
public record ColumnFacts(
        int index,
        String group,
        String header,
        long filled,
        long empty,
        long nothing,
        long distinct,
        int longest,
        long lines,
        long errors,
        int firstError,
        Map<Sign, Long> signs,
        Map<Sign, List<CountedText>> misfits,
        List<CountedText> common,
        Map<String, Long> units,
        BigDecimal least,
        BigDecimal greatest,
        int decimals,
        Map<String, Parts> parts,
        List<String> samples) {
    public ColumnFacts {
        signs = Map.copyOf(signs);
        misfits = Map.copyOf(misfits);
        common = List.copyOf(common);
        units = Map.copyOf(units);
        parts = Map.copyOf(parts);
        samples = List.copyOf(samples);
    }

    /** How many say something. */
    public long said() {
        return filled - nothing;
    }

    /** Whether all that say something can be read so. */
    public boolean all(Sign sign) {
        return said() > 0 && count(sign) == said();
    }

    public long count(Sign sign) {
        return signs.getOrDefault(sign, 0L);
    }

    /** Whether no text comes twice, as far as that was told. */
    public boolean isUnique() {
        return filled > 0 && nothing == 0 && distinct == filled;
    }

    /** Its header, or the letter by which people know it. */
    public String title() {
        return header.isBlank() ? "Column " + SheetRow.letters(index) : header;
    }
}

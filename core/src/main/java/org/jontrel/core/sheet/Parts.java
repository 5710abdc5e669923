package org.jontrel.core.sheet;

import java.util.List;

/**
 * What the values of a column are where a sign such as a comma is taken to stand between several.
 *
 * @param values that have the sign
 * @param distinct how many different parts there are; -1 where there were too many to tell
 * @param longest characters of the longest part
 * @param common parts, the most frequent first
 */
public record Parts(long values, long distinct, int longest, List<CountedText> common) {
    public Parts {
        common = List.copyOf(common);
    }
}

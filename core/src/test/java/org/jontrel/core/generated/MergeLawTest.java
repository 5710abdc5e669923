package org.jontrel.core.generated;

import org.testng.annotations.Test;

/** The law of merges by the thousand; {@code ./jontrel laws N} goes on from there. */
public class MergeLawTest {
    private static final int CASES = Integer.getInteger("laws", 110);

    @Test
    public void nothingIsLostWithIds() {
        for (long seed = 1; seed <= CASES; seed++) {
            MergeLaw.check(seed, true);
        }
    }

    @Test
    public void nothingIsLostWithoutIds() {
        for (long seed = 1; seed <= CASES; seed++) {
            MergeLaw.check(seed, false);
        }
    }
}

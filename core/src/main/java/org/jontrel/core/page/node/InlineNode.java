package org.jontrel.core.page.node;

import java.util.Optional;

/** A run of a line. */
public sealed interface InlineNode {
    /** Plain words, with their line breaks. */
    record WordRun(String text) implements InlineNode {
        public WordRun {
            text = ContainedText.of(text);
        }
    }

    /** @param button whether it looks like one */
    record LinkRun(String text, PageAddress to, boolean button) implements InlineNode {
        public LinkRun {
            text = ContainedText.of(text);
        }
    }

    /**
     * A label with a ground of its own.
     *
     * @param colour of the ground, such as {@code #4c7f5a}; empty for that of the look
     * @param ink black or white, whichever reads better on it; empty with the colour
     */
    record LabelRun(String text, String colour, String ink, Optional<PageAddress> to) implements InlineNode {
        public LabelRun {
            text = ContainedText.of(text);
        }
    }

    /** A patch of a colour, and its code. */
    record SwatchRun(String colour) implements InlineNode {}

    /** @param machine as programs read it, such as {@code 2026-05-31} */
    record TimeRun(String text, String machine) implements InlineNode {}

    /** A rating. */
    record MarksRun(int marks, int most) implements InlineNode {}
}

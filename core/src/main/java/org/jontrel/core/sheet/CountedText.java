package org.jontrel.core.sheet;

/**
 * A text that a column holds, and how often.
 *
 * @param row of the first
 */
public record CountedText(String text, long times, int row) {}

package org.jontrel.describe;

import java.util.List;

/**
 * A data dictionary as it is read, whatever it is written in.
 *
 * @param facts what is said of the package, in order
 */
record Dictionary(String title, String intro, List<Fact> facts, List<Chapter> chapters) {
    /** A word and what it stands for. */
    record Fact(String name, String text) {}

    /** All definitions of one sort. */
    record Chapter(String title, List<DictionaryEntry> entries) {}

    /**
     * One definition.
     *
     * @param id by which others lead here
     */
    record DictionaryEntry(String id, String title, String intro, List<Fact> facts, List<DictionaryTable> tables) {}

    /**
     * @param intro when it is shown, or what it is for; may be empty
     * @param columns headings; each row has as many cells
     */
    record DictionaryTable(String title, String intro, List<String> columns, List<DictionaryRow> rows) {}

    /**
     * @param depth how far within others it stands, from 0
     * @param leads id of the entry that the first cell leads to, or empty
     */
    record DictionaryRow(int depth, String leads, List<String> cells) {}
}

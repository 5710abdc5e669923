package org.jontrel.core.check;

import java.util.List;
import java.util.function.Function;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;

/** Texts that people read: given where needed, and not too long for a screen or a column. */
record NameCheck(List<Finding> findings, Function<String, Place> place) {
    void given(String property, String text) {
        if (text.isBlank()) {
            findings.add(Finding.of(Code.NAME_MISSING, place.apply(property), property));
        }
        longest(property, text, ModelCheck.LONGEST_NAME);
    }

    void label(String property, String text, String owner) {
        if (text.isBlank()) {
            findings.add(Finding.of(Code.LABEL_MISSING, place.apply(property), owner, property));
        }
        longest(property, text, ModelCheck.LONGEST_NAME);
    }

    void prose(String property, String text) {
        longest(property, text, ModelCheck.LONGEST_PROSE);
    }

    private void longest(String property, String text, int most) {
        int length = text.codePointCount(0, text.length());
        if (length > most) {
            findings.add(Finding.of(Code.TEXT_TOO_LONG, place.apply(property), property, length, most));
        }
    }
}

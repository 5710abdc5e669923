package org.jontrel.core.value.kind;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;

/** What both kinds of text share. Lengths are counted in Unicode code points, as the database counts them. */
final class TextRules {
    private TextRules() {}

    static int length(String text) {
        return text.codePointCount(0, text.length());
    }

    static List<Finding> lengths(String text, Integer min, int max, KindValues.Where where) {
        var findings = new ArrayList<Finding>();
        int length = length(text);
        if (min != null && length < min) {
            findings.add(where.finding(Code.VALUE_TOO_SHORT, length, min));
        }
        if (length > max) {
            findings.add(where.finding(Code.VALUE_TOO_LONG, length, max));
        }
        return findings;
    }

    /** Text that can be stored and given back as it is: whole characters, no control signs but tab and line feed. */
    static Optional<String> storable(Object raw) {
        if (!(raw instanceof String text)) {
            return Optional.empty();
        }
        var lines = text.replace("\r\n", "\n").replace('\r', '\n').strip();
        boolean clean = lines.codePoints()
                .noneMatch(c -> (Character.isISOControl(c) && c != '\n' && c != '\t')
                        || Character.getType(c) == Character.SURROGATE);
        return clean ? Optional.of(lines) : Optional.empty();
    }
}

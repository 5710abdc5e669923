package org.jontrel.core.code;

import java.util.List;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;

/** The file being read and the findings so far. */
record Reading(String file, List<Finding> findings) {
    void add(Code code, Node at, Object... arguments) {
        findings.add(Finding.of(code, Place.in(file, at.line(), at.column()), arguments));
    }
}

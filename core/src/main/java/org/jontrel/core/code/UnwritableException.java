package org.jontrel.core.code;

import java.util.List;
import java.util.stream.Collectors;
import org.jontrel.core.finding.Finding;

/** A model that cannot be written as files: a key that no file can be named by, or two definitions for one file. */
public final class UnwritableException extends RuntimeException {
    private final transient List<Finding> findings;

    UnwritableException(List<Finding> findings) {
        super(findings.stream().map(Finding::sentence).collect(Collectors.joining(" ")));
        this.findings = List.copyOf(findings);
    }

    public List<Finding> findings() {
        return findings;
    }
}

package org.jontrel.workbook;

import java.io.IOException;
import org.jontrel.core.finding.Finding;

/** A file that cannot be read to its end, and why. */
public final class UnreadableWorkbookException extends IOException {
    private static final long serialVersionUID = 1L;
    private final transient Finding finding;

    UnreadableWorkbookException(Finding finding) {
        this(finding, null);
    }

    UnreadableWorkbookException(Finding finding, Throwable cause) {
        super(finding.sentence(), cause);
        this.finding = finding;
    }

    public Finding finding() {
        return finding;
    }
}

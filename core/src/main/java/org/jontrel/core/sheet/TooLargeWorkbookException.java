package org.jontrel.core.sheet;

import java.io.IOException;

/** The sheets together are more than anybody could look at. */
public final class TooLargeWorkbookException extends IOException {
    private static final long serialVersionUID = 1L;
    private final int most;
    private final String of;

    TooLargeWorkbookException(int most, String of) {
        super("more than " + most + " " + of);
        this.most = most;
        this.of = of;
    }

    public int most() {
        return most;
    }

    /** Of what there are too many, such as sheets. */
    public String of() {
        return of;
    }
}

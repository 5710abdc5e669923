package org.jontrel.core.sheet;

import java.io.IOException;

/** The sheets together have more columns than anybody could look at. */
public final class TooManyColumnsException extends IOException {
    private static final long serialVersionUID = 1L;
    private final int most;

    TooManyColumnsException(int most) {
        super("more than " + most + " columns");
        this.most = most;
    }

    public int most() {
        return most;
    }
}

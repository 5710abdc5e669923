package org.jontrel.site.record.read;

/** A list was asked for in a way that cannot be; the message says what is wrong with it. */
public final class BadQuery extends RuntimeException {
    public BadQuery(String message) {
        super(message);
    }
}

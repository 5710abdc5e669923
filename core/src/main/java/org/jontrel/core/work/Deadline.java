package org.jontrel.core.work;

import java.time.Duration;

/**
 * Until when a thread may work on what somebody waits for. Whoever begins such work sets the deadline; what takes long asks
 * for it at every definition, file or sample, and stops where it has passed. Threads without a deadline work on.
 */
public final class Deadline {
    private static final ThreadLocal<Long> LATEST = new ThreadLocal<>();

    private Deadline() {}

    /** The deadline has passed. Nothing was changed: the work was a computation. */
    public static final class Passed extends RuntimeException {
        Passed() {
            super("The work took longer than it may", null, false, false);
        }
    }

    /** For the present thread, until {@link #clear()}. */
    public static void set(Duration longest) {
        LATEST.set(System.nanoTime() + longest.toNanos());
    }

    public static void clear() {
        LATEST.remove();
    }

    /** @throws Passed where the present thread has a deadline that is over */
    public static void check() {
        var latest = LATEST.get();
        if (latest != null && System.nanoTime() - latest > 0) {
            throw new Passed();
        }
    }
}

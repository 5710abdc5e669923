package org.jontrel.site.testing;

import java.time.Duration;
import java.util.concurrent.Callable;
import org.awaitility.Awaitility;

/** Waiting for what happens by itself: never longer than a minute, and then with what was waited for. */
public final class Waiting {
    private static final Duration LONGEST = Duration.ofMinutes(1);
    private static final Duration BETWEEN = Duration.ofMillis(50);

    private Waiting() {}

    /** @param what in words, for the message of a wait that was in vain */
    public static void until(String what, Callable<Boolean> holds) {
        until(what, BETWEEN, holds);
    }

    /** The same where asking often would be refused. */
    public static void until(String what, Duration between, Callable<Boolean> holds) {
        Awaitility.await(what)
                .atMost(LONGEST)
                .pollDelay(Duration.ZERO)
                .pollInterval(between)
                .until(holds);
    }

    /** The same where asking may fail until it holds. */
    public static void untilAnswered(String what, Callable<Boolean> holds) {
        Awaitility.await(what)
                .atMost(LONGEST)
                .pollDelay(Duration.ZERO)
                .pollInterval(BETWEEN)
                .ignoreExceptions()
                .until(holds);
    }
}

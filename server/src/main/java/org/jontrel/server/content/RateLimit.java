package org.jontrel.server.content;

import java.time.Clock;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/** So many requests a minute from one address; counted in this process. */
@Component
class RateLimit {
    static final int A_MINUTE = 600;
    private static final int MOST_KNOWN = 20_000;
    private final Clock clock = Clock.systemUTC();
    private final Map<String, Window> windows = new ConcurrentHashMap<>();

    private record Window(long minute, int requests) {}

    /** Seconds to wait, or 0. */
    int take(String address) {
        long now = clock.millis() / 1_000;
        long minute = now / 60;
        if (windows.size() > MOST_KNOWN) {
            windows.values().removeIf(window -> window.minute() != minute);
        }
        var window = windows.merge(
                address,
                new Window(minute, 1),
                (before, _) ->
                        before.minute() == minute ? new Window(minute, before.requests() + 1) : new Window(minute, 1));
        return window.requests() > A_MINUTE ? (int) (60 - now % 60) : 0;
    }
}

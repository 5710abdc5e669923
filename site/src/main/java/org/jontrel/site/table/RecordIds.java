package org.jontrel.site.table;

import java.time.Clock;
import java.time.Instant;
import java.util.concurrent.ThreadLocalRandom;
import java.util.concurrent.atomic.AtomicLong;

/**
 * Ids that the application makes: milliseconds since 2026 and 12 bits that count from a random start. They rise with
 * time, and stay below 2^53 so that JavaScript holds them exactly.
 */
public final class RecordIds {
    private static final long EPOCH = Instant.parse("2026-01-01T00:00:00Z").toEpochMilli();
    private final Clock clock;
    private final AtomicLong last = new AtomicLong();

    public RecordIds(Clock clock) {
        this.clock = clock;
    }

    public long next() {
        long fresh =
                ((clock.millis() - EPOCH) << 12) + ThreadLocalRandom.current().nextInt(1 << 10);
        return last.accumulateAndGet(fresh, (before, now) -> Math.max(before + 1, now));
    }
}

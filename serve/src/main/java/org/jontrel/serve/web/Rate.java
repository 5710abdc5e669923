package org.jontrel.serve.web;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bandwidth;
import io.github.bucket4j.Bucket;
import java.time.Duration;

/**
 * How often each of many may do something: so many times at once, and as many again spread over a span of time. Counted in
 * this process; who has not been seen for that span is forgotten.
 */
public final class Rate {
    private static final int MOST_KNOWN = 50_000;
    private final Bandwidth limit;
    private final Cache<String, Bucket> buckets;

    public Rate(int times, Duration in) {
        this.limit = Bandwidth.builder().capacity(times).refillGreedy(times, in).build();
        this.buckets = Caffeine.newBuilder()
                .maximumSize(MOST_KNOWN)
                .expireAfterAccess(in)
                .build();
    }

    /** Counts one time; says how long to wait where that is too often, and zero where it is not. */
    public Duration take(String who) {
        var probe = bucket(who).tryConsumeAndReturnRemaining(1);
        return probe.isConsumed() ? Duration.ZERO : Duration.ofNanos(probe.getNanosToWaitForRefill());
    }

    /** The last time did not count after all. */
    public void giveBack(String who) {
        bucket(who).addTokens(1);
    }

    private Bucket bucket(String who) {
        return buckets.get(who, _ -> Bucket.builder().addLimit(limit).build());
    }
}

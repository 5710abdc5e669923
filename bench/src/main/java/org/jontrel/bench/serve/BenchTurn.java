package org.jontrel.bench.serve;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicBoolean;

/**
 * What readers who ask without a pause got of a page.
 *
 * @param rate answers a second
 * @param slow nanoseconds within which 95 of 100 answers came
 */
record BenchTurn(double rate, double slow) {
    private static BenchTurn of(List<Long> times, double seconds) {
        var sorted = times.stream().sorted().toList();
        return new BenchTurn(sorted.size() / seconds, sorted.get(sorted.size() * 95 / 100));
    }

    static BenchTurn of(BenchPage page, int seconds, int readers) throws Exception {
        var over = new AtomicBoolean();
        var began = System.nanoTime();
        var times = new ArrayList<Long>();
        try (var pool = Executors.newVirtualThreadPerTaskExecutor()) {
            var all = new ArrayList<Future<List<Long>>>();
            for (int i = 0; i < readers; i++) {
                all.add(pool.submit(() -> {
                    var own = new ArrayList<Long>();
                    try (var reader = new BenchReader(page.address(), page.request(), page.tag() == null ? 200 : 304)) {
                        while (!over.get()) {
                            long asked = System.nanoTime();
                            reader.read();
                            own.add(System.nanoTime() - asked);
                        }
                    }
                    return own;
                }));
            }
            Thread.sleep(Duration.ofSeconds(seconds));
            over.set(true);
            for (var each : all) {
                times.addAll(each.get());
            }
        }
        return of(times, (System.nanoTime() - began) / 1e9);
    }
}

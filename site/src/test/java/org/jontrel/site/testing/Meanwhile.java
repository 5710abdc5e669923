package org.jontrel.site.testing;

import java.util.ArrayList;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicBoolean;
import org.jontrel.site.table.Database;

/** What people do while something is carried out. */
public final class Meanwhile {
    private Meanwhile() {}

    /**
     * Carries it out; whatever fails meanwhile fails.
     *
     * @param once what is done beside it once
     * @param again what is done again and again until it is over
     */
    public static void goesOn(Runnable work, Callable<?> once, Runnable... again) {
        var over = new AtomicBoolean();
        try (var pool = Executors.newVirtualThreadPerTaskExecutor()) {
            var others = new ArrayList<Future<?>>();
            for (var each : again) {
                others.add(pool.submit(() -> {
                    while (!over.get()) {
                        each.run();
                        Database.pause(2);
                    }
                }));
            }
            others.add(pool.submit(once));
            try {
                work.run();
            } finally {
                over.set(true);
            }
            for (var each : others) {
                each.get();
            }
        } catch (InterruptedException | ExecutionException e) {
            throw new IllegalStateException(e);
        }
    }
}

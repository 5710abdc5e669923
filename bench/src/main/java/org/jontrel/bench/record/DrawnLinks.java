package org.jontrel.bench.record;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.LongStream;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.value.Link;
import org.jontrel.site.Site;
import org.jontrel.site.record.write.Write;

/** Links and terms, drawn for records. */
final class DrawnLinks {
    private static final int TOGETHER = 1_000;
    private static final int LOADERS = 2;

    private DrawnLinks() {}

    /** Ten under each, three deep. */
    static void below(Site site, List<Long> all, Optional<Long> parent, String name, int depth) {
        var writes = new ArrayList<Write>();
        for (int i = 1; i <= 10; i++) {
            var write = Write.fresh("xwaterway", RecordState.PUBLISHED, Map.of("label", name + " " + i), "bench");
            writes.add(parent.map(id -> write.under(new Link("xwaterway", id))).orElse(write));
        }
        var made = Load.ids(site.records().saveAll(writes));
        all.addAll(made);
        if (depth > 1) {
            for (int i = 0; i < made.size(); i++) {
                below(site, all, Optional.of(made.get(i)), name + " " + (i + 1), depth - 1);
            }
        }
    }

    static List<Long> many(Site site, String recordType, long count, Load.Making making) throws Exception {
        var made = new ArrayList<Long>();
        var next = new AtomicLong();
        Callable<List<Long>> loader = () -> {
            var own = new ArrayList<Long>();
            for (long from = next.getAndAdd(TOGETHER); from < count; from = next.getAndAdd(TOGETHER)) {
                var writes = LongStream.range(from, Math.min(count, from + TOGETHER))
                        .mapToObj(number -> Write.fresh(recordType, RecordState.PUBLISHED, making.raw(number), "bench"))
                        .toList();
                own.addAll(Load.ids(site.records().saveAll(writes)));
            }
            return own;
        };
        try (var pool = Executors.newFixedThreadPool(LOADERS)) {
            for (var each : pool.invokeAll(java.util.Collections.nCopies(LOADERS, loader))) {
                made.addAll(each.get());
            }
        }
        return made;
    }
}

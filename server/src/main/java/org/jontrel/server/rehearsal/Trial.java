package org.jontrel.server.rehearsal;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.jontrel.serve.publicsite.SiteAddresses;
import org.jontrel.server.site.Journeys;
import org.jontrel.server.site.SiteCopies;
import org.jontrel.server.site.Sites;
import org.jontrel.site.run.Runs;
import org.springframework.stereotype.Component;

/** What a rehearsal does: makes a copy, carries out the runs on it, and says what they came to. */
@Component
class Trial {
    /** How often it is written down how far a copy is, in nanoseconds. */
    private static final long WRITTEN_EVERY = TimeUnit.MILLISECONDS.toNanos(300);

    private final RehearsalMapper mapper;
    private final Sites sites;
    private final SiteCopies copies;
    private final Journeys journeys;
    private final SiteAddresses pages;

    Trial(RehearsalMapper mapper, Sites sites, SiteCopies copies, Journeys journeys, SiteAddresses pages) {
        this.mapper = mapper;
        this.sites = sites;
        this.copies = copies;
        this.journeys = journeys;
        this.pages = pages;
    }

    /**
     * Copies the site.
     *
     * @param heed called from time to time; what it throws ends the copy
     * @return how many milliseconds that took
     */
    long copy(long id, String site, String copy, Runnable heed) {
        long begun = System.nanoTime();
        long[] written = {begun};
        copies.fill(site, copy, rows -> {
            heed.run();
            if (System.nanoTime() - written[0] > WRITTEN_EVERY) {
                written[0] = System.nanoTime();
                mapper.copied(id, rows);
            }
        });
        return TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - begun);
    }

    /** Carries out the runs on the copy. */
    RehearsalReport run(String copy, long copyMillis, List<Runs.RunTarget> stages, String by, Runnable heed) {
        var engine = sites.engine(copy);
        var looked = new BeforeAndAfter(copy, engine, pages);
        heed.run();
        var outcome = journeys.start(engine.runs(), stages, by, _ -> heed.run());
        if (!(outcome instanceof Runs.RunOutcome.Started started)) {
            throw new IllegalStateException("The plan cannot be run on the copy: " + outcome);
        }
        started.work().run();
        var runs = engine.runs().history().stream()
                .filter(run -> run.id() >= started.run().id())
                .toList()
                .reversed();
        return new RehearsalReport(copyMillis, runs, looked.counts(), looked.samples());
    }

    /** Why the release that was wanted was not reached; empty where it was. */
    Optional<String> missed(String copy, List<Runs.RunTarget> stages) {
        var reached = sites.engine(copy).installed().version();
        return reached.equals(stages.getLast().version())
                ? Optional.empty()
                : Optional.of("The copy reached release " + reached
                        + ". The next one asks something: open the plan of the copy, and answer it there."
                        + " The answers are kept with that release.");
    }
}

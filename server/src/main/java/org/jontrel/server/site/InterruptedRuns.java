package org.jontrel.server.site;

import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jontrel.site.Site;
import org.jontrel.site.run.RunView;
import org.jontrel.site.run.Runs;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Ends runs that were interrupted, by a crash, a restart or an error, without anybody's help: each is continued, and one that
 * stops again goes back to what was before it. Only where that fails too a person is left to decide.
 */
@Component
class InterruptedRuns {
    private static final Logger LOG = LoggerFactory.getLogger(InterruptedRuns.class);
    private static final String BY = "Jontrel";
    private final Sites sites;
    private final SiteMapper mapper;
    private final Set<Long> continued = ConcurrentHashMap.newKeySet();
    private final Set<Long> taken = ConcurrentHashMap.newKeySet();
    private final Set<Long> trying = ConcurrentHashMap.newKeySet();

    InterruptedRuns(Sites sites, SiteMapper mapper) {
        this.sites = sites;
        this.mapper = mapper;
    }

    @Scheduled(
            initialDelayString = "${jontrel.continue-every:PT5S}",
            fixedDelayString = "${jontrel.continue-every:PT5S}")
    void end() {
        for (var site : mapper.all()) {
            try {
                if (mapper.running(site.databaseName()) > 0) {
                    end(site.path());
                }
            } catch (DataAccessException e) {
                LOG.debug("Site {} cannot be looked at: {}", site.path(), e.getMessage());
            }
        }
    }

    private void end(String path) {
        var engine = sites.engine(path);
        var last = engine.runs().last();
        if (last.isPresent() && last.get().state() == RunView.RunState.INTERRUPTED) {
            // another site's need not wait until it has ended
            Thread.ofVirtual().name("continue-" + last.get().id()).start(() -> end(path, engine, last.get()));
        }
    }

    private void end(String path, Site engine, RunView run) {
        // what is being tried is left alone, however long it takes to get the right to the site
        if (!trying.add(run.id())) {
            return;
        }
        try {
            if (continued.add(run.id())) {
                LOG.warn("The run {} on {} was interrupted, and is continued", run.id(), path);
                carryOut(engine.runs().resume(run.id(), _ -> {}), run, continued);
            } else if (run.kind() == RunView.RunKind.FORWARD && taken.add(run.id())) {
                LOG.warn("The run {} on {} cannot be continued, and goes back", run.id(), path);
                carryOut(engine.runs().undo(run.id(), BY, _ -> {}), run, taken);
            }
        } catch (RuntimeException e) {
            LOG.error("The run {} on {} stopped", run.id(), path, e);
        } finally {
            trying.remove(run.id());
        }
    }

    /** @param tried which is tried again where somebody was quicker, in this process or another */
    private static void carryOut(Runs.RunOutcome outcome, RunView run, Set<Long> tried) {
        switch (outcome) {
            case Runs.RunOutcome.Started started -> started.work().run();
            case Runs.RunOutcome.Busy _ -> tried.remove(run.id());
            case Runs.RunOutcome.NotRunnable _, Runs.RunOutcome.Interrupted _, Runs.RunOutcome.NothingToDo _ -> {}
        }
    }
}

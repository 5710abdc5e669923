package org.jontrel.server.site;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicBoolean;
import org.jontrel.core.finding.Finding;
import org.jontrel.site.run.RunView;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Looks at the tables of all sites from time to time, soon after the start first, and remembers what it found. */
@Component
class DriftWatch {
    private static final Logger LOG = LoggerFactory.getLogger(DriftWatch.class);
    private final Sites sites;
    private final SiteMapper mapper;
    private final Map<String, DriftLook> looks = new ConcurrentHashMap<>();
    private final AtomicBoolean looking = new AtomicBoolean();

    DriftWatch(Sites sites, SiteMapper mapper) {
        this.sites = sites;
        this.mapper = mapper;
    }

    /** What was found on a site, and when. */
    record DriftLook(Instant at, List<Finding> found) {}

    /** What was found last; empty where nobody has looked since the start. */
    Optional<DriftLook> last(String site) {
        return Optional.ofNullable(looks.get(site));
    }

    /** Looks now. While a run is under way tables are between two releases: then what was found last stays. */
    Optional<DriftLook> look(String path) {
        var engine = sites.engine(path);
        if (engine.runs().last().filter(RunView::isOpen).isEmpty()) {
            looks.put(path, new DriftLook(Instant.now(), engine.drift().look()));
        }
        return last(path);
    }

    /** In a thread of its own: what else happens by schedule need not wait for it. */
    @Scheduled(initialDelayString = "${jontrel.drift-first:PT1M}", fixedDelayString = "${jontrel.drift-every:PT1H}")
    void begin() {
        if (looking.compareAndSet(false, true)) {
            Thread.ofVirtual().name("drift").start(() -> {
                try {
                    lookAtAll();
                } finally {
                    looking.set(false);
                }
            });
        }
    }

    private void lookAtAll() {
        for (var site : mapper.all()) {
            if (site.copyOf() == null) {
                try {
                    look(site.path())
                            .filter(look -> !look.found().isEmpty())
                            .ifPresent(look -> LOG.warn(
                                    "The database of site {} is not what its release says: {}",
                                    site.path(),
                                    look.found().getFirst().sentence()));
                } catch (RuntimeException e) {
                    LOG.warn("Site {} cannot be looked at: {}", site.path(), e.getMessage());
                }
            }
        }
    }
}

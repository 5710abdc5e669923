package org.jontrel.server.site;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
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

    @Scheduled(initialDelayString = "${jontrel.drift-first:PT1M}", fixedDelayString = "${jontrel.drift-every:PT1H}")
    void lookAtAll() {
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

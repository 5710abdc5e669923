package org.jontrel.server.site;

import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jontrel.site.importer.ImportOutcome;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Goes on with imports, trials and undos of imports that a crash or a restart interrupted. */
@Component
class InterruptedImports {
    private static final Logger LOG = LoggerFactory.getLogger(InterruptedImports.class);
    private final Sites sites;
    private final SiteMapper mapper;
    private final Set<Long> trying = ConcurrentHashMap.newKeySet();

    InterruptedImports(Sites sites, SiteMapper mapper) {
        this.sites = sites;
        this.mapper = mapper;
    }

    @Scheduled(
            initialDelayString = "${jontrel.continue-every:PT5S}",
            fixedDelayString = "${jontrel.continue-every:PT5S}")
    void goOn() {
        for (var site : mapper.all()) {
            try {
                if (mapper.importing(site.databaseName()) > 0) {
                    var imports = sites.engine(site.path()).imports();
                    imports.interrupted().forEach(id -> goOn(site.path(), id));
                }
            } catch (DataAccessException e) {
                LOG.debug("Site {} cannot be looked at: {}", site.path(), e.getMessage());
            }
        }
    }

    private void goOn(String path, long id) {
        if (!trying.add(id)) {
            return;
        }
        Thread.ofVirtual().name("import-" + id).start(() -> {
            try {
                if (sites.engine(path).imports().resume(id) instanceof ImportOutcome.ImportStarted started) {
                    LOG.warn("The import {} on {} was interrupted, and goes on", id, path);
                    started.work().run();
                }
            } catch (RuntimeException e) {
                LOG.error("The import {} on {} stopped", id, path, e);
            } finally {
                trying.remove(id);
            }
        });
    }
}

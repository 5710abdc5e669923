package org.jontrel.standalone;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Looks whether a run was left in the middle by a process that is gone. */
@Component
class LeftRuns {
    private static final Logger LOG = LoggerFactory.getLogger(LeftRuns.class);
    private final StandaloneSite site;

    LeftRuns(StandaloneSite site) {
        this.site = site;
    }

    @Scheduled(
            initialDelayString = "${jontrel.continue-every:PT5S}",
            fixedDelayString = "${jontrel.continue-every:PT5S}")
    void look() {
        try {
            site.carryOn();
        } catch (RuntimeException e) {
            LOG.debug("The runs cannot be looked at: {}", e.getMessage());
        }
    }
}

package org.jontrel.serve.site;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.EnableScheduling;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Makes scheduled records published when their moment has come, and retires those whose end has come. Visitors see them from
 * and until that moment in any case; this is for lists and their filters.
 */
@Component
@EnableScheduling
class Publisher {
    private static final Logger LOG = LoggerFactory.getLogger(Publisher.class);
    private final ServedSites sites;

    Publisher(ServedSites sites) {
        this.sites = sites;
    }

    @Scheduled(fixedDelayString = "${jontrel.publish-every:PT20S}")
    void publish() {
        for (var site : sites.engines()) {
            try {
                site.records().publishDue();
                site.records().retireDue();
            } catch (RuntimeException e) {
                LOG.warn("Records that appear or retire by themselves wait for the next time: {}", e.getMessage());
            }
        }
    }
}

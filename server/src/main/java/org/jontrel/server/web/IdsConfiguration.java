package org.jontrel.server.web;

import java.time.Clock;
import org.jontrel.core.naming.Ids;
import org.jontrel.site.table.RecordIds;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Sources of time and identity. */
@Configuration
class IdsConfiguration {
    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }

    @Bean
    RecordIds recordIds(Clock clock) {
        return new RecordIds(clock);
    }

    @Bean
    Ids definitionIds() {
        return Ids.secure();
    }
}

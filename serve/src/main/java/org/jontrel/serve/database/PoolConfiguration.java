package org.jontrel.serve.database;

import com.zaxxer.hikari.HikariDataSource;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The server's own connections are waited for as those of its sites are. */
@Configuration
class PoolConfiguration {
    @Bean
    static BeanPostProcessor patientDataSources(ObjectProvider<DatabaseProbe> probe) {
        return new BeanPostProcessor() {
            @Override
            public Object postProcessAfterInitialization(Object bean, String name) {
                return bean instanceof HikariDataSource pool
                        ? new PatientDataSource(pool, () -> probe.getObject().isReachable())
                        : bean;
            }
        };
    }
}

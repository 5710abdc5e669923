package org.jontrel.server.account;

import java.time.Duration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.retry.RetryPolicy;
import org.springframework.core.retry.RetryTemplate;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionCallback;
import org.springframework.transaction.support.TransactionOperations;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Transactions of the store of sessions. A session is saved when its request is done; one that could not be saved would make
 * a 500 of work that has been done. So what the database gives up because others hold its rows is tried again.
 */
@Configuration
class SessionTransactions {
    private static final int RETRIES = 8;

    /** The name is the one that Spring Session asks for. */
    @Bean
    TransactionOperations springSessionTransactionOperations(PlatformTransactionManager transactions) {
        var template = new TransactionTemplate(transactions);
        template.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
        // no locks on gaps: the removal of old sessions stands in nobody's way
        template.setIsolationLevel(TransactionDefinition.ISOLATION_READ_COMMITTED);
        var retry = new RetryTemplate(RetryPolicy.builder()
                .includes(PessimisticLockingFailureException.class)
                .maxRetries(RETRIES)
                .delay(Duration.ofMillis(10))
                .jitter(Duration.ofMillis(5))
                .multiplier(2)
                .build());
        return new TransactionOperations() {
            @Override
            public <T> T execute(TransactionCallback<T> action) {
                return retry.invoke(() -> template.execute(action));
            }
        };
    }
}

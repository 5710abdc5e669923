package org.jontrel.serve.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLTransientConnectionException;
import java.time.Duration;
import java.util.concurrent.atomic.AtomicBoolean;
import org.apache.ibatis.exceptions.PersistenceException;
import org.jontrel.serve.database.DatabaseProbe;
import org.jontrel.site.table.DatabaseException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/**
 * What is answered while the database cannot be reached: 503, and at once where that is known, rather than after every
 * request has waited for itself. Meanwhile one thread tries again twice a second.
 */
@Component
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class DatabaseDown extends OncePerRequestFilter {
    private static final Logger LOG = LoggerFactory.getLogger(DatabaseDown.class);
    private static final Duration BETWEEN_TRIES = Duration.ofMillis(500);
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private final DatabaseProbe probe;
    private final AtomicBoolean down = new AtomicBoolean();

    DatabaseDown(DatabaseProbe probe) {
        this.probe = probe;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (down.get()) {
            refuse(response);
            return;
        }
        try {
            chain.doFilter(request, response);
        } catch (IOException | ServletException | RuntimeException e) {
            if (!isUnreachable(e) || response.isCommitted()) {
                throw e;
            }
            noticed();
            response.reset();
            refuse(response);
        }
    }

    /** In what controllers ask of the database. */
    @ExceptionHandler({
        DataAccessException.class,
        TransactionException.class,
        PersistenceException.class,
        DatabaseException.class
    })
    ResponseEntity<ProblemDetail> handle(RuntimeException thrown) {
        if (!isUnreachable(thrown)) {
            throw thrown;
        }
        noticed();
        return ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE)
                .header(HttpHeaders.RETRY_AFTER, "2")
                .body(problem());
    }

    private static boolean isUnreachable(Throwable thrown) {
        for (var cause = thrown; cause != null; cause = cause.getCause()) {
            if (cause instanceof SQLTransientConnectionException
                    || cause instanceof SQLNonTransientConnectionException) {
                return true;
            }
        }
        return false;
    }

    private ProblemDetail problem() {
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.SERVICE_UNAVAILABLE,
                (down.get() ? "The database cannot be reached." : "The server is busy.") + " Try again in a moment.");
    }

    private void refuse(HttpServletResponse response) throws IOException {
        response.setStatus(HttpStatus.SERVICE_UNAVAILABLE.value());
        response.setHeader(HttpHeaders.RETRY_AFTER, "2");
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getOutputStream().write(JSON.writeValueAsBytes(Refusal.plain(problem())));
    }

    /** Where it can be reached after all, the others were only too many, and nothing more is refused. */
    private void noticed() {
        if (!probe.isReachable() && down.compareAndSet(false, true)) {
            LOG.error("The database cannot be reached: requests are answered with 503 until it can");
            Thread.ofVirtual().name("database-tries").start(() -> {
                try {
                    while (!probe.isReachable()) {
                        Thread.sleep(BETWEEN_TRIES);
                    }
                    LOG.warn("The database can be reached again");
                } catch (InterruptedException _) {
                    Thread.currentThread().interrupt();
                } finally {
                    down.set(false);
                }
            });
        }
    }
}

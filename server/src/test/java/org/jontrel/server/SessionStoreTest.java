package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;

import java.time.Instant;
import java.util.ArrayList;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.dao.CannotAcquireLockException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.session.Session;
import org.springframework.session.SessionRepository;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.transaction.support.TransactionOperations;
import org.testng.annotations.Test;

/** Sessions as they are kept in the database. */
public class SessionStoreTest {
    private static final int ROUNDS = 600;

    /** A request whose session could not be saved would be answered with 500, although its work is done. */
    @Test
    public void requestsOfOneSessionAndTheRemovalOfOldOnesDoNotStopEachOther() throws Exception {
        try (var server = OrchardServer.empty();
                var pool = Executors.newFixedThreadPool(13)) {
            var repository = server.bean(JdbcIndexedSessionRepository.class);
            var work = new ArrayList<Callable<String>>();
            var id = begun(repository);
            for (var i = 0; i < 12; i++) {
                work.add(() -> used(repository, id));
            }
            work.add(() -> {
                for (var i = 0; i < ROUNDS; i++) {
                    repository.cleanUpExpiredSessions();
                }
                return id;
            });
            for (var done : pool.invokeAll(work)) {
                assertEquals(done.get(), id);
            }
        }
    }

    @Test
    public void whatTheDatabaseGivesUpIsTriedAgain() throws Exception {
        try (var server = OrchardServer.empty()) {
            var transactions = server.bean(TransactionOperations.class);
            var tries = new AtomicInteger();
            var done = transactions.execute(_ -> {
                if (tries.incrementAndGet() < 3) {
                    throw new CannotAcquireLockException("others hold the row");
                }
                return "done";
            });
            assertEquals(done, "done");
            assertEquals(tries.get(), 3);
            tries.set(0);
            assertThrows(
                    DataIntegrityViolationException.class,
                    () -> transactions.execute(_ -> {
                        tries.incrementAndGet();
                        throw new DataIntegrityViolationException("no other try would help");
                    }));
            assertEquals(tries.get(), 1);
        }
    }

    private static <S extends Session> String begun(SessionRepository<S> repository) {
        var session = repository.createSession();
        repository.save(session);
        return session.getId();
    }

    private static <S extends Session> String used(SessionRepository<S> repository, String id) {
        for (var i = 0; i < ROUNDS; i++) {
            // requests that began earlier may end later
            var session = repository.findById(id);
            session.setLastAccessedTime(Instant.now().minusMillis(i * 37 % 500));
            repository.save(session);
        }
        return id;
    }
}

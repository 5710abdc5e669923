package org.jontrel.server.account;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import org.jontrel.serve.web.ClientAddress;
import org.jontrel.serve.web.Secrets;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Component;

/** Sessions of people who are signed in. What is told of them cannot be used to take one over. */
@Component
class Sessions {
    static final String SINCE = "jontrel.since";
    private static final String ADDRESS = "jontrel.address";
    private final FindByIndexNameSessionRepository<? extends Session> repository;
    private final HttpServletRequest request;

    Sessions(FindByIndexNameSessionRepository<? extends Session> repository, HttpServletRequest request) {
        this.repository = repository;
        this.request = request;
    }

    /**
     * A session.
     *
     * @param id not the one in the cookie
     */
    record OpenSession(String id, Instant since, Instant lastUsed, String address, boolean present) {}

    /** A new session in the place of the present one. */
    void begin() {
        var old = request.getSession(false);
        if (old != null) {
            old.invalidate();
        }
        var session = request.getSession(true);
        session.setAttribute(SINCE, Instant.now().toEpochMilli());
        session.setAttribute(ADDRESS, ClientAddress.of(request));
    }

    List<OpenSession> of(String name) {
        return repository.findByPrincipalName(name).values().stream()
                .map(this::running)
                .sorted(Comparator.comparing(OpenSession::lastUsed).reversed())
                .toList();
    }

    private OpenSession running(Session session) {
        Long since = session.getAttribute(SINCE);
        String address = session.getAttribute(ADDRESS);
        return new OpenSession(
                Secrets.hash(session.getId()).substring(0, 16),
                since == null ? session.getCreationTime() : Instant.ofEpochMilli(since),
                session.getLastAccessedTime(),
                address == null ? "" : address,
                isPresent(session));
    }

    private boolean isPresent(Session session) {
        var present = request.getSession(false);
        return present != null && present.getId().equals(session.getId());
    }

    /** Ends one session of somebody; {@code false} where there is none of this id. */
    boolean end(String name, String id) {
        var found = repository.findByPrincipalName(name).keySet().stream()
                .filter(each -> Secrets.hash(each).startsWith(id) && id.length() == 16)
                .findFirst();
        found.ifPresent(repository::deleteById);
        return found.isPresent();
    }

    void end(String name) {
        repository.findByPrincipalName(name).keySet().forEach(repository::deleteById);
    }

    /** All but the present one. */
    void endOthers(String name) {
        repository.findByPrincipalName(name).values().stream()
                .filter(session -> !isPresent(session))
                .map(Session::getId)
                .forEach(repository::deleteById);
    }
}

package org.jontrel.server.account;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import org.jontrel.serve.web.ClientAddress;
import org.jontrel.server.trail.Trail;
import org.jontrel.server.trail.TrailAction;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Signing in and out, and the first set-up. */
@RestController
class SessionController {
    private final Accounts accounts;
    private final Sessions sessions;
    private final Trail trail;
    private final SecurityContextRepository contexts;

    SessionController(Accounts accounts, Sessions sessions, Trail trail, SecurityContextRepository contexts) {
        this.accounts = accounts;
        this.sessions = sessions;
        this.trail = trail;
        this.contexts = contexts;
    }

    /**
     * Who is signed in.
     *
     * @param name empty where nobody is
     * @param setup whether the first account is still to be made
     */
    @Schema(requiredProperties = {"name", "setup"})
    record SessionView(String name, Role role, boolean setup) {}

    record SignIn(@NotNull String name, @NotNull String password) {}

    record SetUp(
            @NotNull String code,
            @NotNull String name,
            @NotNull String password) {}

    @GetMapping("/api/session")
    SessionView session(Principal principal) {
        if (!(principal instanceof Authentication signedIn)) {
            return new SessionView("", null, accounts.needsSetup());
        }
        var role = signedIn.getAuthorities().iterator().next().getAuthority().substring("ROLE_".length());
        return new SessionView(signedIn.getName(), Role.valueOf(role), false);
    }

    @PostMapping("/api/session")
    SessionView signIn(@Valid @RequestBody SignIn body, HttpServletRequest request, HttpServletResponse response) {
        var account = accounts.signIn(body.name(), body.password(), ClientAddress.of(request));
        sessions.begin();
        var context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(CurrentAccount.authentication(account));
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
        return new SessionView(account.name(), account.role(), false);
    }

    @DeleteMapping("/api/session")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(HttpServletRequest request) {
        var session = request.getSession(false);
        if (session != null) {
            if (request.getUserPrincipal() != null) {
                trail.add(TrailAction.SIGNED_OUT, "");
            }
            session.invalidate();
        }
        SecurityContextHolder.clearContext();
    }

    @PostMapping("/api/setup")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void setUp(@Valid @RequestBody SetUp body, HttpServletRequest request) {
        accounts.setUp(body.code(), body.name(), body.password(), ClientAddress.of(request));
    }
}

package org.jontrel.server.account;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import org.jontrel.serve.web.ClientAddress;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.trail.Trail;
import org.jontrel.server.trail.TrailAction;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Accounts, for architects; and what everybody does with the own one. */
@RestController
class AccountController {
    private final Accounts accounts;
    private final Sessions sessions;
    private final Trail trail;

    AccountController(Accounts accounts, Sessions sessions, Trail trail) {
        this.accounts = accounts;
        this.sessions = sessions;
        this.trail = trail;
    }

    record NewAccount(
            @NotNull String name,
            @NotNull Role role,
            @NotNull String password) {}

    @Schema(requiredProperties = {"id", "name", "role", "disabled"})
    record AccountView(long id, String name, Role role, boolean disabled) {}

    record AccountChange(
            @NotNull Role role,

            @Schema(description = "Whether the account cannot be signed in with") @NotNull
            Boolean disabled) {}

    @Schema(requiredProperties = "secret")
    record ResetLink(
            @Schema(description = "Part of the link /reset#<secret>; told this once only, works once within a day")
            String secret) {}

    record NewPassword(@NotNull String old, @NotNull String password) {}

    record Reset(@NotNull String secret, @NotNull String password) {}

    @Schema(requiredProperties = {"id", "since", "lastUsed", "address", "present"})
    record SessionInfo(
            String id,
            Instant since,
            Instant lastUsed,
            String address,

            @Schema(description = "Whether it is the one that asks")
            boolean present) {}

    @GetMapping("/api/accounts")
    List<AccountView> accounts() {
        return accounts.all().stream()
                .map(account -> new AccountView(account.id(), account.name(), account.role(), account.disabled()))
                .toList();
    }

    @PostMapping("/api/accounts")
    @ResponseStatus(HttpStatus.CREATED)
    void add(@Valid @RequestBody NewAccount body) {
        accounts.add(body.name(), body.role(), body.password());
    }

    @PutMapping("/api/accounts/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@PathVariable long id, @Valid @RequestBody AccountChange body) {
        accounts.change(id, body.role(), body.disabled());
    }

    @DeleteMapping("/api/accounts/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(@PathVariable long id) {
        accounts.delete(id);
    }

    @PostMapping("/api/accounts/{id}/reset")
    @ResponseStatus(HttpStatus.CREATED)
    ResetLink reset(@PathVariable long id) {
        return new ResetLink(accounts.reset(id));
    }

    @GetMapping("/api/accounts/{id}/sessions")
    List<SessionInfo> sessionsOf(@PathVariable long id) {
        return views(accounts.get(id).name());
    }

    @DeleteMapping("/api/accounts/{id}/sessions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endSessionsOf(@PathVariable long id) {
        var name = accounts.get(id).name();
        sessions.endOthers(name);
        trail.add(TrailAction.SESSIONS_ENDED, name);
    }

    @PutMapping("/api/account/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changePassword(@Valid @RequestBody NewPassword body, Principal principal, HttpServletRequest request) {
        accounts.changePassword(principal.getName(), body.old(), body.password(), ClientAddress.of(request));
    }

    @GetMapping("/api/account/sessions")
    List<SessionInfo> ownSessions(Principal principal) {
        return views(principal.getName());
    }

    @DeleteMapping("/api/account/sessions/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endOwnSession(@PathVariable String id, Principal principal) {
        if (!sessions.end(principal.getName(), id)) {
            throw Refusal.missing("This session has already ended.");
        }
        trail.add(TrailAction.SESSIONS_ENDED, principal.getName());
    }

    @PostMapping("/api/reset")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void resetWith(@Valid @RequestBody Reset body, HttpServletRequest request) {
        accounts.resetWith(body.secret(), body.password(), ClientAddress.of(request));
    }

    private List<SessionInfo> views(String name) {
        return sessions.of(name).stream()
                .map(each -> new SessionInfo(each.id(), each.since(), each.lastUsed(), each.address(), each.present()))
                .toList();
    }
}

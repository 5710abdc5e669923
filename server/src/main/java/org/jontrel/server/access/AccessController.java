package org.jontrel.server.access;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import org.jontrel.serve.web.Refusal;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Tokens of a workspace, for architects; and what a token is, for who has it. */
@RestController
class AccessController {
    private final AccessTokens tokens;

    AccessController(AccessTokens tokens) {
        this.tokens = tokens;
    }

    @Schema(requiredProperties = {"id", "name", "scopes", "createdAt", "createdBy"})
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record AccessView(
            long id,
            String name,
            List<Scope> scopes,
            Instant createdAt,

            @Schema(description = "The architect who made it; it does nothing once this is none any more")
            String createdBy,

            Instant usedAt,
            Instant expiresAt) {
        static AccessView of(AccessTokens.AccessToken token) {
            return new AccessView(
                    token.id(),
                    token.name(),
                    List.copyOf(token.scopes()),
                    token.createdAt(),
                    token.createdBy(),
                    token.usedAt(),
                    token.expiresAt());
        }
    }

    record NewAccess(
            @NotBlank String name,

            @Schema(description = "What it may do besides reading, which each may") @NotNull
            Set<Scope> scopes,

            @Schema(description = "When it stops working; never where left out")
            Instant expiresAt) {}

    @Schema(requiredProperties = {"token", "secret"})
    record MadeAccess(
            AccessView token,

            @Schema(description = "Sent as Authorization: Bearer; told this once only")
            String secret) {}

    /** What somebody with a token works on. */
    @Schema(requiredProperties = {"workspace", "title", "token"})
    record OwnAccess(String workspace, String title, AccessView token) {}

    @GetMapping("/api/workspaces/{workspace}/access-tokens")
    List<AccessView> all(@PathVariable String workspace) {
        return tokens.of(workspace).stream().map(AccessView::of).toList();
    }

    @PostMapping("/api/workspaces/{workspace}/access-tokens")
    @ResponseStatus(HttpStatus.CREATED)
    MadeAccess make(@PathVariable String workspace, @Valid @RequestBody NewAccess body, Principal principal) {
        var made = tokens.make(workspace, body.name(), body.scopes(), body.expiresAt(), principal.getName());
        return new MadeAccess(AccessView.of(made.token()), made.secret());
    }

    @DeleteMapping("/api/workspaces/{workspace}/access-tokens/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void revoke(@PathVariable String workspace, @PathVariable long id) {
        tokens.revoke(workspace, id);
    }

    /** The token that a request came with: its workspace and rights. */
    @GetMapping("/api/access")
    OwnAccess own(Principal principal) {
        if (principal instanceof ProgramAuthentication program) {
            var token = program.token();
            return new OwnAccess(token.workspace(), token.title(), AccessView.of(token));
        }
        throw Refusal.missing("This is for programs with a token of a workspace; you are signed in with a password.");
    }
}

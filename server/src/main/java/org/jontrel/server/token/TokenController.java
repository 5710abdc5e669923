package org.jontrel.server.token;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import org.jontrel.server.account.Role;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Tokens of a site, for architects. */
@RestController
@RequestMapping("/api/sites/{site}/tokens")
class TokenController {
    private final Tokens tokens;

    TokenController(Tokens tokens) {
        this.tokens = tokens;
    }

    @Schema(requiredProperties = {"id", "name", "role", "createdBy"})
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record TokenView(
            long id, String name, Role role, Instant createdAt, String createdBy, Instant usedAt, Instant expiresAt) {
        static TokenView of(TokenMapper.TokenRow row) {
            return new TokenView(
                    row.id(),
                    row.name(),
                    row.role(),
                    instant(row.createdAt()),
                    row.createdBy(),
                    instant(row.usedAt()),
                    instant(row.expiresAt()));
        }

        private static Instant instant(LocalDateTime time) {
            return time == null ? null : time.toInstant(ZoneOffset.UTC);
        }
    }

    record NewToken(
            @NotBlank String name,

            @Schema(description = "viewer to read drafts too, editor to write") @NotNull
            Role role,

            @Schema(description = "When it stops working; never where left out")
            Instant expiresAt) {}

    @Schema(requiredProperties = {"token", "secret"})
    record MadeToken(
            TokenView token,

            @Schema(description = "Sent as Authorization: Bearer; told this once only")
            String secret) {}

    @GetMapping
    List<TokenView> all(@PathVariable String site) {
        return tokens.of(site).stream().map(TokenView::of).toList();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    MadeToken make(@PathVariable String site, @Valid @RequestBody NewToken body, Principal principal) {
        var made = tokens.make(site, body.name(), body.role(), body.expiresAt(), principal.getName());
        return new MadeToken(TokenView.of(made.row()), made.secret());
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void revoke(@PathVariable String site, @PathVariable long id) {
        tokens.revoke(site, id);
    }
}

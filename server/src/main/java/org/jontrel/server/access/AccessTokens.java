package org.jontrel.server.access;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.serve.web.Refusal;
import org.jontrel.serve.web.Secrets;
import org.jontrel.server.trail.Trail;
import org.jontrel.server.trail.TrailAction;
import org.jontrel.server.workspace.Workspaces;
import org.jontrel.site.table.RecordIds;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;

/** Tokens of workspaces. A secret is shown once, when it is made; what is kept tells nobody what it was. */
@Service
class AccessTokens {
    private static final int LONGEST_NAME = 60;
    private static final Duration NOTED_EVERY = Duration.ofMinutes(1);
    private final AccessMapper mapper;
    private final Workspaces workspaces;
    private final RecordIds ids;
    private final Trail trail;

    AccessTokens(AccessMapper mapper, Workspaces workspaces, RecordIds ids, Trail trail) {
        this.mapper = mapper;
        this.workspaces = workspaces;
        this.ids = ids;
        this.trail = trail;
    }

    /** A token as it is known; {@code name} is what it is called where it did something. */
    record AccessToken(
            long id,
            long workspaceId,
            String workspace,
            String title,
            String name,
            Set<Scope> scopes,
            Instant createdAt,
            String createdBy,
            Instant usedAt,
            Instant expiresAt) {
        static AccessToken of(AccessMapper.AccessRow row) {
            return new AccessToken(
                    row.id(),
                    row.workspaceId(),
                    row.workspacePath(),
                    row.workspaceTitle(),
                    row.name(),
                    scopes(row.scopes()),
                    instant(row.createdAt()),
                    row.createdBy(),
                    instant(row.usedAt()),
                    instant(row.expiresAt()));
        }

        private static Set<Scope> scopes(String words) {
            return Stream.of(words.split(" "))
                    .map(word -> Scope.valueOf(word.toUpperCase(Locale.ROOT)))
                    .collect(Collectors.toCollection(() -> EnumSet.noneOf(Scope.class)));
        }

        private static Instant instant(LocalDateTime time) {
            return time == null ? null : time.toInstant(ZoneOffset.UTC);
        }
    }

    /** @param secret which nobody can ask for again */
    record CreatedAccess(AccessToken token, String secret) {}

    List<AccessToken> of(String workspace) {
        return mapper.of(workspaces.get(workspace).id()).stream()
                .map(AccessToken::of)
                .toList();
    }

    CreatedAccess make(String workspace, String name, Set<Scope> scopes, Instant expiresAt, String author) {
        var trimmed = name.strip();
        if (trimmed.isEmpty() || trimmed.length() > LONGEST_NAME) {
            throw Refusal.invalid("The name of a token must have 1 to " + LONGEST_NAME + " characters.", List.of());
        }
        if (expiresAt != null && !expiresAt.isAfter(Instant.now())) {
            throw Refusal.invalid("A token must expire in the future.", List.of());
        }
        var all = EnumSet.of(Scope.READ);
        all.addAll(scopes);
        var secret = Secrets.fresh();
        var hash = Secrets.hash(secret);
        var until = expiresAt == null ? null : LocalDateTime.ofInstant(expiresAt, ZoneOffset.UTC);
        var words = all.stream().map(Scope::code).collect(Collectors.joining(" "));
        try {
            mapper.insert(ids.next(), workspaces.get(workspace).id(), author, trimmed, words, hash, until);
        } catch (DuplicateKeyException _) {
            throw Refusal.conflict("This workspace already has a token named " + trimmed + ".", null);
        }
        trail.add(TrailAction.TOKEN_MADE, trimmed + " of workspace " + workspace + ": " + words);
        return new CreatedAccess(find(secret).orElseThrow(), secret);
    }

    void revoke(String workspace, long id) {
        if (mapper.delete(workspaces.get(workspace).id(), id) == 0) {
            throw Refusal.missing("This workspace has no such token.");
        }
        trail.add(TrailAction.TOKEN_REVOKED, "of workspace " + workspace);
    }

    /** The token with this secret, where it still does something. */
    Optional<AccessToken> find(String secret) {
        return Optional.ofNullable(mapper.find(Secrets.hash(secret))).map(AccessToken::of);
    }

    /** Notes that it was used; once a minute, so that reading is not writing. */
    void used(AccessToken token) {
        var noted = token.usedAt();
        if (noted == null || noted.isBefore(Instant.now().minus(NOTED_EVERY))) {
            mapper.used(token.id());
        }
    }
}

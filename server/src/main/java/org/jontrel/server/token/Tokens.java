package org.jontrel.server.token;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.jontrel.serve.site.SiteTokens;
import org.jontrel.serve.web.Refusal;
import org.jontrel.serve.web.Secrets;
import org.jontrel.server.account.Role;
import org.jontrel.server.site.Sites;
import org.jontrel.server.trail.Trail;
import org.jontrel.server.trail.TrailAction;
import org.jontrel.site.table.RecordIds;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;

/** Tokens of sites. A secret is shown once, when it is made; what is kept tells nobody what it was. */
@Service
public class Tokens implements SiteTokens {
    private final TokenMapper mapper;
    private final Sites sites;
    private final RecordIds ids;
    /** Tokens whose use was written in the last minute: reading is not writing. */
    private final Cache<Long, Boolean> recentlyUsed = Caffeine.newBuilder()
            .maximumSize(10_000)
            .expireAfterWrite(Duration.ofMinutes(1))
            .build();

    private final Trail trail;

    Tokens(TokenMapper mapper, Sites sites, RecordIds ids, Trail trail) {
        this.trail = trail;
        this.mapper = mapper;
        this.sites = sites;
        this.ids = ids;
    }

    /** A new token's secret, which nobody can ask for again. */
    record CreatedToken(TokenMapper.TokenRow row, String secret) {}

    List<TokenMapper.TokenRow> of(String site) {
        return mapper.of(sites.get(site).path());
    }

    CreatedToken make(String site, String name, Role role, Instant expiresAt, String author) {
        var trimmed = name.strip();
        if (trimmed.isEmpty() || trimmed.length() > 100) {
            throw Refusal.invalid("The name of a token must have 1 to 100 characters.", List.of());
        }
        if (role == Role.ARCHITECT) {
            throw Refusal.invalid(
                    "The role of a token must be viewer, which reads, or editor, which reads and writes records.",
                    List.of());
        }
        if (expiresAt != null && !expiresAt.isAfter(Instant.now())) {
            throw Refusal.invalid("A token must expire in the future.", List.of());
        }
        var secret = Secrets.fresh();
        var row = new TokenMapper.TokenRow(
                ids.next(),
                sites.get(site).path(),
                trimmed,
                role,
                Secrets.hash(secret),
                null,
                author,
                null,
                expiresAt == null ? null : LocalDateTime.ofInstant(expiresAt, ZoneOffset.UTC));
        try {
            mapper.insert(row);
        } catch (DuplicateKeyException _) {
            throw Refusal.conflict("This site already has a token named " + trimmed + ".", null);
        }
        trail.add(TrailAction.TOKEN_MADE, trimmed + " of site " + site);
        return new CreatedToken(row, secret);
    }

    void revoke(String site, long id) {
        if (mapper.delete(sites.get(site).path(), id) == 0) {
            throw Refusal.missing("This site has no such token.");
        }
        trail.add(TrailAction.TOKEN_REVOKED, "of site " + site);
    }

    @Override
    public Optional<SiteToken> find(String site, String secret) {
        var found = Optional.ofNullable(mapper.find(site, Secrets.hash(secret)));
        found.filter(row -> recentlyUsed.asMap().putIfAbsent(row.id(), true) == null)
                .ifPresent(row -> mapper.used(row.id()));
        return found.map(row -> new SiteToken(row.id(), row.name(), row.role() == Role.EDITOR));
    }
}

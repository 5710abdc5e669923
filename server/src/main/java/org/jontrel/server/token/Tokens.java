package org.jontrel.server.token;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import org.jontrel.server.account.Role;
import org.jontrel.server.site.Sites;
import org.jontrel.server.web.Refusal;
import org.jontrel.site.table.RecordIds;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;

/** Tokens of sites. A secret is shown once, when it is made; what is kept tells nobody what it was. */
@Service
public class Tokens {
    private static final int BYTES = 32;
    private static final SecureRandom RANDOM = new SecureRandom();
    private final TokenMapper mapper;
    private final Sites sites;
    private final RecordIds ids;

    Tokens(TokenMapper mapper, Sites sites, RecordIds ids) {
        this.mapper = mapper;
        this.sites = sites;
        this.ids = ids;
    }

    /** Who a program is: what it may do, and the name under which it does. */
    public record Token(long id, String name, Role role) {
        public boolean writes() {
            return role == Role.EDITOR;
        }
    }

    /** A new token's secret, which nobody can ask for again. */
    record Made(TokenMapper.TokenRow row, String secret) {}

    List<TokenMapper.TokenRow> of(String site) {
        return mapper.of(sites.get(site).path());
    }

    Made make(String site, String name, Role role, String author) {
        var trimmed = name.strip();
        if (trimmed.isEmpty() || trimmed.length() > 100) {
            throw Refusal.invalid("A token's name has 1 to 100 characters.", List.of());
        }
        if (role == Role.ARCHITECT) {
            throw Refusal.invalid("A token reads (viewer) or reads and writes records (editor).", List.of());
        }
        var bytes = new byte[BYTES];
        RANDOM.nextBytes(bytes);
        var secret = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
        var row = new TokenMapper.TokenRow(
                ids.next(), sites.get(site).path(), trimmed, role, hash(secret), null, author, null);
        try {
            mapper.insert(row);
        } catch (DuplicateKeyException _) {
            throw Refusal.conflict("This site already has a token named " + trimmed + ".", null);
        }
        return new Made(row, secret);
    }

    void revoke(String site, long id) {
        if (mapper.delete(sites.get(site).path(), id) == 0) {
            throw Refusal.missing("This site has no such token.");
        }
    }

    /** The token with this secret, where it is one of the site's. */
    public Optional<Token> find(String site, String secret) {
        var found = Optional.ofNullable(mapper.find(site, hash(secret)));
        found.ifPresent(row -> mapper.used(row.id()));
        return found.map(row -> new Token(row.id(), row.name(), row.role()));
    }

    private static String hash(String secret) {
        try {
            var digest = MessageDigest.getInstance("SHA-256").digest(secret.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}

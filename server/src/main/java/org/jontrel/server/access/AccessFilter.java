package org.jontrel.server.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Locale;
import java.util.Optional;
import org.jontrel.serve.web.Refusal;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/** Finds whose token a request has; nothing goes on without one that works. */
final class AccessFilter extends OncePerRequestFilter {
    private static final String BEARER = "bearer ";
    private final AccessTokens tokens;

    AccessFilter(AccessTokens tokens) {
        this.tokens = tokens;
    }

    /** The secret that a request came with, if any. */
    static Optional<String> secret(HttpServletRequest request) {
        return Optional.ofNullable(request.getHeader("Authorization"))
                .filter(header -> header.toLowerCase(Locale.ROOT).startsWith(BEARER))
                .map(header -> header.substring(BEARER.length()).strip());
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        var found = secret(request).flatMap(tokens::find);
        if (found.isEmpty()) {
            Refusal.unauthorized("This token is not known here: it was revoked, has expired, or whoever made it is no"
                            + " architect any more. Ask for a new one.")
                    .answer(response);
            return;
        }
        tokens.used(found.get());
        var context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(new ProgramAuthentication(found.get()));
        SecurityContextHolder.setContext(context);
        chain.doFilter(request, response);
    }
}

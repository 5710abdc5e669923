package org.jontrel.server.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * What somebody may do is what the account says now, not what it said when the session began; and a session ends some time
 * after it began, however much it is used.
 */
class CurrentAccount extends OncePerRequestFilter {
    private final Accounts accounts;
    private final Duration lifetime;

    CurrentAccount(Accounts accounts, Duration lifetime) {
        this.accounts = accounts;
        this.lifetime = lifetime;
    }

    static Authentication authentication(AccountMapper.AccountRow account) {
        return UsernamePasswordAuthenticationToken.authenticated(
                account.name(),
                null,
                List.of(new SimpleGrantedAuthority("ROLE_" + account.role().name())));
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (SecurityContextHolder.getContext().getAuthentication() instanceof UsernamePasswordAuthenticationToken was) {
            var session = request.getSession(false);
            var account = accounts.active(was.getName());
            var context = SecurityContextHolder.createEmptyContext();
            if (account.isEmpty() || isOver(session)) {
                if (session != null) {
                    session.invalidate();
                }
            } else {
                context.setAuthentication(authentication(account.get()));
            }
            SecurityContextHolder.setContext(context);
        }
        chain.doFilter(request, response);
    }

    private boolean isOver(HttpSession session) {
        if (session == null) {
            return true;
        }
        var since = session.getAttribute(Sessions.SINCE) instanceof Long millis ? millis : session.getCreationTime();
        return Instant.ofEpochMilli(since).plus(lifetime).isBefore(Instant.now());
    }
}

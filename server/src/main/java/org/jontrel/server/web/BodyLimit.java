package org.jontrel.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import org.jontrel.serve.web.LimitedRequest;
import org.jontrel.serve.web.Refusal;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Bodies are no longer and take no longer to send than they need to: what is too long is refused before it is read, where
 * it says how long it is, else when it has become too long. Uploads have limits of their own.
 */
@Component
@Order(BodyLimit.AFTER_SECURITY)
class BodyLimit extends OncePerRequestFilter {
    static final int AFTER_SECURITY = 0;
    private static final long MOST_BYTES = 1 << 20;
    /** Where anybody may send. */
    private static final Set<String> OPEN = Set.of("/api/session", "/api/setup", "/api/reset");

    private static final long MOST_OPEN_BYTES = 16 << 10;
    /** Definitions of whole packages, which only architects send. */
    private static final long MOST_DEFINITION_BYTES = 32 << 20;

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        var path = request.getRequestURI();
        var type = request.getContentType();
        if (type != null && type.toLowerCase(java.util.Locale.ROOT).startsWith("multipart/")) {
            if (!path.startsWith("/api/sites/") && !path.startsWith("/api/workspaces/")) {
                refuse(Refusal.noUpload(), response);
                return;
            }
            chain.doFilter(request, response);
            return;
        }
        // only who may restore a site gets here, and a site is as long as it is
        if (path.endsWith("/sites/archive")) {
            chain.doFilter(request, response);
            return;
        }
        long most = OPEN.contains(path)
                ? MOST_OPEN_BYTES
                : path.endsWith("/draft/take") ? MOST_DEFINITION_BYTES : MOST_BYTES;
        if (request.getContentLengthLong() > most) {
            refuse(Refusal.tooLong(most), response);
            return;
        }
        var limited = new LimitedRequest(request, most);
        if (path.startsWith("/api/workspaces") || path.startsWith("/api/proof")) {
            // whole before it takes one of the few places there are for such work: a slow sender holds none
            try {
                limited.readWhole();
            } catch (Refusal e) {
                refuse(e, response);
                return;
            }
        }
        chain.doFilter(limited, response);
    }

    private static void refuse(Refusal refusal, HttpServletResponse response) throws IOException {
        response.setHeader("Connection", "close");
        refusal.answer(response);
    }
}

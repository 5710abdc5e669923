package org.jontrel.standalone;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Locale;
import org.jontrel.serve.web.LimitedRequest;
import org.jontrel.serve.web.PublicHeaders;
import org.jontrel.serve.web.Refusal;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** What holds for every request: headers for browsers, and bodies that are no longer than programs need to send. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class SiteAnswers extends OncePerRequestFilter {
    private static final long MOST_BYTES = 1 << 20;

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        PublicHeaders.set(request, response);
        var type = request.getContentType();
        if (type != null && type.toLowerCase(Locale.ROOT).startsWith("multipart/")) {
            refuse(Refusal.noUpload(), response);
        } else if (request.getContentLengthLong() > MOST_BYTES) {
            refuse(Refusal.tooLong(MOST_BYTES), response);
        } else {
            chain.doFilter(new LimitedRequest(request, MOST_BYTES), response);
        }
    }

    private static void refuse(Refusal refusal, HttpServletResponse response) throws IOException {
        response.setHeader("Connection", "close");
        refusal.answer(response);
    }
}

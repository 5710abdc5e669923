package org.jontrel.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import org.springframework.core.annotation.Order;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/**
 * Bodies are no longer and take no longer to send than they need to: what is too long is refused before it is read, where
 * it says how long it is, else when it has become too long. Uploads have limits of their own.
 */
@Component
@Order(BodyLimit.AFTER_SECURITY)
class BodyLimit extends OncePerRequestFilter {
    static final int AFTER_SECURITY = 0;
    private static final long MOST_BYTES = 1 << 20;
    /** Definitions of whole packages, which only architects send. */
    private static final long MOST_DEFINITION_BYTES = 32 << 20;

    private static final Duration LONGEST = Duration.ofSeconds(30);
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        var type = request.getContentType();
        if (type != null && type.toLowerCase(java.util.Locale.ROOT).startsWith("multipart/")) {
            chain.doFilter(request, response);
            return;
        }
        long most = request.getRequestURI().endsWith("/draft/take") ? MOST_DEFINITION_BYTES : MOST_BYTES;
        if (request.getContentLengthLong() > most) {
            var problem = Refusal.tooLong(most).getBody();
            response.setStatus(problem.getStatus());
            response.setHeader("Connection", "close");
            response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
            response.getOutputStream().write(JSON.writeValueAsBytes(Refusal.plain(problem)));
            return;
        }
        chain.doFilter(new Limited(request, most), response);
    }

    private static final class Limited extends HttpServletRequestWrapper {
        private final long most;
        private final long began = System.nanoTime();

        Limited(HttpServletRequest request, long most) {
            super(request);
            this.most = most;
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            return new Counted(super.getInputStream(), this);
        }

        @Override
        public BufferedReader getReader() throws IOException {
            return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
        }

        private void check(long read) {
            if (read > most) {
                throw Refusal.tooLong(most);
            }
            if (System.nanoTime() - began > LONGEST.toNanos()) {
                throw Refusal.tooSlow(LONGEST);
            }
        }
    }

    private static final class Counted extends ServletInputStream {
        private final ServletInputStream in;
        private final Limited request;
        private long read;

        Counted(ServletInputStream in, Limited request) {
            this.in = in;
            this.request = request;
        }

        @Override
        public int read() throws IOException {
            int one = in.read();
            request.check(one < 0 ? read : ++read);
            return one;
        }

        @Override
        public int read(byte[] into, int offset, int length) throws IOException {
            int count = in.read(into, offset, length);
            read += Math.max(0, count);
            request.check(read);
            return count;
        }

        @Override
        public boolean isFinished() {
            return in.isFinished();
        }

        @Override
        public boolean isReady() {
            return in.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            in.setReadListener(listener);
        }
    }
}

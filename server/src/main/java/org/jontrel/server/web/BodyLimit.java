package org.jontrel.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Set;
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

    private static final Duration LONGEST = Duration.ofSeconds(30);

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
        long most = OPEN.contains(path)
                ? MOST_OPEN_BYTES
                : path.endsWith("/draft/take") ? MOST_DEFINITION_BYTES : MOST_BYTES;
        if (request.getContentLengthLong() > most) {
            refuse(Refusal.tooLong(most), response);
            return;
        }
        var limited = new Limited(request, most);
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

    private static final class Limited extends HttpServletRequestWrapper {
        private final long most;
        private final long began = System.nanoTime();
        private InputStream whole;

        Limited(HttpServletRequest request, long most) {
            super(request);
            this.most = most;
        }

        void readWhole() throws IOException {
            whole = new ByteArrayInputStream(new Counted(super.getInputStream(), this).readAllBytes());
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            return whole == null ? new Counted(super.getInputStream(), this) : new BufferedBody(whole);
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

    /** A body that has arrived. */
    private static final class BufferedBody extends ServletInputStream {
        private final InputStream in;

        BufferedBody(InputStream in) {
            this.in = in;
        }

        @Override
        public int read() throws IOException {
            return in.read();
        }

        @Override
        public int read(byte[] into, int offset, int length) throws IOException {
            return in.read(into, offset, length);
        }

        @Override
        public boolean isFinished() {
            return false;
        }

        @Override
        public boolean isReady() {
            return true;
        }

        @Override
        public void setReadListener(ReadListener listener) {
            throw new IllegalStateException("Read at once");
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

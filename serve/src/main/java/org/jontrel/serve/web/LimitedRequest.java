package org.jontrel.serve.web;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.time.Duration;

/** A request whose body may be no longer than it needs to be, nor take longer to arrive; reading more of it is refused. */
public final class LimitedRequest extends HttpServletRequestWrapper {
    private static final Duration LONGEST = Duration.ofSeconds(30);
    private final long most;
    private final long began = System.nanoTime();
    private InputStream whole;

    public LimitedRequest(HttpServletRequest request, long most) {
        super(request);
        this.most = most;
    }

    /** Waits until all of it has arrived. @throws Refusal where it is too long or too slow */
    public void readWhole() throws IOException {
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
        private final LimitedRequest request;
        private long read;

        Counted(ServletInputStream in, LimitedRequest request) {
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

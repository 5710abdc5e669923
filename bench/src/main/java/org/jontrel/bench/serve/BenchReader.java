package org.jontrel.bench.serve;

import java.io.BufferedInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.Locale;

/** Sends one request again and again on one connection, and reads past the answers, at little cost. */
final class BenchReader implements AutoCloseable {
    private static final String LENGTH = "content-length:";
    /** The server closes a connection after a hundred requests. */
    private static final int PER_CONNECTION = 100;

    private final URI address;
    private final byte[] request;
    private final String status;
    private final StringBuilder line = new StringBuilder();
    private Socket socket;
    private InputStream in;
    private OutputStream out;
    private int left;

    BenchReader(URI address, String request, int status) {
        this.address = address;
        this.request = request.getBytes(StandardCharsets.US_ASCII);
        this.status = "HTTP/1.1 " + status;
    }

    private void connect() throws IOException {
        close();
        socket = new Socket(address.getHost(), address.getPort());
        in = new BufferedInputStream(socket.getInputStream(), 1 << 15);
        out = socket.getOutputStream();
        left = PER_CONNECTION;
    }

    void read() throws IOException {
        if (left-- == 0) {
            connect();
            left--;
        }
        out.write(request);
        if (!line().startsWith(status)) {
            throw new IOException("Answered with " + line);
        }
        long length = 0;
        while (!line().isEmpty()) {
            var header = line.toString().toLowerCase(Locale.ROOT);
            if (header.startsWith(LENGTH)) {
                length = Long.parseLong(header.substring(LENGTH.length()).strip());
            }
        }
        in.skipNBytes(length);
    }

    private String line() throws IOException {
        line.setLength(0);
        for (int read = in.read(); read != '\n'; read = in.read()) {
            if (read < 0) {
                throw new EOFException("The connection was closed");
            }
            if (read != '\r') {
                line.append((char) read);
            }
        }
        return line.toString();
    }

    @Override
    public void close() throws IOException {
        if (socket != null) {
            socket.close();
        }
    }
}

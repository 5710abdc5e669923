package org.jontrel.standalone;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.jontrel.site.testing.TestDatabase;

/** A site that is served alone, in this process. */
final class Alone implements AutoCloseable {
    private static final HttpClient CLIENT = HttpClient.newHttpClient();

    static {
        // what happens by itself happens soon
        System.setProperty("jontrel.publish-every", "PT0.5S");
        System.setProperty("jontrel.continue-every", "PT0.5S");
    }

    private final ServeCommand command = new ServeCommand();
    private final StringWriter out = new StringWriter();
    private final StringWriter err = new StringWriter();
    final int port;
    final int code;

    private Alone(int port, String database, Path definitions, List<String> options) throws IOException {
        this.port = port;
        var password = Files.writeString(Files.createTempFile("password", ""), TestDatabase.PASSWORD + "\n");
        var all = new ArrayList<>(List.of(
                definitions.toString(),
                "--database=" + TestDatabase.shared().url(database),
                "--database-user=" + TestDatabase.USER,
                "--password-file=" + password,
                "--port=" + port));
        all.addAll(options);
        code = StandaloneMain.line(command, new PrintWriter(out, true), new PrintWriter(err, true))
                .execute(all.toArray(String[]::new));
    }

    static Alone start(String database, Path definitions, String... options) throws IOException {
        int port;
        try (var free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        return new Alone(port, database, definitions, List.of(options));
    }

    String said() {
        return out.toString() + err;
    }

    /** As by the signal, and waited for. */
    void reload() throws InterruptedException {
        command.site().reload();
        settle();
    }

    void settle() throws InterruptedException {
        command.site().settle();
    }

    HttpResponse<String> get(String path, String... headers) throws IOException, InterruptedException {
        return send("GET", path, "", headers);
    }

    HttpResponse<String> send(String method, String path, String body, String... headers)
            throws IOException, InterruptedException {
        var request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                .method(method, HttpRequest.BodyPublishers.ofString(body));
        if (headers.length > 0) {
            request.headers(headers);
        }
        return CLIENT.send(request.build(), HttpResponse.BodyHandlers.ofString());
    }

    String health() throws IOException, InterruptedException {
        return get("/health").body();
    }

    @Override
    public void close() {
        command.close();
    }
}

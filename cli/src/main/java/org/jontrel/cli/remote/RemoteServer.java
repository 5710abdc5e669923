package org.jontrel.cli.remote;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandler;
import java.net.http.HttpResponse.BodyHandlers;
import java.net.http.HttpResponse.BodySubscribers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.jontrel.cli.io.Output;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A server's API as somebody with a token sees it. The token goes into a header, and into no message. */
final class RemoteServer implements AutoCloseable {
    static final int CONFLICT = 409;
    static final int OVERTAKEN = 412;
    static final int INVALID = 422;
    private static final int OK = 300;
    private static final Duration TO_CONNECT = Duration.ofSeconds(10);
    /** As long as a server may work on a large model, and then some. */
    private static final Duration TO_ANSWER = Duration.ofMinutes(5);

    /** As long as a whole site may be on its way. */
    private static final Duration TO_COPY = Duration.ofHours(6);

    private static final JsonMapper JSON = JsonMapper.shared();
    private final URI address;
    private final String token;
    /** Redirects are not followed: a token is for the address that somebody gave. */
    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(TO_CONNECT).build();

    RemoteServer(URI address, String token) {
        this.address = address;
        this.token = token;
    }

    URI address() {
        return address;
    }

    /** What was sent, with the server's own word on which revision it is. */
    record Download(byte[] content, long revision) {}

    JsonNode get(String path) throws IOException {
        return json(send(request(path).GET()));
    }

    JsonNode post(String path, Object body) throws IOException {
        return json(send(request(path)
                .header("Content-Type", "application/json")
                .POST(BodyPublishers.ofString(JSON.writeValueAsString(body)))));
    }

    JsonNode upload(String path, byte[] zip) throws IOException {
        var boundary = "jontrel-" + UUID.randomUUID();
        return json(send(request(path)
                .header("Content-Type", "multipart/form-data; boundary=" + boundary)
                .POST(file(boundary, zip))));
    }

    /** @param json the body as it is sent */
    JsonNode put(String path, String json) throws IOException {
        return json(
                send(request(path).header("Content-Type", "application/json").PUT(BodyPublishers.ofString(json))));
    }

    /** Sends files as they are, of whatever length, each under its own name. */
    JsonNode uploadFiles(String path, List<Path> files) throws IOException {
        var boundary = "jontrel-" + UUID.randomUUID();
        var parts = new ArrayList<BodyPublisher>();
        for (var file : files) {
            var name = file.getFileName().toString().replace("\"", "%22");
            parts.add(BodyPublishers.ofString("--" + boundary
                    + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"" + name + "\"\r\n\r\n"));
            parts.add(BodyPublishers.ofFile(file));
            parts.add(BodyPublishers.ofString("\r\n"));
        }
        parts.add(BodyPublishers.ofString("--" + boundary + "--\r\n"));
        return json(send(request(path)
                .header("Content-Type", "multipart/form-data; boundary=" + boundary)
                .POST(BodyPublishers.concat(parts.toArray(BodyPublisher[]::new)))));
    }

    Download download(String path) throws IOException {
        var response = send(request(path).GET());
        return new Download(
                response.body(),
                response.headers().firstValueAsLong("Jontrel-Revision").orElse(0));
    }

    /** Saves what is sent, of whatever length; a file that was there is replaced once all of it has come. */
    void save(String path, Path into) throws IOException {
        var target = into.toAbsolutePath();
        var part = Files.createTempFile(target.getParent(), target.getFileName().toString(), ".part");
        try {
            var response = answer(
                    request(path).timeout(TO_COPY).GET(),
                    info -> info.statusCode() < OK
                            ? BodySubscribers.mapping(BodySubscribers.ofFile(part), _ -> new byte[0])
                            : BodySubscribers.ofByteArray());
            checked(response);
            Files.move(part, target, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(part);
        }
    }

    /** Sends a file as it is. */
    JsonNode sendFile(String path, Path file) throws IOException {
        return json(send(request(path)
                .timeout(TO_COPY)
                .header("Content-Type", "application/zip")
                .POST(BodyPublishers.ofFile(file))));
    }

    private static BodyPublisher file(String boundary, byte[] content) {
        var body = new ByteArrayOutputStream();
        body.writeBytes(("--" + boundary + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"package.zip\""
                        + "\r\nContent-Type: application/zip\r\n\r\n")
                .getBytes(StandardCharsets.UTF_8));
        body.writeBytes(content);
        body.writeBytes(("\r\n--" + boundary + "--\r\n").getBytes(StandardCharsets.UTF_8));
        return BodyPublishers.ofByteArray(body.toByteArray());
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(address.resolve(path))
                .timeout(TO_ANSWER)
                .header("Authorization", "Bearer " + token);
    }

    private HttpResponse<byte[]> send(HttpRequest.Builder request) throws IOException {
        return checked(answer(request, BodyHandlers.ofByteArray()));
    }

    private HttpResponse<byte[]> answer(HttpRequest.Builder request, BodyHandler<byte[]> handler) throws IOException {
        try {
            return http.send(request.build(), handler);
        } catch (IOException e) {
            throw new RemoteException(
                    0,
                    "There is no answer from " + address + " (" + reason(e)
                            + "). Check the address, and whether the server runs.",
                    List.of());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new RemoteException(0, "Interrupted while waiting for " + address + ".", List.of());
        }
    }

    private HttpResponse<byte[]> checked(HttpResponse<byte[]> response) throws RemoteException {
        if (response.statusCode() >= OK) {
            throw refused(response);
        }
        return response;
    }

    private static String reason(IOException e) {
        return e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage();
    }

    private RemoteException refused(HttpResponse<byte[]> response) {
        int status = response.statusCode();
        try {
            var problem = JSON.readTree(response.body());
            if (problem.hasNonNull("detail")) {
                var told = lines(problem.path("findings"));
                problem.path("clashes").forEach(clash -> told.add(clash.asString()));
                return new RemoteException(status, problem.get("detail").asString(), told);
            }
        } catch (JacksonException _) {
            // not of our server, or of something before it
        }
        return new RemoteException(
                status,
                address + " answered with " + status + " and no reason. Is this the address of the server itself?",
                List.of());
    }

    private static JsonNode json(HttpResponse<byte[]> response) throws IOException {
        try {
            return response.body().length == 0 ? JSON.nullNode() : JSON.readTree(response.body());
        } catch (JacksonException e) {
            throw new RemoteException(
                    response.statusCode(),
                    "The answer of " + response.uri() + " is not JSON: " + e.getOriginalMessage(),
                    List.of());
        }
    }

    /** Findings as they are printed for local files. */
    static List<String> lines(JsonNode findings) {
        var lines = new ArrayList<String>();
        for (var each : findings) {
            lines.add(Output.line(
                    each.path("place").asString(""),
                    each.path("severity").asString(""),
                    each.path("sentence").asString(""),
                    each.path("code").asString("")));
        }
        return lines;
    }

    @Override
    public void close() {
        http.close();
    }
}

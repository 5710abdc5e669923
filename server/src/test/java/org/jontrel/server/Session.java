package org.jontrel.server;

import static org.testng.Assert.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** One person at the API: cookies, the token against foreign forms, answers as JSON. */
public final class Session {
    private static final JsonMapper JSON = JsonMapper.shared();
    private final String address;
    private final CookieManager cookies = new CookieManager();
    public final HttpClient http =
            HttpClient.newBuilder().cookieHandler(cookies).build();
    boolean token = true;
    private final Map<String, String> headers = new java.util.HashMap<>();

    public Session(String address) {
        this.address = address;
    }

    /** Sends a header with everything from now on; {@code null} for no longer. */
    public Session with(String name, String value) {
        if (value == null) {
            headers.remove(name);
        } else {
            headers.put(name, value);
        }
        return this;
    }

    public String header(String name) {
        return headers.get(name);
    }

    /** The body of an answer as it came. */
    public byte[] bytes(String path) {
        var request = HttpRequest.newBuilder(URI.create(address + path)).GET();
        headers.forEach(request::header);
        try {
            return http.send(request.build(), HttpResponse.BodyHandlers.ofByteArray())
                    .body();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    public HttpResponse<String> send(String method, String path, Object body) {
        var text = body == null ? "" : body instanceof String raw ? raw : JSON.writeValueAsString(body);
        var request = HttpRequest.newBuilder(URI.create(address + path))
                .method(method, HttpRequest.BodyPublishers.ofString(text))
                .header("Content-Type", "application/json");
        headers.forEach(request::header);
        if (token) {
            request.header("X-XSRF-TOKEN", cookie("XSRF-TOKEN"));
        }
        try {
            return http.send(request.build(), HttpResponse.BodyHandlers.ofString());
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    public HttpResponse<String> sendBytes(String path, String type, byte[] body)
            throws IOException, InterruptedException {
        var request = HttpRequest.newBuilder(URI.create(address + path))
                .POST(HttpRequest.BodyPublishers.ofByteArray(body))
                .header("Content-Type", type)
                .header("X-XSRF-TOKEN", cookie("XSRF-TOKEN"));
        headers.forEach(request::header);
        return http.send(request.build(), HttpResponse.BodyHandlers.ofString());
    }

    /** Uploads files under the name {@code file}; each name is followed by its text. */
    public HttpResponse<String> sendFiles(String path, String... namesAndTexts)
            throws IOException, InterruptedException {
        var files = new LinkedHashMap<String, byte[]>();
        for (int i = 0; i < namesAndTexts.length; i += 2) {
            files.put(namesAndTexts[i], namesAndTexts[i + 1].getBytes(StandardCharsets.UTF_8));
        }
        return sendFiles(path, files);
    }

    public HttpResponse<String> sendFiles(String path, Map<String, byte[]> files)
            throws IOException, InterruptedException {
        var body = new ByteArrayOutputStream();
        files.forEach((name, bytes) -> {
            var part = "--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"" + name + "\"\r\n\r\n";
            body.writeBytes(part.getBytes(StandardCharsets.UTF_8));
            body.writeBytes(bytes);
            body.writeBytes("\r\n".getBytes(StandardCharsets.UTF_8));
        });
        body.writeBytes("--b--\r\n".getBytes(StandardCharsets.UTF_8));
        return sendBytes(path, "multipart/form-data; boundary=b", body.toByteArray());
    }

    /** Asks only for what has another tag. */
    public HttpResponse<String> conditional(String path, String tag) throws IOException, InterruptedException {
        var request = HttpRequest.newBuilder(URI.create(address + path)).header("If-None-Match", tag);
        return http.send(request.build(), HttpResponse.BodyHandlers.ofString());
    }

    public JsonNode ok(String method, String path, Object body) {
        var answer = send(method, path, body);
        assertTrue(answer.statusCode() < 300, path + " " + answer.statusCode() + " " + answer.body());
        return answer.body().isEmpty() ? JSON.nullNode() : JSON.readTree(answer.body());
    }

    public String cookie(String name) {
        return cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals(name))
                .map(HttpCookie::getValue)
                .findFirst()
                .orElse("none");
    }

    public Session signIn(String name, String password) {
        ok("GET", "/api/session", null);
        ok("POST", "/api/session", Map.of("name", name, "password", password));
        return this;
    }
}

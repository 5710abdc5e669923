package org.jontrel.demo;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A small client of the public API: one person's session. */
public final class Client {
    private static final JsonMapper JSON = JsonMapper.shared();
    private static final String BOUNDARY = "jontrel-demo-boundary-7d1f0c";
    private final String address;
    private final CookieManager cookies = new CookieManager();
    private final HttpClient http =
            HttpClient.newBuilder().cookieHandler(cookies).build();

    /** @param address of the installation, without a slash at the end */
    public Client(String address) {
        this.address = address;
    }

    public JsonNode get(String path) {
        return send("GET", path, "application/json", BodyPublishers.noBody());
    }

    public JsonNode post(String path, Object body) {
        return send("POST", path, "application/json", json(body));
    }

    public JsonNode put(String path, Object body) {
        return send("PUT", path, "application/json", json(body));
    }

    public JsonNode delete(String path) {
        return send("DELETE", path, "application/json", BodyPublishers.noBody());
    }

    /** Sends one file with text fields beside it. */
    public JsonNode upload(String path, String name, byte[] content, Map<String, String> fields) {
        var body = new ByteArrayOutputStream();
        fields.forEach((field, text) -> body.writeBytes(("--" + BOUNDARY + "\r\nContent-Disposition: form-data; name=\""
                        + field + "\"\r\nContent-Type: text/plain; charset=utf-8\r\n\r\n" + text + "\r\n")
                .getBytes(StandardCharsets.UTF_8)));
        body.writeBytes(("--" + BOUNDARY + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"" + name
                        + "\"\r\nContent-Type: application/octet-stream\r\n\r\n")
                .getBytes(StandardCharsets.UTF_8));
        body.writeBytes(content);
        body.writeBytes(("\r\n--" + BOUNDARY + "--\r\n").getBytes(StandardCharsets.UTF_8));
        return send(
                "POST",
                path,
                "multipart/form-data; boundary=" + BOUNDARY,
                BodyPublishers.ofByteArray(body.toByteArray()));
    }

    /** Signs in; the session is kept for all that follows. */
    public void signIn(String name, String password) {
        get("/api/session");
        post("/api/session", Map.of("name", name, "password", password));
    }

    private static BodyPublisher json(Object body) {
        return BodyPublishers.ofString(JSON.writeValueAsString(body));
    }

    private JsonNode send(String method, String path, String type, BodyPublisher body) {
        var request = HttpRequest.newBuilder(URI.create(address + path))
                .method(method, body)
                .header("Content-Type", type)
                .header("X-XSRF-TOKEN", token())
                .build();
        try {
            var response = http.send(request, BodyHandlers.ofString());
            if (response.statusCode() >= 300) {
                throw new IllegalStateException(
                        method + " " + path + " gave " + response.statusCode() + ": " + response.body());
            }
            return response.body().isEmpty() ? JSON.nullNode() : JSON.readTree(response.body());
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private String token() {
        return cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .map(java.net.HttpCookie::getValue)
                .findFirst()
                .orElse("none");
    }
}

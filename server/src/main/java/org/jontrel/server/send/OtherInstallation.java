package org.jontrel.server.send;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import org.jontrel.server.web.Refusal;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Another installation, as somebody with a token for one of its workspaces sees it. Redirects are not followed: a token is for
 * the address that somebody gave. Of what comes back, only what an installation says is told, and no more than a little.
 */
final class OtherInstallation {
    private static final Duration TO_CONNECT = Duration.ofSeconds(5);
    private static final Duration TO_ANSWER = Duration.ofSeconds(60);
    private static final int MOST_BYTES = 8 << 20;
    private static final int REFUSED = 300;
    private static final int CONFLICT = 409;
    private static final JsonMapper JSON = JsonMapper.shared();
    private static final HttpClient HTTP =
            HttpClient.newBuilder().connectTimeout(TO_CONNECT).build();

    private final URI address;
    private final String token;

    private OtherInstallation(URI address, String token) {
        this.address = address;
        this.token = token;
    }

    /** @throws Refusal where the address or the token cannot be one */
    static OtherInstallation at(String address, String token) {
        var given = address.strip();
        URI uri;
        try {
            uri = URI.create(given.endsWith("/") ? given : given + "/");
        } catch (IllegalArgumentException _) {
            throw noAddress(given);
        }
        if (uri.getHost() == null
                || uri.getUserInfo() != null
                || !List.of("http", "https").contains(uri.getScheme())) {
            throw noAddress(given);
        }
        var secret = token.strip();
        if (secret.isEmpty() || secret.chars().anyMatch(sign -> sign <= ' ' || sign > '~')) {
            throw Refusal.invalid("A token is one word. Copy it again from the page where it was made.", List.of());
        }
        return new OtherInstallation(uri, secret);
    }

    private static Refusal noAddress(String given) {
        return Refusal.invalid(
                given + " is no address of an installation. Give one such as https://models.example.org.", List.of());
    }

    JsonNode get(String path) {
        return send(request(path).GET());
    }

    JsonNode upload(String path, byte[] zip) {
        var boundary = "jontrel-" + UUID.randomUUID();
        var body = new ByteArrayOutputStream();
        body.writeBytes(("--" + boundary + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"package.zip\""
                        + "\r\nContent-Type: application/zip\r\n\r\n")
                .getBytes(StandardCharsets.UTF_8));
        body.writeBytes(zip);
        body.writeBytes(("\r\n--" + boundary + "--\r\n").getBytes(StandardCharsets.UTF_8));
        return send(request(path)
                .header("Content-Type", "multipart/form-data; boundary=" + boundary)
                .POST(BodyPublishers.ofByteArray(body.toByteArray())));
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(address.resolve(path))
                .timeout(TO_ANSWER)
                .header("Authorization", "Bearer " + token);
    }

    private JsonNode send(HttpRequest.Builder request) {
        HttpResponse<InputStream> response;
        byte[] body;
        try {
            response = HTTP.send(request.build(), BodyHandlers.ofInputStream());
            try (var in = response.body()) {
                body = in.readNBytes(MOST_BYTES);
            }
        } catch (IOException _) {
            throw Refusal.invalid(
                    "There is no answer from " + address + ". Check the address, and whether the installation runs.",
                    List.of());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
        try {
            var tree = JSON.readTree(body);
            if (response.statusCode() < REFUSED) {
                return tree;
            }
            var detail = tree.path("detail").asString("");
            if (!detail.isEmpty()) {
                throw refused(response.statusCode(), detail, tree);
            }
        } catch (JacksonException _) {
            // not an installation, or something before it
        }
        throw Refusal.invalid(
                address + " answered, but not as an installation does (" + response.statusCode()
                        + "). Is this its own address?",
                List.of());
    }

    private static Refusal refused(int status, String detail, JsonNode tree) {
        if (status == CONFLICT) {
            return Refusal.clash(
                    "The other installation answered: " + detail,
                    tree.path("clashes").valueStream().map(JsonNode::asString).toList());
        }
        return Refusal.invalid("The other installation answered: " + detail, List.of());
    }
}

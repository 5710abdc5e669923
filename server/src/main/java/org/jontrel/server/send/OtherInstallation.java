package org.jontrel.server.send;

import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.net.http.HttpClient;
import java.time.Duration;
import java.util.List;
import org.jontrel.serve.web.Refusal;
import org.springframework.core.io.ByteArrayResource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.client.JdkClientHttpRequestFactory;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.web.client.ResourceAccessException;
import org.springframework.web.client.RestClient;
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
    private static final RestClient HTTP = client();

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
        if (uri.getScheme().equals("http") && !isHere(uri.getHost())) {
            throw Refusal.invalid(
                    "The token would go to " + uri.getHost()
                            + " over plain HTTP, where everybody on the way reads it. Give an address with https.",
                    List.of());
        }
        var secret = token.strip();
        if (secret.isEmpty() || secret.chars().anyMatch(sign -> sign <= ' ' || sign > '~')) {
            throw Refusal.invalid("A token is one word. Copy it again from the page where it was made.", List.of());
        }
        return new OtherInstallation(uri, secret);
    }

    private static boolean isHere(String host) {
        try {
            return InetAddress.getByName(host).isLoopbackAddress();
        } catch (UnknownHostException _) {
            return false;
        }
    }

    private static Refusal noAddress(String given) {
        return Refusal.invalid(
                given + " is no address of an installation. Give one such as https://models.example.org.", List.of());
    }

    private static RestClient client() {
        var factory = new JdkClientHttpRequestFactory(
                HttpClient.newBuilder().connectTimeout(TO_CONNECT).build());
        factory.setReadTimeout(TO_ANSWER);
        return RestClient.builder().requestFactory(factory).build();
    }

    JsonNode get(String path) {
        return send(HTTP.get().uri(address.resolve(path)));
    }

    JsonNode upload(String path, byte[] zip) {
        var parts = new LinkedMultiValueMap<String, Object>();
        parts.add("file", new ByteArrayResource(zip) {
            @Override
            public String getFilename() {
                return "package.zip";
            }
        });
        return send(HTTP.post()
                .uri(address.resolve(path))
                .contentType(MediaType.MULTIPART_FORM_DATA)
                .body(parts));
    }

    private record RawAnswer(int status, byte[] body) {}

    private JsonNode send(RestClient.RequestHeadersSpec<?> request) {
        RawAnswer answer;
        try {
            answer = request.header(HttpHeaders.AUTHORIZATION, "Bearer " + token)
                    .exchange((_, response) -> new RawAnswer(
                            response.getStatusCode().value(), response.getBody().readNBytes(MOST_BYTES)));
        } catch (ResourceAccessException _) {
            throw Refusal.invalid(
                    "There is no answer from " + address + ". Check the address, and whether the installation runs.",
                    List.of());
        }
        try {
            var tree = JSON.readTree(answer.body());
            if (answer.status() < REFUSED) {
                return tree;
            }
            var detail = tree.path("detail").asString("");
            if (!detail.isEmpty()) {
                throw refused(answer.status(), detail, tree);
            }
        } catch (JacksonException _) {
            // not an installation, or something before it
        }
        throw Refusal.invalid(
                address + " answered, but not as an installation does (" + answer.status()
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

package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Bodies that are too long, come too slowly or never end; and what would keep the processor from everybody else. */
public class BodiesTest {
    private static final String LONG = "\"" + "x".repeat(1_200_000) + "\"";
    private OrchardServer server;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.start();
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    @Test(dataProvider = "unfit")
    public void whatDoesNotFitIsToldWithItsPlace(String body, String told) {
        var answer = server.anna.send("PUT", "/api/workspaces/orchard/draft/definitions/t1", body);
        assertEquals(answer.statusCode(), 400);
        assertTrue(answer.body().contains(told), answer.body());
    }

    @DataProvider
    Object[][] unfit() {
        return new Object[][] {
            {"{}", "base must not be null; definition must not be null; sort must not be blank."},
            {"{\"sort\": \"type\", \"base\": \"many\"}", "of another kind than is taken at base."},
            {"{\"sent\": [{}, 7]}", "of another kind than is taken at sent[1]."},
            {"{\n  \"sort\": type}", "cannot be read as JSON at line 2, column 1"},
            {"[]", "not of the form that is expected"},
            {"", "has no body"},
        };
    }

    @Test
    public void whatIsTooLongIsRefusedBeforeItIsRead() {
        var answer = server.anna.send("POST", "/api/workspaces/orchard/draft/infer", LONG);
        assertEquals(answer.statusCode(), 413);
        assertTrue(answer.body().contains("1 MB"), answer.body());
        assertEquals(
                server.session()
                                .send("POST", "/api/session", LONG.substring(0, 20_000))
                                .statusCode()
                        / 100,
                4);
    }

    @Test
    public void whatDoesNotSayHowLongItIsIsReadNoFurtherEither() throws Exception {
        var request = HttpRequest.newBuilder(URI.create(server.address() + "/api/workspaces/orchard/draft/infer"))
                .header("Content-Type", "application/json")
                .header("X-XSRF-TOKEN", server.anna.cookie("XSRF-TOKEN"))
                .POST(HttpRequest.BodyPublishers.ofInputStream(
                        () -> new ByteArrayInputStream(LONG.getBytes(StandardCharsets.UTF_8))))
                .build();
        assertEquals(
                server.anna
                        .http
                        .send(request, HttpResponse.BodyHandlers.ofString())
                        .statusCode(),
                413);
    }

    @Test
    public void whatIsHalfSentDoesNotStayOpen() throws IOException {
        var address = URI.create(server.address());
        for (var half : new String[] {
            "POST /api/session HTTP/1.1\r\nHost: x\r\nContent-Type: application/json\r\nContent-Length: 50\r\n\r\n{\"na",
            "POST /api/session HTTP/1.1\r\nHost: x\r\nConte"
        }) {
            try (var socket = new Socket(address.getHost(), address.getPort())) {
                socket.getOutputStream().write(half.getBytes(StandardCharsets.US_ASCII));
                socket.getOutputStream().flush();
                socket.getInputStream().readAllBytes();
            }
        }
    }

    @Test
    public void aPatternOrALineFreezesNobody() {
        var anna = server.anna;
        var long1 = "word ".repeat(150_000);
        var fields = anna.ok(
                "POST", "/api/workspaces/orchard/draft/infer", Map.of("text", long1, "taken", java.util.List.of()));
        assertEquals(fields.size(), 1);
    }

    /** A stranger's upload is refused before it is read: it never ends here, and the answer comes all the same. */
    @Test
    public void strangersUploadsAndFormsAreNotReadFirst() throws IOException {
        var address = URI.create(server.address());
        for (var way : new String[] {
            "POST /api/sites/field/types/tree/fields/papers/files HTTP/1.1\r\nContent-Type: multipart/form-data; boundary=b",
            "POST /api/session HTTP/1.1\r\nContent-Type: multipart/form-data; boundary=b",
            "PUT /api/workspaces/orchard/draft/definitions/x HTTP/1.1\r\nContent-Type: application/x-www-form-urlencoded"
        }) {
            try (var socket = new Socket(address.getHost(), address.getPort())) {
                var out = socket.getOutputStream();
                out.write((way + "\r\nHost: x\r\nTransfer-Encoding: chunked\r\n\r\n10\r\n--b\r\nContent-Dis\r\n")
                        .getBytes(StandardCharsets.US_ASCII));
                out.flush();
                var answer = new byte[12];
                socket.getInputStream().readNBytes(answer, 0, answer.length);
                var status = new String(answer, StandardCharsets.US_ASCII);
                assertTrue(status.matches("HTTP/1.1 4(01|03|15)"), way + ": " + status);
            }
        }
    }

    /** Whoever sends a package slowly holds none of the few places for work on models. */
    @Test
    public void aHalfSentPackageKeepsNobodyFromWork() throws IOException, InterruptedException {
        var secret = server.anna
                .ok(
                        "POST",
                        "/api/workspaces/orchard/access-tokens",
                        Map.of("name", "slow", "scopes", java.util.List.of("draft")))
                .get("secret")
                .asString();
        var address = URI.create(server.address());
        var open = new java.util.ArrayList<Socket>();
        try {
            for (int i = 0; i <= Runtime.getRuntime().availableProcessors(); i++) {
                var socket = new Socket(address.getHost(), address.getPort());
                open.add(socket);
                socket.getOutputStream()
                        .write(
                                ("POST /api/workspaces/orchard/draft/package/merge HTTP/1.1\r\nHost: x\r\nAuthorization: Bearer "
                                                + secret
                                                + "\r\nContent-Type: multipart/form-data; boundary=b\r\nContent-Length: 5000"
                                                + "\r\n\r\n--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"a.zip\"\r\n\r\nPK")
                                        .getBytes(StandardCharsets.US_ASCII));
                socket.getOutputStream().flush();
            }
            // the others have come by then, and wait for the rest of their bodies
            java.util.concurrent.TimeUnit.SECONDS.sleep(1);
            server.anna.ok("GET", "/api/workspaces/orchard/draft/changes", null);
        } finally {
            for (var socket : open) {
                socket.close();
            }
        }
    }

    @Test
    public void whatTakesTooLongIsGivenUp() {
        try (var hasty = OrchardServer.empty("--jontrel.longest-work=PT0S")) {
            for (int times = 0; times < 4; times++) {
                var answer = hasty.anna.send(
                        "POST",
                        "/api/workspaces/orchard/draft/infer",
                        Map.of("text", "Length\t\n12 m\t\n", "taken", java.util.List.of()));
                assertEquals(answer.statusCode(), 503);
                assertTrue(answer.body().contains("smaller parts"), answer.body());
            }
        }
    }
}

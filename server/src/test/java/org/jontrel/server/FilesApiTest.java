package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayOutputStream;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;

/** Who may have the bytes and names of uploaded files, and which part of them. */
public class FilesApiTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final String TEXT = "0123456789".repeat(200_000);
    private OrchardServer server;
    private Session anna;
    private Session visitor;
    private Session program;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.start();
        anna = server.anna;
        visitor = server.session();
        program = server.program("Kiosk", "viewer");
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private long uploaded(String text) throws Exception {
        var body = new ByteArrayOutputStream();
        body.write(("--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"secret-name.txt\"\r\n"
                        + "Content-Type: text/plain\r\n\r\n" + text + "\r\n--b--\r\n")
                .getBytes(StandardCharsets.UTF_8));
        var answer = anna.sendBytes(
                "/api/sites/field/types/tree/fields/papers/files",
                "multipart/form-data; boundary=b",
                body.toByteArray());
        assertEquals(answer.statusCode(), 201, answer.body());
        return JSON.readTree(answer.body()).get("id").asLong();
    }

    private static HttpResponse<String> bytes(Session session, long id) {
        return session.send("GET", "/at/field/media/" + id, null);
    }

    private void state(long tree, String state, long file) {
        var path = "/api/sites/field/types/tree/records/" + tree;
        var version = anna.ok("GET", path, null).at("/record/version").asInt();
        anna.ok(
                "PUT",
                path,
                Map.of("version", version, "state", state, "values", Map.of("title", "T " + tree, "papers", file)));
    }

    @Test
    public void everybodyHasWhatIsPublishedAndNothingElse() throws Exception {
        long file = uploaded("not yet for everybody");
        long tree = server.add("tree", Map.of("title", "Has a paper"), "draft");
        for (var state : List.of("unused", "draft", "published", "draft")) {
            if (!state.equals("unused")) {
                state(tree, state, file);
            }
            boolean published = state.equals("published");
            int status = published ? 200 : 404;
            var answer = bytes(visitor, file);
            assertEquals(answer.statusCode(), status, state);
            assertEquals(
                    visitor.send("GET", "/at/field/api/media/" + file, null).statusCode(), status, state);
            assertEquals(answer.headers().map().toString().contains("secret-name"), published, state);
            for (var reader : List.of(anna, program)) {
                var whole = bytes(reader, file);
                assertEquals(whole.body(), "not yet for everybody", state);
                var cached = whole.headers().firstValue("Cache-Control").orElseThrow();
                assertEquals(cached.contains("public"), published, state);
            }
        }
        assertTrue(file > 1L << 40, "numbers of files are not counted up");
    }

    @DataProvider
    public Object[][] ranges() {
        int size = TEXT.length();
        return new Object[][] {
            {"bytes=0-9", 206, 0, 10},
            {"bytes=10-", 206, 10, size},
            {"bytes=-7", 206, size - 7, size},
            {"bytes=1048575-1048576", 206, 1_048_575, 1_048_577},
            {"bytes=1999999-5000000", 206, 1_999_999, size},
            {"bytes=2000000-", 416, 0, 0},
            {"bytes=9-1", 416, 0, 0},
            {"bytes=x", 416, 0, 0},
            {"bytes=0-,0-,0-,0-", 200, 0, size},
        };
    }

    @Test(dataProvider = "ranges")
    public void partsAreJustTheParts(String range, int status, int from, int to) throws Exception {
        long file = uploaded(TEXT);
        var session = server.session()
                .with("Authorization", program.header("Authorization"))
                .with("Range", range);
        var answer = bytes(session, file);
        assertEquals(answer.statusCode(), status);
        if (status != 416) {
            assertEquals(answer.body(), TEXT.substring(from, to));
        }
        if (status == 206) {
            assertEquals(
                    answer.headers().firstValue("Content-Range").orElseThrow(),
                    "bytes " + from + "-" + (to - 1) + "/" + TEXT.length());
            var tag = answer.headers().firstValue("ETag").orElseThrow();
            assertEquals(bytes(session.with("If-Range", tag), file).statusCode(), 206);
            assertEquals(bytes(session.with("If-Range", "\"other\""), file).statusCode(), 200);
        }
    }

    @Test
    public void whoHasAFileGetsOnlyThat() throws Exception {
        long file = uploaded("the same");
        var tag = bytes(program, file).headers().firstValue("ETag").orElseThrow();
        var session = server.session()
                .with("Authorization", program.header("Authorization"))
                .with("If-None-Match", tag);
        var answer = bytes(session, file);
        assertEquals(answer.statusCode(), 304);
        assertFalse(answer.headers().firstValue("ETag").isEmpty());
        assertEquals(answer.body(), "");
    }

    @Test
    public void uploadsStopBeforeTheDiskIsFull() throws Exception {
        var full = OrchardServer.start("--jontrel.least-free-megabytes=1000000000");
        try {
            var answer = full.anna.sendBytes(
                    "/api/sites/field/types/tree/fields/papers/files",
                    "multipart/form-data; boundary=b",
                    ("--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"a.txt\"\r\n\r\nx\r\n--b--\r\n")
                            .getBytes(StandardCharsets.UTF_8));
            assertEquals(answer.statusCode(), 507, answer.body());
            assertTrue(answer.body().contains("too little room"), answer.body());
        } finally {
            full.close();
        }
    }
}

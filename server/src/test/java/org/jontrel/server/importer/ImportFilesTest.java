package org.jontrel.server.importer;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import org.jontrel.server.OrchardServer;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Pictures and files that come beside rows, alone and in ZIP files, and are named by them. */
public class ImportFilesTest {
    private static final String IMPORTS = "/api/sites/field/imports";
    private static final String TREES =
            "Title;Tag;Lead image;Photos;Papers\nOld Jane;T-1;oak-front.png;Bark.PNG, photos/leaf.png;jane.txt\n"
                    + "Tom;T-2;gone.png;;\nSara;T-3;;;\n";
    private OrchardServer server;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.edited(Map.of());
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private static byte[] picture(int colour) throws IOException {
        var image = new BufferedImage(64, 48, BufferedImage.TYPE_INT_RGB);
        image.setRGB(3, 3, colour);
        var out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    private static byte[] zip(Map<String, byte[]> files) throws IOException {
        var out = new ByteArrayOutputStream();
        try (var zip = new ZipOutputStream(out)) {
            for (var file : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(file.getKey()));
                zip.write(file.getValue());
            }
        }
        return out.toByteArray();
    }

    private JsonNode json(String path, Map<String, byte[]> files) throws Exception {
        var answer = server.anna.sendFiles(path, files);
        assertTrue(answer.statusCode() < 300, answer.body());
        return JsonMapper.shared().readTree(answer.body());
    }

    private List<String> library() {
        return server.anna
                .ok("GET", "/api/sites/field/media", null)
                .valueStream()
                .map(each ->
                        each.path("name").asString() + ": " + each.path("alt").asString())
                .sorted()
                .toList();
    }

    /** Sends the trees, mapped with several photos to a cell. */
    private String sent() throws Exception {
        var sent = json(IMPORTS, Map.of("trees.csv", TREES.getBytes(StandardCharsets.UTF_8)));
        var at = IMPORTS + "/" + sent.at("/progress/id").asLong();
        var text = sent.get("mapping").toString().replace("\"column\":\"Photos\"", "\"column\":\"Photos\",\"was\":1");
        var mapping =
                (tools.jackson.databind.node.ObjectNode) JsonMapper.shared().readTree(text);
        mapping.at("/sheets/0/columns").valueStream().forEach(each -> {
            var column = (tools.jackson.databind.node.ObjectNode) each;
            column.remove("was");
            if (column.get("column").asString().equals("Photos")) {
                column.put("separator", ",");
            }
        });
        server.anna.ok(
                "PUT", at + "/mapping?revision=" + sent.at("/progress/revision").asInt(), mapping);
        return at;
    }

    @Test
    public void picturesAreNamedByRowsAndGoWithAnImportThatNeverCame() throws Exception {
        var at = sent();
        var tried = server.worked(at, "try", "tried");
        assertEquals(tried.at("/sheets/0/outcomes/failed").asLong(), 2);
        assertTrue(
                tried.get("problems").toString().contains("there is no picture or file called “oak-front.png”"),
                tried.get("problems").toString());

        var files = new LinkedHashMap<String, byte[]>();
        files.put("photos/bark.png", picture(1));
        files.put("photos/leaf.png", picture(2));
        files.put("__MACOSX/photos/._leaf.png", new byte[] {1});
        files.put(".hidden", new byte[] {1});
        files.put("photos/torn.png", Arrays.copyOf(picture(3), 40));
        files.put("jane.txt", "Planted in 1790.".getBytes(StandardCharsets.UTF_8));
        var answer = json(
                at + "/files", Map.of("all.zip", zip(files), "oak-front.png", picture(4), "broken.zip", new byte[99]));
        assertEquals(answer.get("kept").asInt(), 5, answer.toString());
        assertTrue(answer.get("refused").toString().contains("broken.zip"), answer.toString());
        assertEquals(answer.at("/details/progress/state").asString(), "ready");
        tried = server.worked(at, "try", "tried");
        assertEquals(
                tried.at("/sheets/0/outcomes/failed").asLong(),
                1,
                tried.get("problems").toString());
        assertEquals(library().size(), 5);

        server.worked(at, "run", "done");
        assertTrue(library().contains("oak-front.png: Old Jane"), library().toString());
        assertTrue(library().contains("bark.png: Old Jane"), library().toString());
        server.worked(at, "undo", "undone");
        assertEquals(library().size(), 5, "so that it can be brought again");
        assertEquals(server.anna.send("DELETE", at, null).statusCode(), 204);
        assertEquals(library(), List.of());
    }

    @Test(dependsOnMethods = "picturesAreNamedByRowsAndGoWithAnImportThatNeverCame")
    public void whatRecordsUseStaysAndIsFoundInTheLibraryNextTime() throws Exception {
        var at = sent();
        json(
                at + "/files",
                Map.of(
                        "oak-front.png",
                        picture(4),
                        "bark.png",
                        picture(1),
                        "leaf.png",
                        picture(2),
                        "jane.txt",
                        new byte[] {65}));
        server.worked(at, "try", "tried");
        server.worked(at, "run", "done");
        var late = server.anna.sendFiles(at + "/files", Map.of("late.png", picture(7)));
        assertEquals(late.statusCode(), 409, late.body());
        server.anna.ok("DELETE", at, null);
        assertEquals(library().size(), 4);
        var again = server.worked(sent(), "try", "tried");
        assertEquals(again.at("/sheets/0/outcomes/same").asLong(), 2, again.toString());
    }

    @Test(dependsOnMethods = "whatRecordsUseStaysAndIsFoundInTheLibraryNextTime")
    public void aSmallFileThatHoldsTooMuchFillsNoDisk() throws Exception {
        var at = sent();
        var before = library();
        var heavy = json(at + "/files", Map.of("heavy.zip", zip(Map.of("a.bin", new byte[(100 << 20) + 1]))));
        assertTrue(heavy.get("refused").toString().contains("“a.bin” has more than 100 MB"), heavy.toString());
        var many = new LinkedHashMap<String, byte[]>();
        for (int i = 0; i <= 10_000; i++) {
            many.put(i + ".png", new byte[0]);
        }
        var crowd = json(at + "/files", Map.of("crowd.zip", zip(many)));
        assertTrue(crowd.get("refused").toString().contains("holds more than 10000 files"), crowd.toString());
        assertEquals(crowd.get("kept").asInt(), 0);
        assertEquals(library(), before);
    }
}

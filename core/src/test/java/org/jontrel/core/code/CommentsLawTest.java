package org.jontrel.core.code;

import static org.testng.Assert.assertEquals;

import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.TreeMap;
import org.jontrel.core.Examples;
import org.testng.annotations.Test;

/** No comment of the examples is lost, wherever it stands. */
public class CommentsLawTest extends CommentedFiles {
    /** A law: of comments put anywhere none is lost or doubled, the model is the same, and formatting again changes nothing. */
    @Test(dataProvider = "examples")
    public void noCommentIsLostWhereverItStands(Path folder) {
        var plain = Examples.files(folder);
        var model = PackageReader.read(plain, List.of()).content().orElseThrow().model();
        for (int seed = 0; seed < 100; seed++) {
            var draw = new Random(seed);
            var files = new TreeMap<String, byte[]>();
            plain.forEach((name, bytes) ->
                    files.put(name, commented(new String(bytes), draw).getBytes()));
            var once = formatted(files, "seed " + seed);
            for (var file : files.entrySet()) {
                assertEquals(
                        marks(text(once, file.getKey())),
                        marks(new String(file.getValue())),
                        "seed " + seed + " " + file.getKey() + "\n" + new String(file.getValue()) + "\n=>\n"
                                + text(once, file.getKey()));
            }
            var twice = formatted(once, "seed " + seed);
            once.forEach((name, bytes) -> assertEquals(text(twice, name), new String(bytes), name));
            var content = PackageReader.read(once, List.of()).content().orElseThrow();
            assertEquals(
                    content.model().definitions().size(), model.definitions().size());
        }
    }
}

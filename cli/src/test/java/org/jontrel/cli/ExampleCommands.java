package org.jontrel.cli;

import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.TreeMap;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;

/** Commands over a copy of the published example. */
abstract class ExampleCommands {
    static final Path DOCS = Path.of("../docs/format");
    static final Path EXAMPLE = DOCS.resolve("example");
    static final Path SEED_BANK = Path.of("../examples/seed-bank");
    Path copy;

    @BeforeMethod
    public void copy() throws IOException {
        copy = Files.createTempDirectory("seeds");
        try (var files = Files.walk(SEED_BANK)) {
            for (var file : files.filter(Files::isRegularFile).toList()) {
                var to = copy.resolve(SEED_BANK.relativize(file));
                Files.createDirectories(to.getParent());
                Files.copy(file, to);
            }
        }
    }

    void edit(String file, String before, String after) throws IOException {
        var text = Files.readString(copy.resolve(file));
        assertTrue(text.contains(before), file + " has " + before);
        Files.writeString(copy.resolve(file), text.replace(before, after));
    }

    static TreeMap<String, String> texts(Path folder) throws IOException {
        var texts = new TreeMap<String, String>();
        try (var files = Files.walk(folder)) {
            for (var file : files.filter(Files::isRegularFile).toList()) {
                texts.put(folder.relativize(file).toString(), Files.readString(file));
            }
        }
        return texts;
    }

    @DataProvider
    public Object[][] packages() {
        return new Object[][] {{EXAMPLE}, {SEED_BANK}};
    }
}

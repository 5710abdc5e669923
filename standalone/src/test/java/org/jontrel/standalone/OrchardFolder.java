package org.jontrel.standalone;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import org.jontrel.core.code.PackageFiles;

/** The orchard's definitions in a folder of their own, which tests write in. */
record OrchardFolder(Path path) {
    private static final Path ORIGINAL = Path.of("../site/src/test/resources/orchard");

    static OrchardFolder fresh() throws IOException {
        var folder = Files.createTempDirectory("orchard");
        for (var file : PackageFiles.read(ORIGINAL, new ArrayList<>()).entrySet()) {
            var target = folder.resolve(file.getKey());
            Files.createDirectories(target.getParent());
            Files.write(target, file.getValue());
        }
        return new OrchardFolder(folder);
    }

    OrchardFolder version(String version) throws IOException {
        return file("package.yaml", "name: orchard\nversion: " + version + "\ntitle: Orchard\n");
    }

    OrchardFolder edit(String file, String text, String by) throws IOException {
        var before = Files.readString(path.resolve(file));
        if (!before.contains(text)) {
            throw new IllegalArgumentException(file + " has no " + text);
        }
        return file(file, before.replace(text, by));
    }

    OrchardFolder file(String file, String text) throws IOException {
        Files.createDirectories(path.resolve(file).getParent());
        Files.writeString(path.resolve(file), text);
        return this;
    }

    /** As one file beside others. */
    Path zipped(Path folder, String name) throws IOException {
        var files = PackageFiles.read(path, new ArrayList<>());
        return Files.write(folder.resolve(name), PackageFiles.toZip(files));
    }

    static byte[] torn(Path zip) throws IOException {
        var bytes = Files.readAllBytes(zip);
        return new String(bytes, StandardCharsets.ISO_8859_1)
                .substring(0, bytes.length / 2)
                .getBytes(StandardCharsets.ISO_8859_1);
    }
}

package org.jontrel.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.TreeMap;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;

/** Folders of a package, as the commands take them. */
abstract class PackageFolders {
    static final String TYPE = """
            key: mooring
            singular: Mooring
            plural: Moorings
            path: moorings
            groups:
              - title: Berth
                fields:
                  - {key: length_m, label: Length, kind: number, decimals: 1, unit: m}
                  - {key: name, label: Name, kind: text}
            """;
    Path root;
    Path folder;

    @BeforeMethod
    public void write() throws IOException {
        root = Files.createTempDirectory("files");
        folder = made("package", Map.of("types/mooring.yaml", TYPE));
    }

    Path made(String name, Map<String, String> files) throws IOException {
        var made = root.resolve(name);
        put(made, "package.yaml", "format: 3\nname: tessel\nversion: \"1.0.0\"\n");
        for (var file : files.entrySet()) {
            put(made, file.getKey(), file.getValue());
        }
        return made;
    }

    static void put(Path folder, String name, String text) throws IOException {
        Files.createDirectories(folder.resolve(name).getParent());
        Files.writeString(folder.resolve(name), text);
    }

    static TreeMap<String, String> texts(Path folder) throws IOException {
        var texts = new TreeMap<String, String>();
        try (var walk = Files.walk(folder)) {
            for (var file : walk.filter(Files::isRegularFile).toList()) {
                texts.put(folder.relativize(file).toString(), Files.readString(file));
            }
        }
        return texts;
    }

    @DataProvider
    public Object[][] zips() {
        return new Object[][] {
            {new String[] {".DS_Store", "README", "LICENSE", "a b.txt", "__MACOSX/._x.yaml", ".git/x.yaml"}, ""},
            {new String[] {"../x.txt"}, "ARCHIVE_NAME_UNSAFE"},
            {new String[] {"types/../../x.yaml"}, "ARCHIVE_NAME_UNSAFE"},
        };
    }

    CommandResult driver(String base, String ours, String theirs, String path) throws IOException {
        put(root, "O", base);
        put(root, "A", ours);
        put(root, "B", theirs);
        return CommandResult.run(
                "merge",
                root.resolve("O"),
                root.resolve("A"),
                root.resolve("B"),
                "-o",
                root.resolve("A"),
                "--path",
                path);
    }

    String merged() throws IOException {
        return Files.readString(root.resolve("A"));
    }
}

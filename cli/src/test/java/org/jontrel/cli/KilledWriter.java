package org.jontrel.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jontrel.cli.io.FolderWriter;

/** Writes three files and ends as a killed process does, after so many steps. */
final class KilledWriter {
    private KilledWriter() {}

    public static void main(String[] arguments) throws Exception {
        int step = Integer.parseInt(arguments[1]);
        var folder = Path.of(arguments[0]);
        var files = new TreeMap<String, byte[]>(Map.of(
                "package.yaml", "name: other\n".getBytes(),
                "types/a.yaml", "key: a\n".getBytes(),
                "types/b.yaml", "key: b\n".getBytes()));
        FolderWriter.write(folder, files, List.of("types/mooring.yaml"), done -> {
            if (done == step) {
                Runtime.getRuntime().halt(137);
            }
        });
    }
}

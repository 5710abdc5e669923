package org.jontrel.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.SortedMap;
import org.jontrel.core.code.PackageFiles;

/** Writes files to where the command line says. */
final class Target {
    private Target() {}

    /** Writes only what differs from what is there, so that times of unchanged files stay. */
    static void write(Path to, Source.Sort sort, SortedMap<String, byte[]> files) throws IOException {
        switch (sort) {
            case FOLDER -> {
                for (var file : files.entrySet()) {
                    put(to.resolve(file.getKey()), file.getValue());
                }
            }
            case ZIP -> put(to, PackageFiles.toZip(files));
            case FILE -> {
                for (var content : files.values()) {
                    put(to, content);
                }
            }
        }
    }

    private static void put(Path file, byte[] content) throws IOException {
        if (Files.exists(file) && java.util.Arrays.equals(Files.readAllBytes(file), content)) {
            return;
        }
        if (file.getParent() != null) {
            Files.createDirectories(file.getParent());
        }
        Files.write(file, content);
    }
}

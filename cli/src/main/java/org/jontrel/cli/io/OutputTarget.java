package org.jontrel.cli.io;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;

/** Writes files to where the command line says: all of them or none. */
public final class OutputTarget {
    private OutputTarget() {}

    /** @param removed names of files that go */
    public static void write(
            Path to, PackageSource.SourceType sort, SortedMap<String, byte[]> files, List<String> removed)
            throws IOException {
        switch (sort) {
            case FOLDER -> FolderWriter.write(to, files, removed);
            case ZIP -> FolderWriter.replace(to, PackageFiles.toZip(files));
            case FILE -> {
                for (var content : files.values()) {
                    FolderWriter.replace(to, content);
                }
            }
        }
    }

    /** The files of definitions and decisions in a folder that are not among some; any other file is nobody's business. */
    public static List<String> stale(Path folder, SortedMap<String, byte[]> files) throws IOException {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        return PackageFiles.read(folder, new ArrayList<>()).keySet().stream()
                .filter(name -> !files.containsKey(name) && PackageReader.isOfPackage(name))
                .toList();
    }
}

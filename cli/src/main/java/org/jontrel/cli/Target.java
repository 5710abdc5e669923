package org.jontrel.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.SortedMap;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.model.Definition;

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

    /**
     * Removes definitions that stand in files of other names: each is now in its canonical file, and would be there
     * twice. Gives the names of what was removed.
     */
    static List<String> removeOld(Path folder, Source source, SortedMap<String, byte[]> now) throws IOException {
        var removed = new ArrayList<String>();
        if (source.sort() != Source.Sort.FOLDER) {
            return removed;
        }
        var definitions = new HashSet<String>(List.of("migrations"));
        for (var sort : Definition.Sort.values()) {
            definitions.add(sort.folder());
        }
        for (var name : source.files().keySet()) {
            int slash = name.indexOf('/');
            if (slash > 0 && definitions.contains(name.substring(0, slash)) && !now.containsKey(name)) {
                Files.delete(folder.resolve(name));
                removed.add(name);
            }
        }
        return removed;
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

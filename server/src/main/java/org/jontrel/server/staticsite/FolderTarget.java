package org.jontrel.server.staticsite;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/** The files of a site in a folder. */
record FolderTarget(Path folder) implements StaticTarget {
    /** The folder, made where it is not there; throws where something is in it already. */
    static FolderTarget empty(Path folder) throws IOException {
        Files.createDirectories(folder);
        try (var there = Files.list(folder)) {
            if (there.findAny().isPresent()) {
                throw new IOException(folder + " has files in it. Name a folder that is empty or not there yet.");
            }
        }
        return new FolderTarget(folder);
    }

    @Override
    public void write(String path, InputStream bytes) throws IOException {
        var file = folder.resolve(path).normalize();
        if (!file.startsWith(folder.normalize())) {
            throw new IOException(path + " would be outside of " + folder + ".");
        }
        Files.createDirectories(file.getParent());
        Files.copy(bytes, file, StandardCopyOption.REPLACE_EXISTING);
    }
}

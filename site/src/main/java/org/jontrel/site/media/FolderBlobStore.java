package org.jontrel.site.media;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Optional;

/** Bytes in a folder: written aside and moved into place, so that no reader meets half a file. */
final class FolderBlobStore implements BlobStore {
    private static final String NAME = "[0-9a-f]{64}(-[0-9]{1,5})?";
    private final Path folder;

    FolderBlobStore(Path folder) {
        this.folder = folder;
    }

    /** Whether it is content, and not something written aside or somebody else's. */
    static boolean isContent(Path file) {
        return file.getFileName().toString().matches(NAME) && Files.isRegularFile(file);
    }

    /** Names are hexadecimal digits with perhaps a width behind; nothing else becomes a path. */
    private Path path(String name) {
        if (!name.matches(NAME)) {
            throw new IllegalArgumentException("Not the name of a content: " + name);
        }
        return folder.resolve(name.substring(0, 2)).resolve(name);
    }

    @Override
    public boolean has(String name) {
        return Files.exists(path(name));
    }

    @Override
    public void put(String name, Bytes bytes) throws IOException {
        var path = path(name);
        Files.createDirectories(path.getParent());
        var aside = Files.createTempFile(path.getParent(), "aside", "");
        try (var in = bytes.open()) {
            Files.copy(in, aside, StandardCopyOption.REPLACE_EXISTING);
            Files.move(aside, path, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(aside);
        }
    }

    @Override
    public Optional<Bytes> get(String name) {
        try {
            return Optional.of(Bytes.of(path(name)));
        } catch (NoSuchFileException _) {
            return Optional.empty();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void remove(String name) {
        try {
            Files.deleteIfExists(path(name));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

package org.jontrel.cli.remote;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jontrel.cli.io.FolderWriter;
import org.jontrel.cli.io.OutputTarget;
import org.jontrel.cli.io.PackageSource;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;

/**
 * A folder of definitions that came from a draft or goes into one. What both had in common last lies in the hidden folder
 * {@code .jontrel}, which keeps itself out of version control; without it, the release that the folder's version names is
 * what both had in common.
 */
final class Checkout {
    private static final String HIDDEN = ".jontrel";
    private static final String BASE = "base.zip";
    private final Path folder;

    Checkout(Path folder) {
        this.folder = folder;
    }

    Path folder() {
        return folder;
    }

    boolean isEmpty() {
        return !Files.exists(folder.resolve(PackageReader.MANIFEST));
    }

    /** @throws IOException where definitions lie in the folder that are of no package: they would be lost */
    void refuseOthers() throws IOException {
        var others = OutputTarget.stale(folder, new TreeMap<>());
        if (!others.isEmpty()) {
            throw new IOException(folder + " has no package.yaml, but definitions: " + String.join(", ", others)
                    + ". Add a package.yaml, or give an empty folder; nothing was written.");
        }
    }

    PackageSource read() throws IOException {
        return PackageSource.read(folder.toString());
    }

    /** What it and a draft had in common last. */
    Optional<SortedMap<String, byte[]>> base() throws IOException {
        var file = folder.resolve(HIDDEN).resolve(BASE);
        return Files.exists(file)
                ? Optional.of(PackageFiles.zip(Files.readAllBytes(file), new ArrayList<>()))
                : Optional.empty();
    }

    /** Keeps what both have in common now. */
    void keep(SortedMap<String, byte[]> common) throws IOException {
        var hidden = folder.resolve(HIDDEN);
        if (Files.isSymbolicLink(hidden)) {
            throw new IOException(hidden + " leads elsewhere. Remove it; it is made anew.");
        }
        Files.createDirectories(hidden);
        FolderWriter.replace(hidden.resolve(".gitignore"), "*\n".getBytes(StandardCharsets.UTF_8));
        FolderWriter.replace(hidden.resolve(BASE), PackageFiles.toZip(common));
    }

    /** Makes the folder's definitions just these files; others are left alone. */
    void write(SortedMap<String, byte[]> files) throws IOException {
        OutputTarget.write(folder, PackageSource.SourceType.FOLDER, files, OutputTarget.stale(folder, files));
    }

    /**
     * A package with what this folder's says of itself: name, version and licence of a draft are made up for each download, and
     * are no change.
     */
    static SortedMap<String, byte[]> under(byte[] manifest, SortedMap<String, byte[]> files) {
        var named = new TreeMap<>(files);
        named.put(PackageReader.MANIFEST, manifest);
        return named;
    }

    /** A package of files as they lie here. */
    static PackageReader.Result read(SortedMap<String, byte[]> files) {
        return PackageReader.read(files, new ArrayList<>());
    }
}

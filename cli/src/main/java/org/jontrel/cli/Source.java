package org.jontrel.cli;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.finding.Finding;

/**
 * What a PATH on the command line names: a folder, a zip, a single file of one definition, or {@code -} for such a
 * file (or a zip) on standard input.
 *
 * @param files the files as they were, by their names within the package
 */
record Source(Sort sort, PackageReader.Result read, SortedMap<String, byte[]> files) {
    static final String STANDARD = "-";

    /** What sort of thing a path names. */
    enum Sort {
        FOLDER,
        ZIP,
        FILE
    }

    /** @throws IOException with a sentence for people where the path cannot be read */
    static Source read(String path) throws IOException {
        if (path.equals(STANDARD)) {
            var bytes = System.in.readAllBytes();
            return isZip(bytes) ? zip(bytes) : file("standard input", bytes);
        }
        var at = Path.of(path);
        if (!Files.exists(at)) {
            throw new IOException(
                    "There is nothing at " + path + ". Give a folder, a zip or a file of one definition.");
        }
        if (Files.isDirectory(at)) {
            var findings = new ArrayList<Finding>();
            var files = PackageFiles.read(at, findings);
            return new Source(Sort.FOLDER, PackageReader.read(files, findings), files);
        }
        if (path.endsWith(".zip") || isZip(at)) {
            var findings = new ArrayList<Finding>();
            var files = PackageFiles.read(at, findings);
            return new Source(Sort.ZIP, PackageReader.read(files, findings), files);
        }
        return file(path, Files.readAllBytes(at));
    }

    private static Source zip(byte[] bytes) {
        var findings = new ArrayList<Finding>();
        var files = PackageFiles.zip(bytes, findings);
        return new Source(Sort.ZIP, PackageReader.read(files, findings), files);
    }

    private static Source file(String name, byte[] bytes) {
        return new Source(Sort.FILE, PackageReader.single(name, bytes, List.of()), new TreeMap<>(Map.of(name, bytes)));
    }

    /** Zips begin with the letters PK, text files of definitions never do. */
    private static boolean isZip(Path path) throws IOException {
        try (var in = Files.newInputStream(path)) {
            return isZip(in.readNBytes(2));
        }
    }

    private static boolean isZip(byte[] bytes) {
        return bytes.length >= 2 && bytes[0] == 'P' && bytes[1] == 'K';
    }

    Optional<ModelPackage> content() {
        return read.content();
    }

    List<Finding> findings() {
        return read.findings();
    }

    Source with(PackageReader.Result other) {
        return new Source(sort, other, files);
    }

    /** The content in canonical form, by the names of its files; a single file has an empty name. */
    static SortedMap<String, byte[]> canonical(Sort sort, ModelPackage content, Map<String, String> was) {
        if (sort != Sort.FILE) {
            return PackageWriter.write(content, was);
        }
        var files = new TreeMap<String, byte[]>();
        content.model()
                .definitions()
                .forEach(definition -> files.put(
                        "", PackageWriter.text(content.model(), definition, was).getBytes(StandardCharsets.UTF_8)));
        return files;
    }
}

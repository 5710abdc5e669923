package org.jontrel.cli;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Model;

/**
 * What a PATH on the command line names: a folder, a zip, a single file of one content type, or {@code -} for such a
 * file on standard input.
 *
 * @param content empty where reading found a blocker
 * @param files the files as they were, by their names within the package
 */
record Source(Sort sort, Optional<ModelPackage> content, SortedMap<String, byte[]> files, List<Finding> findings) {
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
            return file("standard input", System.in.readAllBytes());
        }
        var at = Path.of(path);
        if (!Files.exists(at)) {
            throw new IOException(
                    "There is nothing at " + path + ". Give a folder, a zip or a file of one content type.");
        }
        if (!Files.isDirectory(at) && !isZip(at)) {
            return file(path, Files.readAllBytes(at));
        }
        var findings = new ArrayList<Finding>();
        var files = PackageFiles.read(at, findings);
        var read = PackageReader.read(files, findings);
        return new Source(Files.isDirectory(at) ? Sort.FOLDER : Sort.ZIP, read.content(), files, read.findings());
    }

    private static Source file(String name, byte[] bytes) {
        var findings = new ArrayList<Finding>();
        var type = PackageReader.typeFromText(name, bytes, findings);
        var manifest = new Manifest(1, "file", "0.0.0", "", List.of(), "", "", "");
        var content = Finding.blocks(findings)
                ? Optional.<ModelPackage>empty()
                : type.map(each -> new ModelPackage(manifest, new Model(List.of(each)), List.of()));
        return new Source(Sort.FILE, content, new TreeMap<>(java.util.Map.of(name, bytes)), findings);
    }

    /** Zips begin with the letters PK, text files of definitions never do. */
    private static boolean isZip(Path path) throws IOException {
        try (var in = Files.newInputStream(path)) {
            var head = in.readNBytes(2);
            return path.toString().endsWith(".zip") || head.length == 2 && head[0] == 'P' && head[1] == 'K';
        }
    }

    Optional<Model> model() {
        return content.map(ModelPackage::model);
    }

    /** The content in canonical form, by the names of its files; a single file has an empty name. */
    static SortedMap<String, byte[]> canonical(Sort sort, ModelPackage content) {
        if (sort != Sort.FILE) {
            return PackageWriter.write(content);
        }
        var files = new TreeMap<String, byte[]>();
        content.model()
                .types()
                .forEach(type -> files.put("", PackageWriter.text(type).getBytes(StandardCharsets.UTF_8)));
        return files;
    }
}

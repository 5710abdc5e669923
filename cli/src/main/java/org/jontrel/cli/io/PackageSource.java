package org.jontrel.cli.io;

import java.io.IOException;
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
import org.jontrel.core.yaml.NodeCache;

/**
 * What a PATH on the command line names: a folder, a zip, a single file of one definition, or {@code -} for such a
 * file (or a zip) on standard input.
 *
 * @param files the files as they were, by their names within the package
 */
public record PackageSource(SourceType sort, PackageReader.Result read, SortedMap<String, byte[]> files) {
    public static final String STANDARD = "-";

    /** What sort of thing a path names. */
    public enum SourceType {
        FOLDER,
        ZIP,
        FILE
    }

    /** @throws IOException with a sentence for people where the path cannot be read */
    public static PackageSource read(String path) throws IOException {
        return read(path, new NodeCache());
    }

    /** @param cache has the files of other packages that were read before */
    public static PackageSource read(String path, NodeCache cache) throws IOException {
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
            FolderWriter.recover(at);
            var findings = new ArrayList<Finding>();
            var files = PackageFiles.read(at, findings);
            return new PackageSource(SourceType.FOLDER, PackageReader.read(files, findings, cache), files);
        }
        if (path.endsWith(".zip") || isZip(at)) {
            var findings = new ArrayList<Finding>();
            var files = PackageFiles.read(at, findings);
            return new PackageSource(SourceType.ZIP, PackageReader.read(files, findings), files);
        }
        return file(path, Files.readAllBytes(at));
    }

    private static PackageSource zip(byte[] bytes) {
        var findings = new ArrayList<Finding>();
        var files = PackageFiles.zip(bytes, findings);
        return new PackageSource(SourceType.ZIP, PackageReader.read(files, findings), files);
    }

    private static PackageSource file(String name, byte[] bytes) {
        return new PackageSource(
                SourceType.FILE, PackageReader.single(name, bytes, List.of()), new TreeMap<>(Map.of(name, bytes)));
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

    public Optional<ModelPackage> content() {
        return read.content();
    }

    public List<Finding> findings() {
        return read.findings();
    }

    public PackageSource with(PackageReader.Result other) {
        return new PackageSource(sort, other, files);
    }

    /** A file of a package on its own, as version control hands it over. @param inPackage its path in the package */
    public static PackageSource ofPackage(String path, String inPackage) throws IOException {
        var name = inPackage.substring(inPackage.lastIndexOf('/', inPackage.lastIndexOf('/') - 1) + 1);
        var bytes = Files.readAllBytes(Path.of(path));
        if (bytes.length == 0) {
            return new PackageSource(SourceType.FILE, PackageReader.nothing(), new TreeMap<>());
        }
        var sort = PackageReader.sortOf(inPackage);
        if (sort.isPresent()) {
            var read = PackageReader.single(name, bytes, sort, List.of());
            return new PackageSource(SourceType.FILE, read, new TreeMap<>(Map.of(name, bytes)));
        }
        var file = inPackage.substring(inPackage.lastIndexOf('/') + 1);
        if (file.equals(PackageReader.MANIFEST)) {
            return part(file, Map.of(file, bytes));
        }
        if (PackageReader.isOfPackage(name)) {
            return part(name, Map.of(name, bytes, PackageReader.MANIFEST, PackageReader.ANY_MANIFEST));
        }
        throw new IOException(inPackage + " is no file of a package, so it cannot be merged as one. Name the path that"
                + " it has in its package, such as types/mooring.yaml.");
    }

    private static PackageSource part(String name, Map<String, byte[]> files) {
        var all = new TreeMap<>(files);
        return new PackageSource(
                SourceType.FILE, PackageReader.read(all, List.of()), new TreeMap<>(Map.of(name, files.get(name))));
    }

    /**
     * The content in canonical form, in the files that it stands in; a single file has an empty name.
     *
     * @param rename whether files are named by what they define instead
     */
    public SortedMap<String, byte[]> canonical(ModelPackage content, boolean rename) {
        var formatting = rename ? read.formatting().withoutNames() : read.formatting();
        var written = PackageWriter.writeFolder(content, formatting, read.was());
        if (sort != SourceType.FILE) {
            return written;
        }
        var files = new TreeMap<String, byte[]>();
        this.files.keySet().forEach(name -> files.put("", written.get(name)));
        return files;
    }
}

package org.jontrel.cli.shelf;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.cli.io.FolderWriter;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.naming.Keys;
import org.jontrel.core.shelf.PackageShelf;
import org.jontrel.core.shelf.ShelfSignature;
import org.semver4j.Semver;

/**
 * A folder with a folder for each package: {@code NAME/VERSION.zip}, with {@code .sha256} and, where the shelf has a key, {@code .sig}
 * beside it. The public key is {@code shelf.pub}. Nothing in it is trusted that does not fit together.
 */
final class ShelfFolder implements PackageShelf {
    private static final String KEY = "shelf.pub";
    private static final String ZIP = ".zip";
    private final Path folder;
    private final Map<Path, ModelPackage> read = new HashMap<>();

    /** @throws IOException where there is no such folder */
    ShelfFolder(Path folder) throws IOException {
        if (!Files.isDirectory(folder)) {
            throw new IOException(
                    "There is no shelf at " + folder + ". A shelf is a folder; \"jontrel shelf publish\" fills it.");
        }
        this.folder = folder;
    }

    @Override
    public List<String> names() throws IOException {
        try (var all = Files.list(folder)) {
            return all.filter(Files::isDirectory)
                    .map(each -> each.getFileName().toString())
                    .filter(Keys::isPackageName)
                    .sorted()
                    .toList();
        }
    }

    @Override
    public List<ShelvedVersion> versions(String name) {
        if (!Keys.isPackageName(name) || !Files.isDirectory(folder.resolve(name))) {
            return List.of();
        }
        try (var all = Files.list(folder.resolve(name))) {
            var found = new ArrayList<ShelvedVersion>();
            for (var file : all.sorted().toList()) {
                var version = file.getFileName().toString().replaceAll("\\.zip$", "");
                if (file.toString().endsWith(ZIP) && Semver.isValid(version)) {
                    found.add(new ShelvedVersion(
                            version, take(name, version).content().manifest().requires()));
                }
            }
            return found;
        } catch (IOException e) {
            throw new UncheckedIOException(e.getMessage(), e);
        }
    }

    boolean has(String name, String version) {
        return Files.exists(path(name, version, ZIP));
    }

    private Path path(String name, String version, String ending) {
        if (!Keys.isPackageName(name) || !Semver.isValid(version)) {
            throw new IllegalArgumentException(name + " " + version + " is no name and version of a package.");
        }
        return folder.resolve(name).resolve(version + ending);
    }

    /** The public key; empty where the shelf has none. */
    Optional<String> key() throws IOException {
        var file = folder.resolve(KEY);
        return Files.exists(file) ? Optional.of(Files.readString(file).strip()) : Optional.empty();
    }

    @Override
    public ShelvedPackage take(String name, String version) throws IOException {
        var path = path(name, version, ZIP);
        var file = Files.readAllBytes(path);
        var sum = text(path(name, version, ".sha256"));
        if (!ShelfSignature.checksum(file).equals(sum)) {
            throw new IOException(
                    path + " is not what was published: its checksum differs. Nothing was taken from the shelf.");
        }
        var key = key();
        if (key.isPresent() && !ShelfSignature.holds(file, text(path(name, version, ".sig")), key.get())) {
            throw new IOException(path + " is not signed with the key of the shelf. Nothing was taken from it.");
        }
        return new ShelvedPackage(file, content(path, file, name, version), key.orElse(""));
    }

    private ModelPackage content(Path path, byte[] file, String name, String version) throws IOException {
        var known = read.get(path);
        if (known != null) {
            return known;
        }
        var content = content(file);
        if (content.isEmpty()
                || !content.get().manifest().name().equals(name)
                || !content.get().manifest().version().equals(version)) {
            throw new IOException(path + " holds no package " + name + " " + version + ". Publish it anew.");
        }
        read.put(path, content.get());
        return content.get();
    }

    /** What the file of a package holds; empty where that cannot be read. */
    static Optional<ModelPackage> content(byte[] file) {
        var findings = new ArrayList<Finding>();
        return PackageReader.read(PackageFiles.zip(file, findings), findings).content();
    }

    private static String text(Path file) throws IOException {
        return Files.exists(file) ? Files.readString(file).strip() : "";
    }

    /**
     * The file comes last, so a package that is seen is whole.
     *
     * @param keys both keys of the shelf; empty where it has none
     */
    void put(String name, String version, byte[] file, Optional<ShelfSignature.KeyTexts> keys) throws IOException {
        Files.createDirectories(folder.resolve(name));
        write(path(name, version, ".sha256"), ShelfSignature.checksum(file));
        if (keys.isPresent()) {
            write(
                    path(name, version, ".sig"),
                    ShelfSignature.sign(file, keys.get().secret()));
            write(folder.resolve(KEY), keys.get().open());
        }
        FolderWriter.replace(path(name, version, ZIP), file);
    }

    private static void write(Path file, String text) throws IOException {
        FolderWriter.replace(file, (text + "\n").getBytes(StandardCharsets.UTF_8));
    }
}

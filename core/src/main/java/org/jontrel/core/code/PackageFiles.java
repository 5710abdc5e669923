package org.jontrel.core.code;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.shape.Limits;

/** The files of a package as bytes by their path within it, from a folder or a zip that is not trusted. */
public final class PackageFiles {
    private static final Pattern SAFE = Pattern.compile("[A-Za-z0-9][A-Za-z0-9._-]*(/[A-Za-z0-9][A-Za-z0-9._-]*)*");

    private PackageFiles() {}

    /**
     * Reads a folder or a zip file.
     *
     * @throws IOException where the path itself cannot be read
     */
    public static SortedMap<String, byte[]> read(Path path, List<Finding> findings) throws IOException {
        if (Files.isDirectory(path)) {
            return folder(path, findings);
        }
        long size = Files.size(path);
        if (size > Limits.PACKAGE_BYTES) {
            findings.add(Finding.of(Code.PACKAGE_TOO_LARGE, Place.NOWHERE, Limits.PACKAGE_BYTES, "bytes"));
            return new TreeMap<>();
        }
        return zip(Files.readAllBytes(path), findings);
    }

    private static SortedMap<String, byte[]> folder(Path root, List<Finding> findings) throws IOException {
        var files = new Collected(findings);
        try (var walk = Files.walk(root, 3)) {
            var paths = walk.filter(path -> !path.equals(root) && !Files.isDirectory(path, LinkOption.NOFOLLOW_LINKS))
                    .sorted()
                    .limit(Limits.FILES + 1L)
                    .toList();
            for (var path : paths) {
                var name = root.relativize(path).toString().replace('\\', '/');
                if (name.startsWith(".") || name.contains("/.")) {
                    continue;
                }
                if (!Files.isRegularFile(path, LinkOption.NOFOLLOW_LINKS)) {
                    findings.add(Finding.of(Code.LINK_LEFT_OUT, Place.file(name), name));
                    continue;
                }
                if (!files.room(Files.size(path))) {
                    break;
                }
                files.add(name, Files.readAllBytes(path));
            }
        }
        return files.byName;
    }

    /** The files of a zip; a single folder around everything is taken off. Nothing is written anywhere. */
    public static SortedMap<String, byte[]> zip(byte[] bytes, List<Finding> findings) {
        var files = new Collected(findings);
        try (var zip = new ZipInputStream(new ByteArrayInputStream(bytes))) {
            int entries = 0;
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                entries++;
                var name = entry.getName();
                if (entry.isDirectory()) {
                    continue;
                }
                if (!SAFE.matcher(name).matches()) {
                    findings.add(Finding.of(Code.ARCHIVE_NAME_UNSAFE, Place.NOWHERE, name));
                    return new TreeMap<>();
                }
                var content = zip.readNBytes(Limits.FILE_BYTES + 1);
                if (!files.room(content.length)) {
                    return new TreeMap<>();
                }
                files.add(name, content);
            }
            if (entries == 0) {
                findings.add(Finding.of(Code.ARCHIVE_BROKEN, Place.NOWHERE, "it has no entries"));
            }
        } catch (IOException | IllegalArgumentException e) {
            var why = e.getMessage() == null ? "it ends too early" : e.getMessage();
            findings.add(Finding.of(Code.ARCHIVE_BROKEN, Place.NOWHERE, why));
            return new TreeMap<>();
        }
        return unwrapped(files.byName);
    }

    private static SortedMap<String, byte[]> unwrapped(SortedMap<String, byte[]> files) {
        if (files.isEmpty() || files.containsKey(PackageReader.MANIFEST)) {
            return files;
        }
        var first = files.firstKey();
        var folder = first.substring(0, first.indexOf('/') + 1);
        if (folder.isEmpty() || !files.keySet().stream().allMatch(name -> name.startsWith(folder))) {
            return files;
        }
        var inner = new TreeMap<String, byte[]>();
        files.forEach((name, content) -> inner.put(name.substring(folder.length()), content));
        return inner;
    }

    /** A zip of the files; the same files give the same bytes. */
    public static byte[] toZip(Map<String, byte[]> files) {
        var bytes = new ByteArrayOutputStream();
        try (var zip = new ZipOutputStream(bytes)) {
            for (var file : new TreeMap<>(files).entrySet()) {
                var entry = new ZipEntry(file.getKey());
                var crc = new CRC32();
                crc.update(file.getValue());
                entry.setCrc(crc.getValue());
                entry.setSize(file.getValue().length);
                entry.setTimeLocal(java.time.LocalDateTime.of(2026, 1, 1, 0, 0));
                zip.putNextEntry(entry);
                zip.write(file.getValue());
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private static final class Collected {
        private final SortedMap<String, byte[]> byName = new TreeMap<>();
        private final List<Finding> findings;
        private long total;

        Collected(List<Finding> findings) {
            this.findings = findings;
        }

        boolean room(long more) {
            total += more;
            if (byName.size() >= Limits.FILES || total > Limits.PACKAGE_BYTES) {
                var what = total > Limits.PACKAGE_BYTES ? "bytes" : "files";
                var limit = total > Limits.PACKAGE_BYTES ? Limits.PACKAGE_BYTES : Limits.FILES;
                findings.add(Finding.of(Code.PACKAGE_TOO_LARGE, Place.NOWHERE, limit, what));
                byName.clear();
                return false;
            }
            return true;
        }

        void add(String name, byte[] content) {
            if (byName.putIfAbsent(name, content) != null) {
                findings.add(Finding.of(Code.ARCHIVE_NAME_TWICE, Place.file(name), name));
            }
        }
    }
}

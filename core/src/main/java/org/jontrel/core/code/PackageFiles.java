package org.jontrel.core.code;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
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
import org.jontrel.core.shape.PackageLimits;

/** The files of a package as bytes by their path within it, from a folder or a zip that is not trusted. */
public final class PackageFiles {
    private static final Pattern SAFE = Pattern.compile("[A-Za-z0-9][A-Za-z0-9._-]*(/[A-Za-z0-9][A-Za-z0-9._-]*)*");

    /** How deep below the folder files are looked for: a definition in a folder too many is told of. */
    private static final int DEPTH = 3;

    private static final Pattern DEFINING = Pattern.compile("\\.(yaml|yml|json)$");

    /** Names that lead out of an archive, whatever stands there. */
    private static final Pattern OUTSIDE =
            Pattern.compile("(^|[/\\\\])\\.\\.([/\\\\]|$)|^[/\\\\]|^[A-Za-z]:|\\p{Cntrl}");

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
        if (size > PackageLimits.PACKAGE_BYTES) {
            findings.add(Finding.of(Code.PACKAGE_TOO_LARGE, Place.NOWHERE, PackageLimits.PACKAGE_BYTES, "bytes"));
            return new TreeMap<>();
        }
        return zip(Files.readAllBytes(path), findings);
    }

    private static SortedMap<String, byte[]> folder(Path root, List<Finding> findings) throws IOException {
        var found = new ArrayList<Path>();
        Files.walkFileTree(root, Set.of(), DEPTH, new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult preVisitDirectory(Path folder, BasicFileAttributes attributes) {
                boolean hidden =
                        !folder.equals(root) && isHidden(folder.getFileName().toString());
                return hidden ? FileVisitResult.SKIP_SUBTREE : FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) {
                boolean folder = attributes.isSymbolicLink() && FileNames.isFolder(name(root, file));
                if (folder || (!attributes.isDirectory() && mayDefine(name(root, file)))) {
                    found.add(file);
                }
                return found.size() > PackageLimits.FILES ? FileVisitResult.TERMINATE : FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult visitFileFailed(Path file, IOException e) throws IOException {
                if (mayDefine(name(root, file))) {
                    throw e;
                }
                return FileVisitResult.CONTINUE;
            }
        });
        found.sort(null);
        return collected(root, found, findings);
    }

    private static SortedMap<String, byte[]> collected(Path root, List<Path> found, List<Finding> findings)
            throws IOException {
        var files = new CollectedFiles(findings);
        for (var path : found) {
            var name = name(root, path);
            if (!Files.isRegularFile(path, LinkOption.NOFOLLOW_LINKS)) {
                findings.add(Finding.of(Code.LINK_LEFT_OUT, Place.file(name), name));
                continue;
            }
            if (!files.room(Files.size(path))) {
                break;
            }
            files.add(name, Files.readAllBytes(path));
        }
        return files.byName;
    }

    private static String name(Path root, Path file) {
        return root.relativize(file).toString().replace('\\', '/');
    }

    /** Files and folders that people and programs put beside definitions; nobody wants to hear of them. */
    private static boolean isHidden(String name) {
        return name.startsWith(".") || name.equals("__MACOSX") || name.equals("node_modules");
    }

    /** Whether a file may be meant as one of the package: any other is somebody's, and none of our business. */
    static boolean mayDefine(String name) {
        for (var part : name.split("/")) {
            if (isHidden(part)) {
                return false;
            }
        }
        return DEFINING.matcher(name).find() && !name.equals(FileNames.LOCK);
    }

    /** The files of a zip; a single folder around everything is taken off. Nothing is written anywhere. */
    public static SortedMap<String, byte[]> zip(byte[] bytes, List<Finding> findings) {
        var files = new CollectedFiles(findings);
        try (var zip = new ZipInputStream(new ByteArrayInputStream(bytes))) {
            int entries = 0;
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                entries++;
                if (!entry.isDirectory() && !take(zip, entry.getName(), files, findings)) {
                    return new TreeMap<>();
                }
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

    /** Whether to go on. */
    private static boolean take(ZipInputStream zip, String name, CollectedFiles files, List<Finding> findings)
            throws IOException {
        boolean wanted = mayDefine(name);
        if (OUTSIDE.matcher(name).find() || (wanted && !SAFE.matcher(name).matches())) {
            findings.add(Finding.of(Code.ARCHIVE_NAME_UNSAFE, Place.NOWHERE, name));
            return false;
        }
        if (!wanted) {
            // what is left out is unpacked to find the next entry, and so counts too
            var buffer = new byte[8192];
            for (int read = 0; read >= 0; read = zip.read(buffer)) {
                if (!files.passed(read)) {
                    return false;
                }
            }
            return true;
        }
        var content = zip.readNBytes(PackageLimits.FILE_BYTES + 1);
        if (!files.room(content.length)) {
            return false;
        }
        files.add(name, content);
        return true;
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
}

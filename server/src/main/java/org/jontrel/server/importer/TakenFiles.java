package org.jontrel.server.importer;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.server.media.FreeSpace;
import org.jontrel.site.importer.ImportFiles;
import org.jontrel.site.media.Bytes;

/** Takes pictures and files one after the other, also out of ZIP files. */
final class TakenFiles {
    /** Files in one ZIP file at most. */
    private static final int MOST_FILES = 10_000;
    /** Bytes of one file at most. */
    private static final long MOST_BYTES = 100L << 20;
    /** Bytes out of one ZIP file at most: a small one may hold very much. */
    private static final long MOST_OF_ALL = 4L << 30;

    private final ImportFiles files;
    private final String author;
    private final FreeSpace space;
    private final List<Finding> refused = new ArrayList<>();
    private int kept;

    TakenFiles(ImportFiles files, String author, FreeSpace space) {
        this.files = files;
        this.author = author;
        this.space = space;
    }

    int kept() {
        return kept;
    }

    List<Finding> refused() {
        return refused;
    }

    void take(String name, Path path) throws IOException {
        if (name.toLowerCase(Locale.ROOT).endsWith(".zip")) {
            unpack(name, path);
        } else {
            keep(name, path);
        }
    }

    private void keep(String name, Path path) throws IOException {
        var findings = files.add(name, Bytes.of(path), author);
        refused.addAll(findings);
        kept += findings.isEmpty() ? 1 : 0;
    }

    private void unpack(String name, Path path) throws IOException {
        long all = 0;
        try (var zip = new ZipFile(path.toFile())) {
            if (zip.size() > MOST_FILES) {
                refused.add(finding(Code.IMPORT_ZIP_TOO_MUCH, name, MOST_FILES, MOST_OF_ALL >> 30));
                return;
            }
            for (var entries = zip.entries(); entries.hasMoreElements(); ) {
                var entry = entries.nextElement();
                if (isFile(entry)) {
                    all += unpack(zip, entry, MOST_OF_ALL - all);
                    if (all >= MOST_OF_ALL) {
                        refused.add(finding(Code.IMPORT_ZIP_TOO_MUCH, name, MOST_FILES, MOST_OF_ALL >> 30));
                        return;
                    }
                }
            }
        } catch (IOException | IllegalArgumentException _) {
            refused.add(finding(Code.IMPORT_ZIP_BROKEN, name, kept));
        }
    }

    /** Without what some systems put beside files. */
    private static boolean isFile(ZipEntry entry) {
        var name = entry.getName();
        var bare = bare(name);
        return !entry.isDirectory() && !bare.isEmpty() && !bare.startsWith(".") && !name.startsWith("__MACOSX/");
    }

    private static String bare(String name) {
        return name.substring(Math.max(name.lastIndexOf('/'), name.lastIndexOf('\\')) + 1);
    }

    private long unpack(ZipFile zip, ZipEntry entry, long most) throws IOException {
        var bare = bare(entry.getName());
        var path = Files.createTempFile("jontrel-files", ".unpacked");
        try (var in = zip.getInputStream(entry)) {
            long bytes = copy(in, path, Math.min(most, MOST_BYTES));
            if (bytes > MOST_BYTES) {
                refused.add(finding(Code.IMPORT_FILE_TOO_HEAVY, bare, MOST_BYTES >> 20));
            } else if (bytes <= most) {
                space.check(bytes);
                keep(bare, path);
            }
            return bytes;
        } finally {
            Files.deleteIfExists(path);
        }
    }

    /** As many bytes as there are, or one more than may be. */
    private static long copy(InputStream in, Path to, long most) throws IOException {
        try (var out = Files.newOutputStream(to)) {
            var part = new byte[1 << 16];
            long all = 0;
            for (int count = in.read(part); count >= 0 && all <= most; count = in.read(part)) {
                out.write(part, 0, count);
                all += count;
            }
            return all;
        }
    }

    private static Finding finding(Code code, Object... arguments) {
        return Finding.of(code, Place.NOWHERE, arguments);
    }
}

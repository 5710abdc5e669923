package org.jontrel.site.archive;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import org.jontrel.site.media.Bytes;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** An archive that was read whole and is as it was written. Nothing of it was trusted before. */
public final class ArchiveFile implements AutoCloseable {
    static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Pattern ENTRY = Pattern.compile("archive\\.json|package/[A-Za-z0-9][A-Za-z0-9._/-]{0,200}"
            + "|(records|site)/[a-z0-9_]{1,64}\\.jsonl|media/[0-9a-f]{64}(-[0-9]{1,5})?");
    private static final Pattern CHECKSUM = Pattern.compile("([0-9a-f]{64})  (\\S+)");
    /** What is unpacked to so many times its length, and is long at that, is no site. */
    private static final long MOST_RATIO = 200;

    private static final long SMALL = 256 << 20;
    /** About half a million pictures and files. */
    private static final int MOST_OF_ITSELF = 64 << 20;

    private final ZipFile zip;
    private final ArchiveManifest manifest;

    private ArchiveFile(ZipFile zip, ArchiveManifest manifest) {
        this.zip = zip;
        this.manifest = manifest;
    }

    /** @throws ArchiveRefused where it is none, or not as it was written */
    public static ArchiveFile open(Path path) throws IOException {
        ZipFile zip;
        try {
            zip = new ZipFile(path.toFile(), StandardCharsets.UTF_8);
        } catch (ZipException _) {
            throw new ArchiveRefused("This is no archive of a site, or was cut off: it is not a whole zip.");
        }
        try {
            var sums = checksums(zip);
            verify(zip, sums, Math.max(SMALL, Files.size(path) * MOST_RATIO));
            return new ArchiveFile(zip, manifest(zip));
        } catch (RuntimeException | IOException e) {
            zip.close();
            if (e instanceof ZipException) {
                throw new ArchiveRefused("The archive is damaged: " + e.getMessage() + ".");
            }
            throw e;
        }
    }

    public ArchiveManifest manifest() {
        return manifest;
    }

    private static Map<String, String> checksums(ZipFile zip) throws IOException {
        var entry = zip.getEntry(SiteArchive.CHECKSUMS);
        if (entry == null) {
            throw new ArchiveRefused(
                    "This is no archive of a site, or was cut off: it has no " + SiteArchive.CHECKSUMS + ".");
        }
        var sums = new LinkedHashMap<String, String>();
        for (var line : new String(small(zip, entry), StandardCharsets.UTF_8).split("\n")) {
            var parts = CHECKSUM.matcher(line);
            if (!parts.matches() || sums.put(parts.group(2), parts.group(1)) != null) {
                throw notAsItMustBe(entry);
            }
        }
        return sums;
    }

    /** What the archive says of itself is read whole, and no more of it than any site needs. */
    private static byte[] small(ZipFile zip, ZipEntry entry) throws IOException {
        try (var in = zip.getInputStream(entry)) {
            var bytes = in.readNBytes(MOST_OF_ITSELF + 1);
            if (bytes.length > MOST_OF_ITSELF) {
                throw notAsItMustBe(entry);
            }
            return bytes;
        }
    }

    private static ArchiveRefused notAsItMustBe(ZipEntry entry) {
        return new ArchiveRefused("The archive's " + entry.getName() + " is not as it must be.");
    }

    private static void verify(ZipFile zip, Map<String, String> sums, long most) throws IOException {
        if (zip.size() != sums.size() + 1) {
            throw new ArchiveRefused("The archive has other files than its " + SiteArchive.CHECKSUMS + " names.");
        }
        var budget = new UnpackedBytes(most);
        for (var sum : sums.entrySet()) {
            var entry = zip.getEntry(sum.getKey());
            if (entry == null
                    || !ENTRY.matcher(sum.getKey()).matches()
                    || sum.getKey().contains("..")) {
                throw new ArchiveRefused("The archive lacks " + sum.getKey() + ", or it is no file of an archive.");
            }
            if (!digest(zip, entry, budget).equals(sum.getValue())) {
                throw new ArchiveRefused(
                        sum.getKey() + " in the archive is not as it was written: its checksum differs.");
            }
        }
    }

    /** What may still be unpacked. */
    private static final class UnpackedBytes {
        private long left;

        UnpackedBytes(long most) {
            this.left = most;
        }

        void take(int count) {
            left -= count;
            if (left < 0) {
                throw new ArchiveRefused("The archive is packed tighter than records are, and is not unpacked.");
            }
        }
    }

    private static String digest(ZipFile zip, ZipEntry entry, UnpackedBytes budget) throws IOException {
        try (var in = zip.getInputStream(entry)) {
            var digest = MessageDigest.getInstance("SHA-256");
            var buffer = new byte[1 << 16];
            for (int count = in.read(buffer); count >= 0; count = in.read(buffer)) {
                digest.update(buffer, 0, count);
                budget.take(count);
            }
            return HexFormat.of().formatHex(digest.digest());
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static ArchiveManifest manifest(ZipFile zip) throws IOException {
        var entry = zip.getEntry(SiteArchive.MANIFEST);
        if (entry == null) {
            throw new ArchiveRefused("The archive has no " + SiteArchive.MANIFEST + ".");
        }
        try {
            var tree = JSON.readTree(small(zip, entry));
            if (tree.path("format").asInt(0) != ArchiveManifest.FORMAT) {
                throw new ArchiveRefused(
                        "The archive has the format " + tree.path("format").asString("?")
                                + ", and this version of Jontrel reads format " + ArchiveManifest.FORMAT + ".");
            }
            return JSON.treeToValue(tree, ArchiveManifest.class);
        } catch (JacksonException _) {
            throw notAsItMustBe(entry);
        }
    }

    /** The names of entries that begin with a word, in their order. */
    List<String> names(String prefix) {
        return zip.stream()
                .map(ZipEntry::getName)
                .filter(name -> name.startsWith(prefix))
                .toList();
    }

    /** @throws ArchiveRefused where there are none */
    BufferedReader lines(String name) throws IOException {
        var entry = zip.getEntry(name);
        if (entry == null) {
            throw new ArchiveRefused("The archive has no " + name + ".");
        }
        return new BufferedReader(new InputStreamReader(zip.getInputStream(entry), StandardCharsets.UTF_8));
    }

    Bytes bytes(String name) {
        var entry = zip.getEntry(name);
        return new Bytes() {
            @Override
            public long size() {
                return entry.getSize();
            }

            @Override
            public InputStream open() throws IOException {
                return zip.getInputStream(entry);
            }
        };
    }

    @Override
    public void close() throws IOException {
        zip.close();
    }
}

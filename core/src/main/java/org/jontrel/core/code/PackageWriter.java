package org.jontrel.core.code;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Map;
import java.util.SequencedMap;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Model;

/** A package to files, in the canonical form: reading what was written and writing it again gives the same bytes. */
public final class PackageWriter {
    private PackageWriter() {}

    public static SortedMap<String, byte[]> write(ModelPackage content) {
        var files = definitions(content.model());
        content.migrations()
                .forEach(migration -> files.put(
                        "migrations/" + migration.version() + ".yaml", bytes(Shapes.MIGRATION.write(migration))));
        var manifest = content.manifest().withChecksum(checksum(content.model()));
        files.put(PackageReader.MANIFEST, bytes(Shapes.MANIFEST.write(manifest)));
        return files;
    }

    /** The canonical text of one definition. */
    public static String text(ContentType type) {
        return YamlWriter.write(Shapes.TYPE.write(type));
    }

    /** One definition as a tree of maps, lists and scalars, in the words of the files. */
    public static SequencedMap<String, Object> tree(ContentType type) {
        return Shapes.TYPE.write(type);
    }

    /** SHA-256 over paths and bytes of all definitions in canonical form, as 64 hexadecimal digits. */
    public static String checksum(Model model) {
        return checksum(definitions(model));
    }

    /** The same over the files as they are; anything that defines nothing is left out. */
    static String checksum(SortedMap<String, byte[]> files) {
        try {
            var digest = MessageDigest.getInstance("SHA-256");
            files.forEach((name, content) -> {
                if (name.startsWith("types/")) {
                    digest.update(name.getBytes(StandardCharsets.UTF_8));
                    digest.update((byte) 0);
                    digest.update(content);
                    digest.update((byte) 0);
                }
            });
            return HexFormat.of().formatHex(digest.digest());
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** JSON Schemas (2020-12) of every class of file, by its name. */
    public static Map<String, Map<String, Object>> schemas() {
        return Map.of(
                "type", Shapes.TYPE.schema(),
                "package", Shapes.MANIFEST.schema(),
                "migration", Shapes.MIGRATION.schema());
    }

    private static SortedMap<String, byte[]> definitions(Model model) {
        var files = new TreeMap<String, byte[]>();
        model.types().forEach(type -> files.put("types/" + type.key() + ".yaml", bytes(Shapes.TYPE.write(type))));
        return files;
    }

    private static byte[] bytes(Object tree) {
        return YamlWriter.write(tree).getBytes(StandardCharsets.UTF_8);
    }
}

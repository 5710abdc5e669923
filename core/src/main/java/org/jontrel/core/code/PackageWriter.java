package org.jontrel.core.code;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.SequencedMap;
import java.util.SortedMap;
import org.jontrel.core.format.Shapes;
import org.jontrel.core.identity.KeyReferences;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Schemas;
import org.jontrel.core.shape.WriteContext;

/** A package to files, in the canonical form: reading what was written and writing it again gives the same bytes. */
public final class PackageWriter {
    private PackageWriter() {}

    /**
     * A package as it is released: every file named by its key, with a checksum.
     *
     * @throws UnwritableException where definitions cannot have a file each
     */
    public static SortedMap<String, byte[]> write(ModelPackage content) {
        return write(content, Formatting.NONE, Map.of());
    }

    /**
     * A package as it is released, with comments.
     *
     * @param formatting comments and line ends; files are named by their keys
     * @param was keys that things had before, by their ids: written so that files without ids lose nothing
     * @throws UnwritableException where definitions cannot have a file each
     */
    public static SortedMap<String, byte[]> write(
            ModelPackage content, Formatting formatting, Map<String, String> was) {
        var files = new PackageFileWriter(formatting.withoutNames(), was).definitions(content.model());
        return withRest(content, formatting.withoutNames(), checksum(files), files);
    }

    /**
     * A working folder: definitions stay in the files that they stand in. It needs no checksum, and has the present one only
     * where it had one before.
     *
     * @throws UnwritableException where definitions cannot have a file each
     */
    public static SortedMap<String, byte[]> writeFolder(
            ModelPackage content, Formatting formatting, Map<String, String> was) {
        return writeFolder(content, formatting, was, Map.of());
    }

    /** @param known files of definitions that need not be written anew, by their names */
    public static SortedMap<String, byte[]> writeFolder(
            ModelPackage content, Formatting formatting, Map<String, String> was, Map<String, byte[]> known) {
        var files = new PackageFileWriter(formatting, was).definitions(content.model(), known);
        var checksum = content.manifest().checksum().isEmpty() ? "" : checksum(files);
        return withRest(content, formatting, checksum, files);
    }

    private static SortedMap<String, byte[]> withRest(
            ModelPackage content, Formatting formatting, String checksum, SortedMap<String, byte[]> files) {
        var writer = new PackageFileWriter(formatting, Map.of());
        content.migrations().forEach(migration -> files.put(writer.name(migration), writer.bytes(migration)));
        files.put(
                PackageReader.MANIFEST,
                writer.bytes(
                        PackageReader.MANIFEST,
                        PackageReader.MANIFEST,
                        PackageShapes.MANIFEST,
                        content.manifest().withChecksum(checksum)));
        return files;
    }

    /** The canonical text of one definition of a model, as its file has it. */
    public static String text(Model model, Definition definition) {
        return text(model, definition, Map.of());
    }

    /** @param was keys that things had before, by their ids */
    public static String text(Model model, Definition definition, Map<String, String> was) {
        return text(model, definition, Formatting.NONE, was);
    }

    /** @param formatting the comments to stand in it */
    public static String text(Model model, Definition definition, Formatting formatting, Map<String, String> was) {
        return new PackageFileWriter(formatting, was).text(new KeyReferences(model).toKeys(definition));
    }

    /** One definition as a tree of maps, lists and scalars, in the words of the files but with ids for references. */
    public static SequencedMap<String, Object> tree(Definition definition) {
        return tree(definition, WriteContext.PLAIN);
    }

    private static <D extends Definition> SequencedMap<String, Object> tree(D definition, WriteContext to) {
        return Shapes.of(definition).write(definition, to);
    }

    /** SHA-256 over paths and bytes of all definitions in canonical form, as 64 hexadecimal digits. */
    public static String checksum(Model model) {
        return checksum(new PackageFileWriter(Formatting.NONE, Map.of()).definitions(model));
    }

    /** The same over the files as they are; anything that defines nothing is left out. */
    static String checksum(SortedMap<String, byte[]> files) {
        try {
            var digest = MessageDigest.getInstance("SHA-256");
            files.forEach((name, content) -> {
                if (defines(name)) {
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

    private static boolean defines(String file) {
        for (var sort : Definition.Sort.values()) {
            if (file.startsWith(sort.folder() + "/")) {
                return true;
            }
        }
        return false;
    }

    /** The shape of what a package says of itself. */
    public static ObjectShape<Manifest> manifestShape() {
        return PackageShapes.MANIFEST;
    }

    /** The shapes of every class of file by its name, as {@code type} and {@code package}. */
    public static SequencedMap<String, ObjectShape<?>> shapes() {
        var shapes = new LinkedHashMap<String, ObjectShape<?>>();
        shapes.put("package", PackageShapes.MANIFEST);
        for (var sort : Definition.Sort.values()) {
            shapes.put(word(sort), Shapes.of(sort));
        }
        shapes.put("migration", PackageShapes.MIGRATION);
        return shapes;
    }

    /** The word for a sort of definitions in names of schemas and documents. */
    public static String word(Definition.Sort sort) {
        return sort.name().toLowerCase(java.util.Locale.ROOT);
    }

    /** JSON Schemas (2020-12) of every class of file, by its name. */
    public static SequencedMap<String, SequencedMap<String, Object>> schemas() {
        var schemas = new LinkedHashMap<String, SequencedMap<String, Object>>();
        shapes().forEach((name, shape) -> schemas.put(name, Shapes.schema(shape)));
        return schemas;
    }

    /**
     * The schemas of all sorts of definitions and of what they refer to, for a description that has others beside.
     *
     * @param prefix what stands before a name in a reference
     */
    public static SequencedMap<String, Object> components(String prefix) {
        var schemas = new Schemas(prefix, PackageWriter::camel);
        var all = new LinkedHashMap<String, Object>();
        for (var sort : Definition.Sort.values()) {
            all.put(camel(sort.noun().replace(' ', '_')), Shapes.schema(sort, schemas));
        }
        all.putAll(schemas.byName());
        return all;
    }

    /** A name of several words as API descriptions write it: {@code taxonomy_use} is TaxonomyUse. */
    public static String camel(String name) {
        var camel = new StringBuilder();
        for (var word : name.split("_")) {
            camel.append(Character.toUpperCase(word.charAt(0))).append(word.substring(1));
        }
        return camel.toString();
    }
}

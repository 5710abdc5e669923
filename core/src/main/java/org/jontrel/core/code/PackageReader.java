package org.jontrel.core.code;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Model;
import org.semver4j.Semver;

/** Files to a package: strict, all problems at once, each with its place. */
public final class PackageReader {
    public static final String MANIFEST = "package.yaml";
    private static final Pattern TYPE_FILE = Pattern.compile("types/[^/]+\\.(yaml|yml|json)");
    private static final Pattern MIGRATION_FILE = Pattern.compile("migrations/[^/]+\\.(yaml|yml|json)");

    private PackageReader() {}

    /**
     * What was read.
     *
     * @param content empty where a blocker was found
     * @param files the file each definition came from, by its id or, where the file gave none, by its key
     */
    public record Result(Optional<ModelPackage> content, Map<String, String> files, List<Finding> findings) {}

    public static Result read(SortedMap<String, byte[]> files, List<Finding> before) {
        var findings = new ArrayList<>(before);
        if (Finding.blocks(findings)) {
            return new Result(Optional.empty(), Map.of(), findings);
        }
        var manifest = manifest(files, findings);
        var types = new ArrayList<ContentType>();
        var places = new TreeMap<String, String>();
        var migrations = new ArrayList<Migration>();
        files.forEach((name, bytes) -> {
            if (TYPE_FILE.matcher(name).matches()) {
                readFile(name, bytes, Shapes.TYPE, "content type", findings).ifPresent(type -> {
                    types.add(type);
                    places.put(type.id().isEmpty() ? type.key() : type.id(), name);
                    checkName(name, type.key(), findings);
                });
            } else if (MIGRATION_FILE.matcher(name).matches()) {
                readFile(name, bytes, Shapes.MIGRATION, "migration", findings)
                        .filter(migration -> isVersion(migration.version(), name, findings))
                        .ifPresent(migrations::add);
            } else if (!name.equals(MANIFEST)) {
                var hint = Nearest.hint(name, List.of(MANIFEST, "types/" + last(name), "migrations/" + last(name)));
                findings.add(Finding.of(Code.FILE_UNEXPECTED, Place.file(name), name, hint));
            }
        });
        var content = Finding.blocks(findings)
                ? Optional.<ModelPackage>empty()
                : manifest.map(m -> new ModelPackage(m, new Model(types), migrations));
        content.ifPresent(read -> checkChecksum(read.manifest(), files, findings));
        return new Result(content, places, findings);
    }

    /** One content type from a tree as a JSON library gives it, or from the text of a file. */
    public static Optional<ContentType> type(Object tree, List<Finding> findings) {
        return Shapes.TYPE.read(Node.of(tree), "content type", new Reading("", findings));
    }

    public static Optional<ContentType> typeFromText(String file, byte[] bytes, List<Finding> findings) {
        return readFile(file, bytes, Shapes.TYPE, "content type", findings);
    }

    private static Optional<Manifest> manifest(SortedMap<String, byte[]> files, List<Finding> findings) {
        var bytes = files.get(MANIFEST);
        if (bytes == null) {
            findings.add(Finding.of(Code.FILE_MISSING, Place.file(MANIFEST), MANIFEST));
            return Optional.empty();
        }
        return readFile(MANIFEST, bytes, Shapes.MANIFEST, "package", findings).filter(manifest -> {
            if (manifest.format() > Limits.FORMAT) {
                findings.add(Finding.of(Code.FORMAT_NEWER, Place.file(MANIFEST), manifest.format(), Limits.FORMAT));
                return false;
            }
            return isVersion(manifest.version(), MANIFEST, findings);
        });
    }

    private static boolean isVersion(String version, String file, List<Finding> findings) {
        boolean valid = Semver.isValid(version);
        if (!valid) {
            findings.add(Finding.of(Code.VERSION_INVALID, Place.file(file), version));
        }
        return valid;
    }

    private static <T> Optional<T> readFile(
            String name, byte[] bytes, Shape<T> shape, String what, List<Finding> findings) {
        return YamlReader.read(name, bytes, findings)
                .flatMap(node -> shape.read(node, what, new Reading(name, findings)));
    }

    private static void checkName(String file, String key, List<Finding> findings) {
        var expected = "types/" + key + file.substring(file.lastIndexOf('.'));
        if (!file.equals(expected)) {
            findings.add(Finding.of(Code.FILE_NAME_DIFFERS, Place.file(file), file, key, expected));
        }
    }

    private static void checkChecksum(Manifest manifest, SortedMap<String, byte[]> files, List<Finding> findings) {
        var said = manifest.checksum();
        var now = PackageWriter.checksum(files);
        if (!said.isEmpty() && !said.equals(now)) {
            findings.add(Finding.of(
                    Code.CHECKSUM_DIFFERS,
                    Place.file(MANIFEST),
                    said.substring(0, Math.min(12, said.length())),
                    now.substring(0, 12)));
        }
    }

    private static String last(String name) {
        return name.substring(name.lastIndexOf('/') + 1);
    }
}

package org.jontrel.core.code;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.finding.Place;
import org.jontrel.core.format.Shapes;
import org.jontrel.core.identity.Identities;
import org.jontrel.core.identity.KeyReferences;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.naming.Keys;
import org.jontrel.core.shape.Node;
import org.jontrel.core.shape.PackageLimits;
import org.jontrel.core.shape.ReadContext;
import org.jontrel.core.shape.Shape;
import org.jontrel.core.yaml.NodeCache;
import org.semver4j.Semver;

/** Files to a package: strict, all problems at once, each with its place. */
public final class PackageReader {
    public static final String MANIFEST = FileNames.MANIFEST;
    private static final Pattern FILE = Pattern.compile("([a-z]+)/[^/]+\\.(yaml|yml|json)");

    /** For a file of a package that is read without the rest. */
    public static final byte[] ANY_MANIFEST =
            ("format: " + PackageLimits.FORMAT + "\nname: file\nversion: 0.0.0\n").getBytes(StandardCharsets.UTF_8);

    private final SortedMap<String, byte[]> files;
    private final List<Finding> findings;
    private final ReadContext reading;
    private final List<Definition> definitions = new ArrayList<>();
    private final List<Migration> migrations = new ArrayList<>();
    private final Map<String, String> names = new LinkedHashMap<>();
    private final NodeCache cache;
    private int format = 1;

    private PackageReader(SortedMap<String, byte[]> files, List<Finding> findings) {
        this(files, findings, new NodeCache());
    }

    private PackageReader(SortedMap<String, byte[]> files, List<Finding> findings, NodeCache cache) {
        this.cache = cache;
        this.files = files;
        this.findings = findings;
        this.reading = new ReadContext(findings);
    }

    /**
     * What was read.
     *
     * @param content empty where a blocker was found; what the files gave no id has one that begins with {@code ?}
     * @param origins where everything stands
     * @param was keys that the files say things had before, by their ids
     * @param names the file of each definition by its id, of each migration by its version
     * @param around the model whose things the definitions refer to, where that is not their own
     */
    public record Result(
            Optional<ModelPackage> content,
            Origins origins,
            Map<String, String> was,
            List<Finding> findings,
            SortedMap<String, byte[]> files,
            Map<String, String> names,
            Optional<Model> around) {
        /** The same with an id for everything: of what has the same name in an earlier model, else a new one. */
        public Result completed(Model earlier, Ids ids) {
            var identities = new Identities(earlier, ids);
            var completed = content.map(read ->
                    new ModelPackage(read.manifest(), identities.complete(read.model(), was), read.migrations()));
            return new Result(completed, origins, was, findings, files, names, around).renamed(identities.given());
        }

        private Result renamed(Map<String, String> given) {
            return new Result(
                    content,
                    origins.renamed(given),
                    renamedKeys(was, given),
                    findings,
                    files,
                    renamedKeys(names, given),
                    around);
        }

        private static Map<String, String> renamedKeys(Map<String, String> map, Map<String, String> given) {
            var renamed = new LinkedHashMap<String, String>();
            map.forEach((id, value) -> renamed.put(given.getOrDefault(id, id), value));
            return renamed;
        }

        private Result around(Model model) {
            return new Result(content, origins, was, findings, files, names, Optional.of(model));
        }

        /** Comments, names and line ends; costs another look at the files, and so is found when it is asked for. */
        public Formatting formatting() {
            return new FormattingReader(this).read();
        }
    }

    private Result result(Optional<ModelPackage> content) {
        return new Result(
                content, new Origins(reading.origins()), reading.was(), findings, files, names, Optional.empty());
    }

    /** @param before what reading the folder or archive itself had to say */
    public static Result read(SortedMap<String, byte[]> files, List<Finding> before) {
        return read(files, before, new NodeCache());
    }

    /** @param cache has the files of other packages that were read before */
    public static Result read(SortedMap<String, byte[]> files, List<Finding> before, NodeCache cache) {
        var findings = new ArrayList<>(before);
        var reader = new PackageReader(files, findings, cache);
        return Finding.blocks(findings) ? reader.result(Optional.empty()) : reader.read();
    }

    private Result read() {
        var manifest = manifest();
        files.forEach(this::readFile);
        EarlierKeys.check(definitions, reading, findings);
        var content = Finding.blocks(findings)
                ? Optional.<ModelPackage>empty()
                : manifest.map(m -> new ModelPackage(m, new KeyReferences(new Model(definitions)).toIds(), migrations));
        content.ifPresent(read -> checkChecksum(read.manifest()));
        return result(content);
    }

    private void readFile(String name, byte[] bytes) {
        if (name.equals(MANIFEST)) {
            return;
        }
        var folder = FILE.matcher(name);
        var sort = folder.matches() ? sort(folder.group(1)) : Optional.<Definition.Sort>empty();
        if (sort.isPresent()) {
            readFile(name, bytes, Shapes.of(sort.get()), sort.get().noun()).ifPresent(definition -> {
                definitions.add(definition);
                names.put(definition.id(), name);
                checkName(name, sort.get().folder() + "/" + definition.key(), definition.key());
            });
        } else if (folder.matches() && folder.group(1).equals(FileNames.MIGRATIONS)) {
            cache.read(name, bytes, findings)
                    .map(node -> FormatUpgrades.apply(format, name, node))
                    .ifPresent(node -> PackageShapes.MIGRATION
                            .read(node, "migration", reading.in(name))
                            .ifPresent(migration -> {
                                migrations.add(migration);
                                var other = names.putIfAbsent(migration.version(), name);
                                if (other != null) {
                                    findings.add(Finding.of(
                                            Code.MIGRATION_TWICE, Place.file(name), migration.version(), other, name));
                                }
                                checkName(name, FileNames.MIGRATIONS + "/" + migration.version(), migration.version());
                            }));
        } else {
            var last = name.substring(name.lastIndexOf('/') + 1);
            var valid = Stream.concat(Stream.of(MANIFEST), folders().map(each -> each + "/" + last))
                    .toList();
            findings.add(Finding.of(
                    Code.FILE_UNEXPECTED,
                    Place.file(name),
                    name,
                    Nearest.hint(name, valid),
                    String.join(", ", folders().toList())));
        }
    }

    private static Stream<String> folders() {
        return Stream.concat(
                Stream.of(Definition.Sort.values()).map(Definition.Sort::folder), Stream.of(FileNames.MIGRATIONS));
    }

    private static Optional<Definition.Sort> sort(String folder) {
        return Stream.of(Definition.Sort.values())
                .filter(sort -> sort.folder().equals(folder))
                .findFirst();
    }

    /** One definition as a tree of a JSON library, with ids for references as the model has them. */
    public static <D extends Definition> Optional<D> definition(
            Class<D> kind, Definition.Sort sort, Object tree, List<Finding> findings) {
        return Shapes.of(sort)
                .read(FormatUpgrades.stored(sort, Node.of(tree)), sort.noun(), new ReadContext(findings))
                .map(kind::cast);
    }

    /** One content type as a tree of a JSON library. */
    public static Optional<ContentType> type(Object tree, List<Finding> findings) {
        return definition(ContentType.class, Definition.Sort.TYPE, tree, findings);
    }

    /** A single file of a definition on its own: references stay the words they are where nothing has that name. */
    public static Result single(String file, byte[] bytes, List<Finding> before) {
        return single(file, bytes, Optional.empty(), before);
    }

    /** @param sort what the file defines, where that is known; else it is told by what the file says */
    public static Result single(String file, byte[] bytes, Optional<Definition.Sort> sort, List<Finding> before) {
        var findings = new ArrayList<>(before);
        var reader = new PackageReader(new TreeMap<>(Map.of(file, bytes)), findings);
        reader.format = PackageLimits.FORMAT;
        reader.cache
                .read(file, bytes, findings)
                .ifPresent(node -> reader.define(file, node, sort.orElseGet(() -> SingleFile.sort(node))));
        EarlierKeys.check(reader.definitions, reader.reading, findings);
        var content = Finding.blocks(findings) || reader.definitions.isEmpty()
                ? Optional.<ModelPackage>empty()
                : Optional.of(new ModelPackage(
                        Manifest.of("file", "0.0.0", "", List.of(), "", ""),
                        new KeyReferences(new Model(reader.definitions)).toIds(),
                        List.of()));
        return reader.result(content);
    }

    private void define(String file, Node node, Definition.Sort sort) {
        Shapes.of(sort).read(node, sort.noun(), reading.in(file)).ifPresent(definition -> {
            definitions.add(definition);
            names.put(definition.id(), file);
        });
    }

    /** A package with nothing in it: what both sides come from where they made a file anew. */
    public static Result nothing() {
        var files = new TreeMap<String, byte[]>();
        var reader = new PackageReader(files, new ArrayList<>());
        return reader.result(
                Optional.of(new ModelPackage(Manifest.of("", "0.0.0", "", List.of(), "", ""), Model.EMPTY, List.of())));
    }

    /** Whether a path within a package is that of a definition or of decisions. */
    public static boolean isOfPackage(String path) {
        var folder = FILE.matcher(path);
        return folder.matches()
                && (sort(folder.group(1)).isPresent() || folder.group(1).equals(FileNames.MIGRATIONS));
    }

    /** What a file of a package defines, told by its path; empty where files of that path define nothing. */
    public static Optional<Definition.Sort> sortOf(String path) {
        var folder = FILE.matcher(path.substring(path.lastIndexOf('/', path.lastIndexOf('/') - 1) + 1));
        return folder.matches() ? sort(folder.group(1)) : Optional.empty();
    }

    /**
     * One file of a definition as somebody edited it: its references are those of a model, its things known by the
     * definition as it was.
     */
    public static Result edited(
            String file, byte[] bytes, Definition.Sort sort, Model model, Definition before, Ids ids) {
        var findings = new ArrayList<Finding>();
        var reader = new PackageReader(new TreeMap<>(Map.of(file, bytes)), findings);
        reader.cache.read(file, bytes, findings).ifPresent(node -> reader.define(file, node, sort));
        EarlierKeys.check(reader.definitions, reader.reading, findings);
        if (Finding.blocks(findings) || reader.definitions.isEmpty()) {
            return reader.result(Optional.empty());
        }
        var identities = new Identities(new Model(List.of(before)), ids);
        var read = reader.definitions.getFirst();
        if (!read.id().startsWith(ReadContext.GIVEN_HERE) && !read.id().equals(before.id())) {
            findings.add(Finding.of(Code.ID_CHANGED, Place.file(file), read.id(), before.id()));
            return reader.result(Optional.empty());
        }
        var known = identities.complete(new Model(List.of(read)), reader.reading.was());
        var complete = withId(known.definitions().getFirst(), before.id());
        var given = new HashMap<>(identities.given());
        given.put(read.id(), before.id());
        var named = new KeyReferences(model.with(complete)).toIds(complete);
        var content = new ModelPackage(
                Manifest.of("draft", "0.0.0", "", List.of(), "", ""), new Model(List.of(named)), List.of());
        return reader.result(Optional.of(content)).around(model.with(named)).renamed(given);
    }

    /** A definition of another key is still the one that was edited. */
    private static Definition withId(Definition definition, String id) {
        return definition.id().equals(id)
                ? definition
                : (Definition) Identities.renamed((Object) definition, Map.of(definition.id(), id));
    }

    private Optional<Manifest> manifest() {
        var bytes = files.get(MANIFEST);
        if (bytes == null) {
            findings.add(Finding.of(Code.FILE_MISSING, Place.file(MANIFEST), MANIFEST));
            return Optional.empty();
        }
        return manifest(bytes);
    }

    private Optional<Manifest> manifest(byte[] bytes) {
        return cache.read(MANIFEST, bytes, findings)
                .flatMap(node -> PackageShapes.MANIFEST
                        .read(node, "package", reading.in(MANIFEST))
                        .filter(manifest -> isSound(manifest, node)));
    }

    private boolean isSound(Manifest manifest, Node node) {
        format = manifest.format();
        if (format > PackageLimits.FORMAT) {
            reading.add(Code.FORMAT_NEWER, node.property("format"), format, PackageLimits.FORMAT);
            return false;
        }
        if (format < 1) {
            reading.add(Code.FORMAT_INVALID, node.property("format"), format, PackageLimits.FORMAT);
            return false;
        }
        return true;
    }

    private <T> Optional<T> readFile(String name, byte[] bytes, Shape<T> shape, String what) {
        return cache.read(name, bytes, findings)
                .map(node -> FormatUpgrades.apply(format, name, node))
                .flatMap(node -> shape.read(node, what, reading.in(name)));
    }

    private void checkName(String file, String name, String key) {
        var expected = name + file.substring(file.lastIndexOf('.'));
        boolean possible = !name.startsWith(FileNames.MIGRATIONS + "/") ? Keys.isKey(key) : Semver.isValid(key);
        if (possible && !file.equals(expected)) {
            findings.add(Finding.of(Code.FILE_NAME_DIFFERS, Place.file(file), file, key, expected));
        }
    }

    private void checkChecksum(Manifest manifest) {
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
}

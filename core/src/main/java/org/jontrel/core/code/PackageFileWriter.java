package org.jontrel.core.code;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.format.Shapes;
import org.jontrel.core.identity.KeyReferences;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.WriteContext;
import org.jontrel.core.yaml.Comments;
import org.jontrel.core.yaml.JsonWriter;
import org.jontrel.core.yaml.YamlWriter;

/** The files of a package one by one, each as people formatted it before. */
public final class PackageFileWriter {
    private final Formatting formatting;
    private final Map<String, String> was;

    public PackageFileWriter(Formatting formatting, Map<String, String> was) {
        this.formatting = formatting;
        this.was = was;
    }

    /** @throws UnwritableException where definitions cannot have a file each */
    SortedMap<String, byte[]> definitions(Model model) {
        return definitions(model, Map.of());
    }

    /** @param known files that need not be written anew, by their names */
    SortedMap<String, byte[]> definitions(Model model, Map<String, byte[]> known) {
        var problems = FileNames.problems(model).stream()
                .filter(problem ->
                        !formatting.names().containsKey(problem.place().definition()))
                .toList();
        if (!problems.isEmpty()) {
            throw new UnwritableException(problems);
        }
        var files = new TreeMap<String, byte[]>();
        for (var definition : new KeyReferences(model).toKeys().definitions()) {
            var name = name(definition);
            var bytes = known.get(name);
            if (files.put(name, bytes == null ? end(name, text(definition)) : bytes) != null) {
                throw new UnwritableException(List.of(Finding.of(
                        Code.ID_TWICE,
                        Place.definition(definition.id(), "id"),
                        definition.id(),
                        definition.name(),
                        name)));
            }
        }
        return files;
    }

    /** The file that a definition is written to, within the package. */
    public String name(Definition definition) {
        var name = formatting.names().get(definition.id());
        return name == null ? FileNames.of(definition.sort(), definition.key()) : name;
    }

    /** The file that a migration is written to, within the package. */
    public String name(Migration migration) {
        var name = formatting.names().get(migration.version());
        return name == null ? FileNames.ofMigration(migration.version()) : name;
    }

    /** The text of a definition whose references are keys. */
    <D extends Definition> String text(D definition) {
        return text("", formatting.names().getOrDefault(definition.id(), ""), Shapes.of(definition), definition);
    }

    byte[] bytes(Migration migration) {
        var canonical = FileNames.ofMigration(migration.version());
        return bytes(canonical, name(migration), PackageShapes.MIGRATION, migration);
    }

    /** @param name under which comments are kept that belong to no thing with an id */
    <T> byte[] bytes(String name, String file, ObjectShape<T> shape, T content) {
        return end(file, text(name, file, shape, content));
    }

    private <T> String text(String name, String file, ObjectShape<T> shape, T content) {
        var writing = WriteContext.noting(was);
        var tree = shape.write(content, writing);
        if (file.endsWith(".json")) {
            return JsonWriter.write(tree);
        }
        return YamlWriter.write(tree, comments(name, writing), writing.things(), name);
    }

    private Comments comments(String name, WriteContext writing) {
        if (formatting.comments().isEmpty()) {
            return Comments.NONE;
        }
        var some = new java.util.ArrayList<>(writing.things().values());
        some.add(name);
        return formatting.comments().of(some);
    }

    private byte[] end(String file, String text) {
        var ended = formatting.crlf().contains(file) ? text.replace("\n", "\r\n") : text;
        return ended.getBytes(StandardCharsets.UTF_8);
    }
}

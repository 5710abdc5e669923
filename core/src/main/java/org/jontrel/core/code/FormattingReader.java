package org.jontrel.core.code;

import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.format.Shapes;
import org.jontrel.core.identity.KeyReferences;
import org.jontrel.core.model.Definition;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.WriteContext;
import org.jontrel.core.yaml.CommentReader;
import org.jontrel.core.yaml.Comments;

/** Finds in the files of a package what is not in its model: comments, and how lines end. */
final class FormattingReader {
    private final PackageReader.Result read;
    private final Map<String, Map<Long, String>> places;
    private Comments comments = Comments.NONE;

    FormattingReader(PackageReader.Result read) {
        this.read = read;
        this.places = read.origins().places();
    }

    Formatting read() {
        read.content().ifPresent(content -> {
            var names = new KeyReferences(read.around().orElse(content.model()));
            content.model().definitions().stream()
                    .filter(definition -> mayHaveComments(definition.id()))
                    .forEach(definition -> definition(names.toKeys(definition)));
            file(PackageReader.MANIFEST, PackageReader.MANIFEST, PackageShapes.MANIFEST, content.manifest());
            content.migrations()
                    .forEach(each -> file(
                            FileNames.ofMigration(each.version()),
                            read.names().getOrDefault(each.version(), ""),
                            PackageShapes.MIGRATION,
                            each));
        });
        return new Formatting(comments, read.names(), crlf());
    }

    private boolean mayHaveComments(String id) {
        var bytes = read.files().get(read.names().getOrDefault(id, ""));
        return bytes != null && CommentReader.mayHaveComments(bytes);
    }

    private <D extends Definition> void definition(D definition) {
        var file = read.names().getOrDefault(definition.id(), "");
        file(file, file, Shapes.of(definition), definition);
    }

    /** @param name under which comments are kept that belong to no thing with an id */
    private <T> void file(String name, String file, ObjectShape<T> shape, T content) {
        var bytes = read.files().get(file);
        if (bytes == null || file.endsWith(".json")) {
            return;
        }
        var found = CommentReader.read(name, bytes, CommentReader.at(places.getOrDefault(file, Map.of())));
        if (!found.isEmpty()) {
            var writing = WriteContext.noting(read.was());
            var tree = shape.write(content, writing);
            comments = comments.with(found.settled(tree, writing.things(), name));
        }
    }

    private Set<String> crlf() {
        var crlf = new HashSet<String>();
        read.files().forEach((name, bytes) -> {
            for (int i = 0; i < bytes.length; i++) {
                if (bytes[i] == '\n') {
                    if (i > 0 && bytes[i - 1] == '\r') {
                        crlf.add(name);
                    }
                    break;
                }
            }
        });
        return crlf;
    }
}

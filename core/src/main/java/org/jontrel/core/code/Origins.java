package org.jontrel.core.code;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.shape.Node;
import org.jontrel.core.shape.ReadContext;
import org.jontrel.core.yaml.CommentReader;

/** Where definitions and what is in them stand in files. */
public final class Origins {
    private final Map<String, ReadContext.Origin> byId;

    Origins(Map<String, ReadContext.Origin> byId) {
        this.byId = Map.copyOf(byId);
    }

    /** The same places under the ids that were given. */
    Origins renamed(Map<String, String> given) {
        var renamed = new HashMap<String, ReadContext.Origin>();
        byId.forEach((id, origin) -> renamed.put(given.getOrDefault(id, id), origin));
        return new Origins(renamed);
    }

    /** The findings with file, line and column where they are known. */
    public List<Finding> locate(List<Finding> findings) {
        return findings.stream().map(this::locate).toList();
    }

    private Finding locate(Finding finding) {
        var place = finding.place();
        var origin = byId.get(place.field().isEmpty() ? place.definition() : place.field());
        if (origin == null || !place.file().isEmpty()) {
            return finding;
        }
        var at = at(origin.node(), origin.node(), List.of(place.property().split("\\.")));
        return finding.at(
                new Place(origin.file(), at.line(), at.column(), place.definition(), place.field(), place.property()));
    }

    /** The name of a property within properties and items of lists; as near as there is something. */
    private static Node at(Node found, Node within, List<String> way) {
        if (way.isEmpty()) {
            return found;
        }
        var rest = way.subList(1, way.size());
        return switch (within) {
            case Node.Mapping mapping ->
                mapping.entries().stream()
                        .filter(entry -> entry.name().text().equals(way.getFirst()))
                        .findFirst()
                        .map(entry -> at(entry.name(), entry.value(), rest))
                        .orElse(found);
            case Node.Sequence sequence
            when way.getFirst().matches("[0-9]{1,6}") -> {
                int index = Integer.parseInt(way.getFirst());
                var item = index < sequence.items().size() ? sequence.items().get(index) : null;
                yield item == null ? found : at(item, item, rest);
            }
            case Node.Sequence sequence ->
                sequence.items().stream()
                        .filter(item ->
                                item instanceof Node.Scalar word && word.text().equals(way.getFirst()))
                        .findFirst()
                        .map(item -> at(item, item, rest))
                        .orElse(found);
            case Node.Scalar _, Node.Nothing _ -> found;
        };
    }

    /** The ids of what stands in a file, by where it begins (see {@link CommentReader#place}). */
    Map<String, Map<Long, String>> places() {
        var places = new HashMap<String, Map<Long, String>>();
        byId.forEach((id, origin) -> places.computeIfAbsent(origin.file(), _ -> new HashMap<>())
                .put(CommentReader.place(origin.node().line(), origin.node().column()), id));
        return places;
    }

    /** The file that a definition came from, or empty. */
    public String file(String id) {
        var origin = byId.get(id);
        return origin == null ? "" : origin.file();
    }
}

package org.jontrel.core.code;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.shape.Node;
import org.jontrel.core.shape.Reading;

/** Where definitions and what is in them stand in files. */
public final class Origins {
    private final Map<String, Reading.Origin> byId;

    Origins(Map<String, Reading.Origin> byId) {
        this.byId = Map.copyOf(byId);
    }

    /** The same places under the ids that were given. */
    Origins renamed(Map<String, String> given) {
        var renamed = new HashMap<String, Reading.Origin>();
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
        var at = origin.node().entries().stream()
                .filter(entry -> entry.name().text().equals(place.property()))
                .map(entry -> (Node) entry.name())
                .findFirst()
                .orElse(origin.node());
        return finding.at(
                new Place(origin.file(), at.line(), at.column(), place.definition(), place.field(), place.property()));
    }

    /** The file that a definition came from, or empty. */
    public String file(String id) {
        var origin = byId.get(id);
        return origin == null ? "" : origin.file();
    }
}

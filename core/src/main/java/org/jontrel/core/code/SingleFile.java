package org.jontrel.core.code;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.model.Definition;
import org.jontrel.core.shape.Node;

/** What sort of definition a file on its own has, told by properties that only this sort has. */
final class SingleFile {
    private record SortMarker(Definition.Sort sort, Set<String> properties) {}

    private static final List<SortMarker> SIGNS = List.of(
            new SortMarker(Definition.Sort.LOOK, Set.of("colours")),
            new SortMarker(Definition.Sort.LAYOUT, Set.of("blocks", "type")),
            new SortMarker(Definition.Sort.LAYOUT, Set.of("blocks", "use")),
            new SortMarker(Definition.Sort.PART, Set.of("blocks")),
            new SortMarker(Definition.Sort.LISTING, Set.of("type")),
            new SortMarker(Definition.Sort.TAXONOMY, Set.of("singular", "terms")),
            new SortMarker(Definition.Sort.TAXONOMY, Set.of("singular", "hierarchical")),
            new SortMarker(Definition.Sort.TAXONOMY, Set.of("singular", "fields")),
            new SortMarker(Definition.Sort.TYPE, Set.of("singular")),
            new SortMarker(Definition.Sort.LIST, Set.of("options")),
            new SortMarker(Definition.Sort.GROUP, Set.of("fields")),
            new SortMarker(Definition.Sort.VALUES, Set.of("title", "groups")));

    private SingleFile() {}

    static Definition.Sort sort(Node node) {
        var names = node instanceof Node.Mapping mapping
                ? mapping.entries().stream().map(entry -> entry.name().text()).collect(Collectors.toSet())
                : Set.<String>of();
        return SIGNS.stream()
                .filter(sign -> names.containsAll(sign.properties()))
                .map(SortMarker::sort)
                .findFirst()
                .orElse(Definition.Sort.TYPE);
    }
}

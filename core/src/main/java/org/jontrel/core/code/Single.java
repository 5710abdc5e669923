package org.jontrel.core.code;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.model.Definition;
import org.jontrel.core.shape.Node;

/** What sort of definition a file on its own has, told by properties that only this sort has. */
final class Single {
    private record Sign(Definition.Sort sort, Set<String> properties) {}

    private static final List<Sign> SIGNS = List.of(
            new Sign(Definition.Sort.LAYOUT, Set.of("blocks", "type")),
            new Sign(Definition.Sort.LISTING, Set.of("type")),
            new Sign(Definition.Sort.TAXONOMY, Set.of("singular", "terms")),
            new Sign(Definition.Sort.TAXONOMY, Set.of("singular", "hierarchical")),
            new Sign(Definition.Sort.TAXONOMY, Set.of("singular", "fields")),
            new Sign(Definition.Sort.TYPE, Set.of("singular")),
            new Sign(Definition.Sort.LIST, Set.of("options")),
            new Sign(Definition.Sort.GROUP, Set.of("fields")),
            new Sign(Definition.Sort.VALUES, Set.of("title", "groups")));

    private Single() {}

    static Definition.Sort sort(Node node) {
        var names = node instanceof Node.Mapping mapping
                ? mapping.entries().stream().map(entry -> entry.name().text()).collect(Collectors.toSet())
                : Set.<String>of();
        return SIGNS.stream()
                .filter(sign -> names.containsAll(sign.properties()))
                .map(Sign::sort)
                .findFirst()
                .orElse(Definition.Sort.TYPE);
    }
}

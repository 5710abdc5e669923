package org.jontrel.core.page;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.naming.Wording;
import org.jontrel.core.page.node.InlineNode;
import org.jontrel.core.page.node.ListAddress;
import org.jontrel.core.page.node.PageAddress;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.core.recordtype.RecordType;

/** What leads on from a record: its terms, the ones above it, its index, and the ones before and after. */
final class WayNodes {
    private final PageModel model;
    private final SeenRecords seen;
    private final ReachedValues reached;
    private final FieldNodes fields;

    WayNodes(PageModel model, SeenRecords seen, ReachedValues reached, FieldNodes fields) {
        this.model = model;
        this.seen = seen;
        this.reached = reached;
        this.fields = fields;
    }

    List<PageNode> labels(BlockKind.TermLabels terms, PagePlace place) {
        if (place.recordType() == null) {
            return List.of();
        }
        var labels = place.recordType().groups().stream()
                .filter(group -> group.id().equals(RecordType.CLASSIFIED))
                .flatMap(group -> group.fields().stream())
                .filter(field -> terms.taxonomy().isEmpty() || field.id().equals(terms.taxonomy()))
                .flatMap(field -> ReachedValues.several(place.record().values().get(field.id())).stream()
                        .flatMap(value -> reached.record(field, value).stream()))
                .map(term -> fields.label(term, terms.colour(), terms.linked()))
                .toList();
        return labels.isEmpty() ? List.of() : List.of(new PageNode.LabelsNode(labels));
    }

    List<PageNode> trail(PagePlace place) {
        if (place.record() == null) {
            return List.of();
        }
        var steps = new ArrayList<InlineNode>();
        var met = new HashSet<>();
        var above = place.record().parent().flatMap(seen::record);
        while (above.isPresent() && met.add(above.get().link())) {
            steps.addFirst(FieldNodes.named(above.get(), true));
            above = above.get().parent().flatMap(seen::record);
        }
        index(place).ifPresent(steps::addFirst);
        return steps.isEmpty() ? List.of() : List.of(new PageNode.TrailNode(steps));
    }

    private Optional<InlineNode> index(PagePlace place) {
        return place.recordType() == null
                ? Optional.empty()
                : Optional.of(new StepLabels(model).index(place.recordType()));
    }

    /** The index of a type, narrowed to what has a term. */
    Optional<InlineNode> toIndex(String typeId, PageRecord term) {
        var taxonomy = model.recordType(term.link().type()).orElseThrow();
        var path = taxonomy.path() + "/";
        return model.model()
                .find(ContentType.class, typeId)
                .filter(type -> type.index().on() && model.hasPages(typeId))
                .filter(type -> type.taxonomies().stream()
                        .anyMatch(use -> use.taxonomy().equals(taxonomy.id())))
                .filter(_ -> term.address().startsWith(path))
                .map(type -> new InlineNode.LinkRun(
                        Wording.ALL.of(type),
                        new PageAddress.InsideSite(ListAddress.of(
                                type.path(),
                                List.of(ListAddress.part(
                                        ListAddress.parameter(taxonomy.key()),
                                        term.address().substring(path.length()))))),
                        false));
    }

    List<PageNode> indexLink(PagePlace place) {
        return index(place)
                .map(run -> List.<PageNode>of(new PageNode.TrailNode(List.of(run))))
                .orElse(List.of());
    }

    List<PageNode> neighbours(Block block, PagePlace place) {
        if (place.record() == null) {
            return List.of();
        }
        var before = reached.list(place.record().link(), block.id() + "-").findFirst();
        var after = reached.list(place.record().link(), block.id() + "+").findFirst();
        return before.isEmpty() && after.isEmpty()
                ? List.of()
                : List.of(new PageNode.NeighboursNode(
                        before.map(each -> FieldNodes.named(each, true)),
                        after.map(each -> FieldNodes.named(each, true))));
    }
}

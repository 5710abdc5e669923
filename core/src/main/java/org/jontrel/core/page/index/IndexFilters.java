package org.jontrel.core.page.index;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.page.node.ListAddress;
import org.jontrel.core.recordtype.RecordType;

/**
 * What visitors narrow the index of a type by.
 *
 * @param shown those with a control, in order
 * @param accepted these, and those that links lead with: what the list is grouped by, and all taxonomies of the type
 * @param words whether words can be looked for
 */
public record IndexFilters(List<IndexFilter> shown, List<IndexFilter> accepted, boolean words) {
    public IndexFilters {
        shown = List.copyOf(shown);
        accepted = List.copyOf(accepted);
    }

    /** Filters that name what the model does not have, or what cannot be one, are left out. */
    public static IndexFilters of(PageModel model, ContentType type) {
        var recordType = model.recordType(type.id()).orElseThrow();
        var able = able(recordType);
        var accepted = new LinkedHashMap<String, IndexFilter>();
        type.index().filters().forEach(id -> add(accepted, able, id));
        var shown = List.copyOf(accepted.values());
        add(accepted, able, type.index().group());
        recordType.groups().stream()
                .filter(group -> group.id().equals(RecordType.CLASSIFIED))
                .flatMap(group -> group.fields().stream())
                .forEach(field -> add(accepted, able, field.id()));
        return new IndexFilters(
                shown, List.copyOf(accepted.values()), type.index().search());
    }

    private static void add(Map<String, IndexFilter> to, Map<String, IndexFilter> able, String id) {
        if (able.containsKey(id)) {
            to.put(id, able.get(id));
        }
    }

    /** Fields of records themselves, not those within others, that can be filtered. */
    private static Map<String, IndexFilter> able(RecordType recordType) {
        var groups = new HashMap<String, Condition>();
        recordType.groups().forEach(group -> group.fields().forEach(field -> groups.put(field.id(), group.showWhen())));
        var all = new LinkedHashMap<String, IndexFilter>();
        recordType
                .fields()
                .forEach(field -> IndexFilter.kindOf(field)
                        .ifPresent(kind -> all.put(
                                field.id(),
                                new IndexFilter(
                                        field,
                                        kind,
                                        name(recordType, field),
                                        both(groups.getOrDefault(field.id(), Condition.ALWAYS), field.showWhen())))));
        return all;
    }

    /** A field that is called as a taxonomy of the type has another name beside it. */
    private static String name(RecordType recordType, Field field) {
        var name = ListAddress.parameter(field.key());
        boolean isTaken = recordType.groups().stream()
                .filter(group -> group.id().equals(RecordType.CLASSIFIED))
                .flatMap(group -> group.fields().stream())
                .anyMatch(other -> !other.id().equals(field.id()) && other.key().equals(field.key()));
        return isTaken ? name + "_" : name;
    }

    private static Condition both(Condition a, Condition b) {
        var parts = new ArrayList<Condition>(List.of(a, b));
        parts.removeIf(Condition.ALWAYS::equals);
        return parts.isEmpty() ? Condition.ALWAYS : parts.size() == 1 ? parts.getFirst() : new Condition.All(parts);
    }

    public boolean none() {
        return shown.isEmpty() && !words;
    }

    public Optional<IndexFilter> byId(String id) {
        return accepted.stream().filter(filter -> filter.id().equals(id)).findFirst();
    }

    /** The taxonomies whose terms the filters have. */
    public Set<String> taxonomies() {
        return accepted.stream()
                .map(IndexFilter::taxonomy)
                .filter(taxonomy -> !taxonomy.isEmpty())
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** Ids of fields whose lowest and highest values are told: those that every record shows. */
    public List<String> ranges() {
        return shown.stream()
                .filter(filter -> filter.kind() == IndexFilter.FilterKind.RANGE
                        && filter.shownWhen().equals(Condition.ALWAYS))
                .map(IndexFilter::id)
                .toList();
    }

    /** Filters whose values are counted: those with a control, and what the list is grouped by. */
    public List<IndexFilter> counted(ContentType type) {
        var seen = new HashSet<String>();
        var all = new ArrayList<>(shown);
        byId(type.index().group()).ifPresent(all::add);
        return all.stream()
                .filter(filter -> filter.kind() != IndexFilter.FilterKind.RANGE && seen.add(filter.id()))
                .toList();
    }

    /** With conditions as the lists of a site have them. */
    public IndexFilters with(UnaryOperator<Condition> conditions) {
        UnaryOperator<IndexFilter> each = filter ->
                new IndexFilter(filter.field(), filter.kind(), filter.name(), conditions.apply(filter.shownWhen()));
        return new IndexFilters(
                shown.stream().map(each).toList(), accepted.stream().map(each).toList(), words);
    }
}

package org.jontrel.core.reach;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jontrel.core.model.ChoiceList;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.GroupUse;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.Look;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.PagePart;
import org.jontrel.core.model.Section;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.model.Taxonomy;

/** The definitions of a model by key or id, whichever its references are. */
public final class ModelNames {
    private final Map<Definition.Sort, Map<String, Definition>> byKey = new HashMap<>();
    private final Map<String, Definition> byId = new HashMap<>();
    private final List<ContentType> types;
    private final Map<String, List<ValueStep.Leading>> leading = new HashMap<>();

    public ModelNames(Model model) {
        for (var definition : model.definitions()) {
            byKey.computeIfAbsent(definition.sort(), _ -> new HashMap<>()).putIfAbsent(definition.key(), definition);
            byId.putIfAbsent(definition.id(), definition);
        }
        types = model.types();
    }

    /** The definition that a key, or else an id, names. */
    public Optional<Definition> find(Definition.Sort sort, String word) {
        var named = byKey.getOrDefault(sort, Map.of()).get(word);
        return named != null
                ? Optional.of(named)
                : Optional.ofNullable(byId.get(word)).filter(found -> found.sort() == sort);
    }

    public Optional<Definition> byId(String id) {
        return Optional.ofNullable(byId.get(id));
    }

    /** A content type, or else a taxonomy. */
    public Optional<Definition> records(String word) {
        return find(Definition.Sort.TYPE, word).or(() -> find(Definition.Sort.TAXONOMY, word));
    }

    List<Definition> types(java.util.Collection<String> words) {
        return words.stream()
                .flatMap(word -> find(Definition.Sort.TYPE, word).stream())
                .toList();
    }

    public List<SiteValues> values() {
        return byKey.getOrDefault(Definition.Sort.VALUES, Map.of()).values().stream()
                .map(SiteValues.class::cast)
                .sorted(java.util.Comparator.comparing(SiteValues::key))
                .toList();
    }

    /** The types whose records can have terms of a taxonomy. */
    Stream<ValueStep.Having> having(Taxonomy taxonomy) {
        return types.stream()
                .filter(type -> type.taxonomies().stream()
                                .anyMatch(use -> find(Definition.Sort.TAXONOMY, use.taxonomy())
                                        .filter(taxonomy::equals)
                                        .isPresent())
                        || fields(type)
                                .flatMap(Field::withInner)
                                .anyMatch(field -> field.kind() instanceof Kind.TermPick pick
                                        && find(Definition.Sort.TAXONOMY, pick.taxonomy())
                                                .filter(taxonomy::equals)
                                                .isPresent()))
                .map(ValueStep.Having::new);
    }

    /** The types whose records may stand under those of a definition. */
    public List<Definition> below(Definition definition) {
        return types.stream()
                .filter(type -> types(type.nesting().under()).contains(definition))
                .map(Definition.class::cast)
                .toList();
    }

    /** The fields that are filled in with a definition, standard parts and those of shared groups too. */
    public Stream<Field> fields(Definition definition) {
        return switch (definition) {
            case ContentType type -> Stream.concat(type.parts().stream().map(type::partField), fields(type.sections()));
            case Taxonomy taxonomy -> Stream.concat(taxonomy.fields().stream(), fields(taxonomy.sections()));
            case SharedGroup group -> group.fields().stream();
            case SiteValues values -> fields(values.sections());
            case Layout _, Listing _, PagePart _, Look _, ChoiceList _ -> Stream.empty();
        };
    }

    private Stream<Field> fields(List<Section> sections) {
        return sections.stream().flatMap(section -> switch (section) {
            case Group group -> group.fields().stream();
            case GroupUse use ->
                find(Definition.Sort.GROUP, use.group()).stream()
                        .flatMap(group -> ((SharedGroup) group).fields().stream());
        });
    }

    /** The relations that lead to a definition and have a name at this end. */
    public List<ValueStep.Leading> leading(Definition to) {
        return leading.computeIfAbsent(to.id(), _ -> {
            var found = new ArrayList<ValueStep.Leading>();
            for (var type : types) {
                fields(type)
                        .flatMap(Field::withInner)
                        .filter(field -> field.kind() instanceof Kind.Relation relation
                                && relation.inverse() != null
                                && types(relation.to()).contains(to))
                        .forEach(field -> found.add(
                                new ValueStep.Leading(type, field, ((Kind.Relation) field.kind()).inverse())));
            }
            return found;
        });
    }
}

package org.jontrel.core.check;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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

/** What a model has, found quickly. */
final class ModelIndex {
    private final Map<String, Map<String, String>> terms = new HashMap<>();
    private final Map<String, Set<String>> termIds = new HashMap<>();
    private final Map<String, Definition> byId = new HashMap<>();
    private final Map<Definition.Sort, Map<String, String>> keys = new HashMap<>();

    ModelIndex(Model model) {
        for (var definition : model.definitions()) {
            byId.putIfAbsent(definition.id(), definition);
            keys.computeIfAbsent(definition.sort(), _ -> new LinkedHashMap<>())
                    .putIfAbsent(definition.key(), definition.id());
        }
    }

    <D extends Definition> Optional<D> find(Class<D> sort, String id) {
        return Optional.ofNullable(byId.get(id)).filter(sort::isInstance).map(sort::cast);
    }

    /** The keys of all definitions of a sort, with the ids they stand for. */
    Map<String, String> keys(Definition.Sort sort) {
        return keys.getOrDefault(sort, Map.of());
    }

    /** The same without what is named already. @param ids of what is */
    Map<String, String> keys(Definition.Sort sort, Collection<String> ids) {
        var others = new LinkedHashMap<>(keys(sort));
        others.values().removeAll(ids);
        return others;
    }

    /** The keys of fields, with the ids they stand for. */
    static Map<String, String> keys(Collection<Field> fields) {
        var keys = new LinkedHashMap<String, String>();
        fields.forEach(field -> keys.putIfAbsent(field.key(), field.id()));
        return keys;
    }

    /** The keys of options, with the ids they stand for. */
    Map<String, String> optionKeys(Kind.Choice choice) {
        var keys = new LinkedHashMap<String, String>();
        options(choice).stream()
                .filter(option -> !option.retired())
                .forEach(option -> keys.putIfAbsent(option.key(), option.id()));
        return keys;
    }

    /** The keys of terms, with the ids they stand for. */
    Map<String, String> termKeys(String taxonomyId) {
        return terms.computeIfAbsent(taxonomyId, id -> {
            var keys = new LinkedHashMap<String, String>();
            find(Taxonomy.class, id)
                    .ifPresent(
                            taxonomy -> taxonomy.allTerms().forEach(term -> keys.putIfAbsent(term.key(), term.id())));
            return keys;
        });
    }

    /** Whether a taxonomy has a term of this id. */
    boolean hasTerm(String taxonomyId, String termId) {
        return termIds.computeIfAbsent(
                        taxonomyId, id -> new HashSet<>(termKeys(id).values()))
                .contains(termId);
    }

    /** The fields that are filled in with a definition, also those of shared groups; standard parts first. */
    List<Field> fields(Definition definition) {
        var fields =
                switch (definition) {
                    case ContentType type ->
                        Stream.concat(type.parts().stream().map(type::partField), of(type.sections()));
                    case Taxonomy taxonomy -> Stream.concat(taxonomy.fields().stream(), of(taxonomy.sections()));
                    case SharedGroup group -> group.fields().stream();
                    case SiteValues values -> of(values.sections());
                    case Listing listing -> ofType(listing.type());
                    case ChoiceList _, Layout _, PagePart _, Look _ -> Stream.<Field>empty();
                };
        // a group used twice is a finding of its own
        return fields.distinct().toList();
    }

    /** The uses of shared groups in a definition. */
    List<GroupUse> uses(Definition definition) {
        return switch (definition) {
            case ContentType type -> Section.uses(type.sections());
            case Taxonomy taxonomy -> Section.uses(taxonomy.sections());
            case SiteValues values -> Section.uses(values.sections());
            case SharedGroup _, ChoiceList _, Layout _, Listing _, PagePart _, Look _ -> List.of();
        };
    }

    private Stream<Field> ofType(String id) {
        return Stream.concat(
                find(ContentType.class, id).stream().flatMap(type -> fields(type).stream()),
                find(Taxonomy.class, id).stream()
                        .flatMap(taxonomy -> Stream.concat(Stream.of(Taxonomy.LABEL), fields(taxonomy).stream())));
    }

    private Stream<Field> of(List<Section> sections) {
        return sections.stream().flatMap(section -> switch (section) {
            case Group group -> group.fields().stream();
            case GroupUse use ->
                find(SharedGroup.class, use.group()).stream().flatMap(group -> group.fields().stream());
        });
    }

    /** The options of a choice: its own, or those of its list. */
    List<Kind.Option> options(Kind.Choice choice) {
        return choice.list().isEmpty()
                ? choice.options()
                : find(ChoiceList.class, choice.list()).map(ChoiceList::options).orElse(List.of());
    }
}

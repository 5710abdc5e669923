package org.jontrel.core.check;

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
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Section;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.model.Taxonomy;

/** What a model has, found quickly. */
final class Known {
    private final Map<String, Definition> byId = new HashMap<>();
    private final Map<Definition.Sort, List<String>> keys = new HashMap<>();

    Known(Model model) {
        for (var definition : model.definitions()) {
            byId.putIfAbsent(definition.id(), definition);
            keys.computeIfAbsent(definition.sort(), _ -> new ArrayList<>()).add(definition.key());
        }
    }

    <D extends Definition> Optional<D> find(Class<D> sort, String id) {
        return Optional.ofNullable(byId.get(id)).filter(sort::isInstance).map(sort::cast);
    }

    /** The keys of all definitions of a sort. */
    List<String> keys(Definition.Sort sort) {
        return keys.getOrDefault(sort, List.of());
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
                    case Layout layout -> ofType(layout.type());
                    case Listing listing -> ofType(listing.type());
                    case ChoiceList _ -> Stream.<Field>empty();
                };
        // a group used twice is a finding of its own
        return fields.distinct().toList();
    }

    private Stream<Field> ofType(String id) {
        return find(ContentType.class, id).stream().flatMap(type -> fields(type).stream());
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

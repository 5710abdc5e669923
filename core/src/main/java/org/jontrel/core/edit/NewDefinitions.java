package org.jontrel.core.edit;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.model.ChoiceList;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.PagePart;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.block.RecordsForm;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.naming.Keys;
import org.jontrel.core.naming.Nouns;
import org.jontrel.core.page.look.ShippedLook;

/** New definitions from a name alone: everything else derives, and meets nothing that is there. */
public final class NewDefinitions {
    private final Model model;
    private final Ids ids;

    public NewDefinitions(Model model, Ids ids) {
        this.model = model;
        this.ids = ids;
    }

    /**
     * @param name the noun for one of a type or taxonomy, else the title
     * @param typeId the content type or taxonomy that a layout or listing is for; of no meaning for others
     */
    public Definition definition(Definition.Sort sort, String name, String typeId) {
        var title = name.strip();
        var id = ids.next(sort.letter());
        var plain = Keys.fromLabel(title);
        var key = Keys.free(plain.startsWith(Keys.RESERVED_KEY) ? Keys.fromLabel("own " + title) : plain, keys(sort));
        return switch (sort) {
            case TYPE -> {
                var type = Nouns.type(title, ids);
                yield type.withNames(key, freePath(type.path()));
            }
            case TAXONOMY -> {
                var plural = Nouns.plural(title);
                yield new Taxonomy(
                        id,
                        key,
                        title,
                        plural,
                        "",
                        freePath(Keys.pathFrom(plural)),
                        false,
                        false,
                        List.of(),
                        List.of(),
                        List.of());
            }
            case GROUP -> new SharedGroup(id, key, title, "", List.of());
            case LIST -> new ChoiceList(id, key, title, "", List.of());
            case VALUES -> new SiteValues(id, key, title, "", List.of(new Group(ids.next('g'), title, "", List.of())));
            case LAYOUT -> new Layout(id, key, title, "", typeId, Layout.LayoutUse.PAGE, Condition.ALWAYS, List.of());
            case PART -> new PagePart(id, key, title, "", typeId, List.of());
            case LOOK -> ShippedLook.PLAIN.look().withNames(id, key, title, "");
            case LISTING ->
                new Listing(
                        id,
                        key,
                        title,
                        "",
                        typeId,
                        Condition.ALWAYS,
                        "",
                        // terms have an order of their own
                        model.find(Taxonomy.class, typeId).isPresent()
                                ? List.of()
                                : List.of(new RecordsForm.Order("part_title", false)),
                        10,
                        Listing.ResultStyle.LINES,
                        List.of(),
                        "");
        };
    }

    private Set<String> keys(Definition.Sort sort) {
        return model.definitions().stream()
                .filter(each -> each.sort() == sort)
                .map(Definition::key)
                .collect(Collectors.toSet());
    }

    private String freePath(String path) {
        var taken = model.definitions().stream()
                .map(each -> switch (each) {
                    case ContentType type -> type.path();
                    case Taxonomy taxonomy -> taxonomy.path();
                    default -> "";
                })
                .map(each -> each.replace('-', '_'))
                .collect(Collectors.toSet());
        Keys.RESERVED_PATHS.forEach(each -> taken.add(each.replace('-', '_')));
        return Keys.free(path.replace('-', '_'), taken).replace('_', '-');
    }
}

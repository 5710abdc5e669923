package org.jontrel.core.page;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Head;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.Look;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.PagePart;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.model.block.TextRole;
import org.jontrel.core.reach.ModelNames;
import org.jontrel.core.reach.ValueScope;
import org.jontrel.core.reach.ValueStep;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.kind.Insertions;

/** A model as pages use it, with everything found quickly; made once for all pages of a release. */
public final class PageModel {
    private final Model model;
    private final ModelNames names;
    private final Map<String, RecordType> recordTypes = new LinkedHashMap<>();
    private final Map<LayoutPlace, List<Layout>> layouts = new HashMap<>();
    private final Map<String, ValueStep.Leading> leading = new HashMap<>();
    private final Map<String, Set<String>> compared = new HashMap<>();
    private final Map<String, Set<String>> taxonomies = new HashMap<>();
    private final Set<String> hiding = new HashSet<>();
    private final Set<String> texts = new HashSet<>();
    private final Map<LayoutPlace, PageNeeds> needs = new ConcurrentHashMap<>();

    public PageModel(Model model) {
        this.model = model;
        this.names = new ModelNames(model);
        RecordType.all(model).forEach(each -> recordTypes.put(each.id(), each));
        var derived = new DerivedLayouts(names);
        for (var use : Layout.LayoutUse.values()) {
            recordTypes
                    .values()
                    .forEach(recordType -> layouts.computeIfAbsent(
                                    new LayoutPlace(recordType.id(), use), _ -> own(recordType.id(), use))
                            .add(derived.of(recordType, use)));
        }
        model.definitions().forEach(each -> names.leading(each).forEach(step -> leading.put(step.id(), step)));
        recordTypes.values().forEach(each -> compared.put(each.id(), ShowConditions.compared(each)));
        recordTypes.values().forEach(each -> taxonomies.put(each.id(), ShowConditions.taxonomies(each)));
        recordTypes.values().stream()
                .filter(ShowConditions::hides)
                .map(RecordType::id)
                .forEach(hiding::add);
        recordTypes.values().stream()
                .filter(PageModel::hasTexts)
                .map(RecordType::id)
                .forEach(texts::add);
    }

    private static boolean hasTexts(RecordType recordType) {
        return recordType.byId().values().stream().anyMatch(field -> field.kind() instanceof Kind.RichText);
    }

    private record LayoutPlace(String type, Layout.LayoutUse use) {}

    private List<Layout> own(String type, Layout.LayoutUse use) {
        var own = new ArrayList<>(model.all(Layout.class).stream()
                .filter(layout -> layout.type().equals(type) && layout.use() == use)
                .toList());
        own.sort(LayoutChoice.MOST_PARTICULAR_FIRST);
        return own;
    }

    public Model model() {
        return model;
    }

    ModelNames names() {
        return names;
    }

    public Optional<RecordType> recordType(String id) {
        return Optional.ofNullable(recordTypes.get(id));
    }

    /** The layouts of records of a type, most particular first; the derived one last. */
    public List<Layout> layouts(String type, Layout.LayoutUse use) {
        return layouts.getOrDefault(new LayoutPlace(type, use), List.of());
    }

    /** The layout of the home page; empty where nobody has made one. */
    public Optional<Layout> home() {
        return model.all(Layout.class).stream()
                .filter(layout -> layout.type().isEmpty() && layout.use() == Layout.LayoutUse.PAGE)
                .findFirst();
    }

    /** What the layouts that records of a type may get need of them. */
    public PageNeeds needs(String type, Layout.LayoutUse use) {
        return needs.computeIfAbsent(new LayoutPlace(type, use), _ -> {
            var all = new PageNeeds();
            var collector = new NeedsCollector(this);
            collector.layouts(List.of(type), use, all, use == Layout.LayoutUse.PAGE ? 0 : 1);
            if (use == Layout.LayoutUse.PAGE) {
                collector.head(type, all);
            }
            return all;
        });
    }

    /** What the index of a type needs of the records that it lists. */
    public PageNeeds indexNeeds(ContentType type) {
        return switch (type.index().as()) {
            case CARDS -> needs(type.id(), Layout.LayoutUse.CARD);
            case LINES -> needs(type.id(), Layout.LayoutUse.ROW);
            case TABLE -> {
                var all = new PageNeeds();
                new NeedsCollector(this).table(type.id(), type.index().columns(), all);
                yield all;
            }
        };
    }

    /** What the heads of records' pages need alone: for lists of addresses and feeds. */
    public PageNeeds headNeeds(String type) {
        var all = new PageNeeds();
        new NeedsCollector(this).head(type, all);
        return all;
    }

    /** What is needed of records of a type whose texts hold these: what they show, and what decides whether they do. */
    public PageNeeds needs(String type, Insertions insertions) {
        var all = new PageNeeds();
        var collector = new NeedsCollector(this);
        collector.bare(type, all);
        collector.insertions(insertions, scope(List.of(type)), all);
        return all;
    }

    /** Whether a type has formatted texts: whatever they may hold now, those that were saved before keep what they have. */
    public boolean hasTexts(String type) {
        return texts.contains(type);
    }

    /** What the heads of the pages of a type say. */
    public Head head(String type) {
        return model.find(ContentType.class, type)
                .map(ContentType::head)
                .or(() -> model.find(Taxonomy.class, type).map(Taxonomy::head))
                .orElse(Head.PLAIN);
    }

    /** What the home page needs of the site. */
    public PageNeeds needs(Layout home) {
        var all = new PageNeeds();
        new NeedsCollector(this).blocks(home.blocks(), scope(List.of()), all, 0);
        return all;
    }

    /** What a look needs of the site. */
    public PageNeeds needs(Look look) {
        var all = new PageNeeds();
        var collector = new NeedsCollector(this);
        collector.blocks(tagline(look), scope(List.of()), all, 0);
        collector.blocks(look.footer(), scope(List.of()), all, 0);
        return all;
    }

    static List<Block> tagline(Look look) {
        return look.tagline().isEmpty()
                ? List.of()
                : List.of(new Block("look_tagline", new BlockKind.Prose(look.tagline(), TextRole.PLAIN)));
    }

    Optional<Listing> listing(String id) {
        return model.find(Listing.class, id);
    }

    Optional<Layout> layout(String id) {
        return model.find(Layout.class, id);
    }

    Optional<PagePart> part(String id) {
        return model.find(PagePart.class, id);
    }

    /** A relation by the id of its inverse. */
    Optional<ValueStep.Leading> leading(String inverse) {
        return Optional.ofNullable(leading.get(inverse));
    }

    /** The label of a field, of whatever type; for ways that lead over no record. */
    Optional<String> label(String fieldId) {
        return recordTypes.values().stream()
                .flatMap(recordType -> recordType.field(fieldId).stream())
                .map(Field::label)
                .findFirst();
    }

    /** Ids of the inverses that pages of a type show: of relations of types that have pages. */
    List<String> shownInverses(String type) {
        return names.byId(type).stream()
                .flatMap(definition -> names.leading(definition).stream())
                .filter(step ->
                        step.inverse().shown() && step.from().publishing().visible())
                .map(ValueStep.Leading::id)
                .toList();
    }

    /** Ids of fields and taxonomies that decide which fields of a type are shown; none where all always are. */
    Set<String> compared(String type) {
        return compared.getOrDefault(type, Set.of());
    }

    /** Whether conditions hide fields of a type. */
    boolean hides(String type) {
        return hiding.contains(type);
    }

    /** Ids of the taxonomies whose terms records of a type may have, anywhere in them. */
    Set<String> taxonomiesOf(String type) {
        return taxonomies.getOrDefault(type, Set.of());
    }

    /** Whether visitors find pages of it. */
    public boolean hasPages(String type) {
        return recordType(type)
                .map(recordType -> switch (recordType.definition()) {
                    case ContentType content -> content.publishing().visible();
                    case Definition other ->
                        !recordType.single() && !recordType.path().isEmpty();
                })
                .orElse(false);
    }

    /** From where the blocks for records of some types name values. */
    ValueScope scope(List<String> types) {
        return ValueScope.records(
                names, types.stream().flatMap(type -> names.byId(type).stream()).toList());
    }

    /** The colour that terms of a taxonomy have where no block says which: the first there is. */
    public Optional<Field> colour(String taxonomy) {
        return recordType(taxonomy)
                .flatMap(recordType -> recordType.byId().values().stream()
                        .filter(field -> field.kind() instanceof Kind.Colour)
                        .findFirst());
    }
}

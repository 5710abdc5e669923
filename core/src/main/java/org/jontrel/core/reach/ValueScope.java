package org.jontrel.core.reach;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.model.block.ValuePath;

/** A place from which values are named: a record of some definitions, a row within one, or the site. */
public final class ValueScope {
    private final ModelNames names;
    private final List<Definition> definitions;
    private final ValueScope around;
    private final List<ValueStep> steps;

    private ValueScope(
            ModelNames names, List<Definition> definitions, ValueScope around, Stream<? extends ValueStep> steps) {
        this.names = names;
        this.definitions = definitions;
        this.around = around;
        this.steps = List.copyOf(steps.toList());
    }

    /** From a record of one of these definitions; from nothing but the site where there are none. */
    public static ValueScope records(ModelNames names, List<Definition> definitions) {
        var steps = new ArrayList<ValueStep>();
        if (definitions.stream().anyMatch(Taxonomy.class::isInstance)) {
            steps.add(new ValueStep.OfField(Taxonomy.LABEL));
        }
        definitions.forEach(
                each -> names.fields(each).map(ValueStep.OfField::new).forEach(steps::add));
        definitions.forEach(each -> terms(names, each).forEach(steps::add));
        definitions.forEach(each -> steps.addAll(names.leading(each)));
        definitions.stream()
                .filter(Taxonomy.class::isInstance)
                .flatMap(each -> names.having((Taxonomy) each))
                .forEach(steps::add);
        if (definitions.stream().anyMatch(ValueScope::nests)) {
            steps.add(new ValueStep.Above());
        }
        steps.add(new ValueStep.OfSite());
        return new ValueScope(names, definitions, null, steps.stream());
    }

    private static Stream<ValueStep> terms(ModelNames names, Definition definition) {
        return definition instanceof ContentType type
                ? type.taxonomies().stream()
                        .flatMap(use -> names.find(Definition.Sort.TAXONOMY, use.taxonomy()).stream()
                                .map(found -> new ValueStep.OfTerms((Taxonomy) found, use)))
                : Stream.empty();
    }

    private static boolean nests(Definition definition) {
        return definition instanceof ContentType type && !type.nesting().under().isEmpty()
                || definition instanceof Taxonomy taxonomy && taxonomy.hierarchical();
    }

    /** From a row or group with these fields, and from what is around it. */
    public ValueScope within(List<Field> fields) {
        return new ValueScope(names, definitions, this, fields.stream().map(ValueStep.OfField::new));
    }

    /** What can be named here, each thing by its own step; nearest things first. */
    public List<ValueStep> steps() {
        return steps;
    }

    public Optional<ValueScope> around() {
        return Optional.ofNullable(around);
    }

    /** The definitions that what is named here belongs to. */
    public List<Definition> definitions() {
        return definitions;
    }

    private Optional<ValueStep> byKey(String key) {
        return steps.stream()
                .filter(step -> step.key().equals(key))
                .findFirst()
                .or(() -> around == null ? Optional.empty() : around.byKey(key));
    }

    /** What an id names: what the model's own ways are made of. */
    public Optional<ValueStep> byId(String id) {
        return steps.stream()
                .filter(step -> step.id().equals(id))
                .findFirst()
                .or(() -> around == null ? Optional.empty() : around.byId(id));
    }

    /** What a key, or else an id, names. */
    public Optional<ValueStep> find(String word) {
        return byKey(word).or(() -> byId(word));
    }

    /** What can be named from where a step leads to; empty where it leads to a value. */
    public Optional<ValueScope> beyond(ValueStep step) {
        return switch (step) {
            case ValueStep.OfField(Field field) ->
                switch (field.kind()) {
                    case Kind.FieldGroup _, Kind.Repeater _ -> Optional.of(within(field.inner()));
                    case Kind.Relation relation -> Optional.of(records(names, names.types(relation.to())));
                    case Kind.TermPick pick ->
                        names.find(Definition.Sort.TAXONOMY, pick.taxonomy())
                                .map(taxonomy -> records(names, List.of(taxonomy)));
                    case Kind.Plain _, Kind.Image _, Kind.File _, Kind.Note _ -> Optional.empty();
                };
            case ValueStep.OfTerms terms -> Optional.of(records(names, List.of(terms.taxonomy())));
            case ValueStep.Leading leading -> Optional.of(records(names, List.of(leading.from())));
            case ValueStep.Having having -> Optional.of(records(names, List.of(having.from())));
            case ValueStep.Above _ -> Optional.of(records(names, above()));
            case ValueStep.OfSite _ ->
                Optional.of(new ValueScope(
                        names,
                        List.of(),
                        null,
                        Stream.concat(
                                Stream.of(new ValueStep.SiteName()),
                                names.values().stream().map(ValueStep.OfValues::new))));
            case ValueStep.OfValues values ->
                Optional.of(new ValueScope(
                        names,
                        List.of(values.values()),
                        null,
                        names.fields(values.values()).map(ValueStep.OfField::new)));
            case ValueStep.SiteName _ -> Optional.empty();
        };
    }

    /** From what stands under a record named here. */
    public ValueScope below() {
        return records(
                names,
                definitions.stream()
                        .flatMap(each -> each instanceof Taxonomy ? Stream.of(each) : names.below(each).stream())
                        .distinct()
                        .toList());
    }

    /** From what each of the things that a block lists is: its rows, records or terms; empty where it lists none. */
    public Optional<ValueScope> inside(BlockKind kind) {
        return switch (kind) {
            case BlockKind.Rows rows -> beyond(rows.field());
            case BlockKind.Related related -> beyond(related.field());
            case BlockKind.Children _ -> Optional.of(below());
            case BlockKind.TermLabels terms ->
                names.find(Definition.Sort.TAXONOMY, terms.taxonomy())
                        .map(taxonomy -> records(names, List.of(taxonomy)));
            case BlockKind.FieldValue _,
                    BlockKind.Prose _,
                    BlockKind.ListingUse _,
                    BlockKind.Breadcrumbs _,
                    BlockKind.Neighbours _,
                    BlockKind.IndexLink _,
                    BlockKind.Arranging _,
                    BlockKind.PartUse _,
                    BlockKind.Rest _ -> Optional.of(this);
        };
    }

    private Optional<ValueScope> beyond(String path) {
        var scope = Optional.of(this);
        for (var word : ValuePath.of(path).steps()) {
            var from = scope;
            scope = from.flatMap(here -> here.find(word))
                    .flatMap(step -> from.get().beyond(step));
        }
        return scope;
    }

    /** The fields that can be named here, nearest first. */
    public List<Field> fields() {
        return steps.stream()
                .filter(ValueStep.OfField.class::isInstance)
                .map(step -> ((ValueStep.OfField) step).field())
                .toList();
    }

    private List<Definition> above() {
        return definitions.stream()
                .flatMap(each -> switch (each) {
                    case ContentType type -> names.types(type.nesting().under()).stream();
                    default -> Stream.of(each);
                })
                .distinct()
                .toList();
    }

    /** The steps of a way from here; empty where it leads nowhere. */
    public Optional<List<ValueStep>> follow(ValuePath path) {
        var way = new ArrayList<ValueStep>();
        var scope = Optional.of(this);
        for (var word : path.steps()) {
            var from = scope;
            var step = from.flatMap(here -> here.find(word));
            if (step.isEmpty()) {
                return Optional.empty();
            }
            way.add(step.get());
            scope = from.get().beyond(step.get());
        }
        return Optional.of(way);
    }

    /** A way by ids, as far as it leads anywhere; the rest as it is. */
    public String toIds(String path) {
        return translated(path, true);
    }

    /** A way by keys where they lead to the same; ids where they do not. */
    public String toKeys(String path) {
        return translated(path, false);
    }

    private String translated(String path, boolean toIds) {
        var words = new ArrayList<String>();
        var scope = Optional.of(this);
        for (var word : ValuePath.of(path).steps()) {
            var here = scope;
            var step = here.flatMap(from -> toIds ? from.find(word) : from.byId(word));
            words.add(step.map(found -> toIds ? found.id() : here.get().word(found))
                    .orElse(word));
            scope = step.flatMap(found -> here.get().beyond(found));
        }
        return String.join(".", words);
    }

    /** The key of a step where that leads to it, else its id. */
    private String word(ValueStep step) {
        return byKey(step.key()).filter(step::equals).isPresent() ? step.key() : step.id();
    }
}

package org.jontrel.core.generated;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.format.Replacement;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.ChoiceList;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.GroupUse;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Section;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.Term;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.shape.Property;
import org.jontrel.core.shape.Sense;

/** Single edits of anything a model can hold: tried until one leaves the model valid. */
final class Edits {
    private static final int MOST_ATTEMPTS = 10_000;
    private final Draw draw;

    Edits(Draw draw) {
        this.draw = draw;
    }

    Model edit(Model model) {
        return tried(model, this::attempt);
    }

    /** One that takes values to another place: into and out of groups and rows, from one to several, into a field of their own. */
    Model reshape(Model model) {
        return tried(model, this::attemptReshape);
    }

    /** One that makes a type of rows, a group or some fields. */
    Model part(Model model) {
        return tried(model, new Parting(draw)::part);
    }

    /** With rows or a group more. */
    Model nest(Model model) {
        return tried(model, each -> new Parting(draw).nest(each, kinds(each)));
    }

    /** A model with a type of which some records become those of a new one, and the model that has it. */
    List<Model> split(Model model) {
        return both(() -> new Retyping(draw).split(model));
    }

    /** A model with a field that goes over a relation, and the model in which it is at the other end. */
    List<Model> related(Model model) {
        return both(() -> new Relating(draw).related(model));
    }

    /** A model with texts that are names, and the model in which they are terms of a new taxonomy. */
    List<Model> named(Model model) {
        return both(() -> new NamingEdit(draw).named(model));
    }

    private static List<Model> both(Supplier<Optional<Retyping.SplitModels>> way) {
        for (int i = 0; i < MOST_ATTEMPTS; i++) {
            var both = way.get();
            if (both.isPresent()
                    && !Finding.blocks(ModelCheck.check(both.get().before()))
                    && !Finding.blocks(ModelCheck.check(both.get().after()))) {
                return List.of(both.get().before(), both.get().after());
            }
        }
        return List.of();
    }

    private Model tried(Model model, Function<Model, Optional<Model>> way) {
        for (int i = 0; i < MOST_ATTEMPTS; i++) {
            var edited = way.apply(model);
            if (edited.isPresent() && !edited.get().equals(model) && !Finding.blocks(ModelCheck.check(edited.get()))) {
                return edited.get();
            }
        }
        throw new IllegalStateException("No edit leaves this model valid; it has itself: "
                + ModelCheck.check(model).stream().map(Finding::sentence).toList());
    }

    private Optional<Model> attemptReshape(Model model) {
        return switch (draw.below(6)) {
            case 0, 1 -> move(model);
            case 2 -> nested(model);
            case 3 -> amount(model);
            case 4 -> replaced(model);
            default -> kind(model);
        };
    }

    /** A group becomes rows, rows a group, and a value that stands alone the first field of either. */
    private Optional<Model> nested(Model model) {
        return field(model)
                .filter(field -> !field.id().startsWith("part_"))
                .flatMap(field -> Replacement.in(model, field.id(), _ -> {
                    var inner = field.inner().isEmpty()
                            ? List.of(new Field(
                                    draw.id('f'),
                                    "field_" + draw.fresh(),
                                    draw.text(),
                                    "",
                                    false,
                                    single(field.kind())))
                            : field.inner();
                    return field.withFallback("")
                            .withKind(
                                    field.kind() instanceof Kind.Repeater
                                                    || field.inner().isEmpty() && draw.chance()
                                            ? new Kind.FieldGroup(inner)
                                            : new Kind.Repeater(inner, null, null, "", Kind.Repeater.RowStyle.CARDS));
                }));
    }

    private Kind single(Kind kind) {
        return kind instanceof Kind.Note || kind instanceof Kind.Relation ? Kind.Text.PLAIN : kind;
    }

    /** One value becomes several, or several one. */
    private Optional<Model> amount(Model model) {
        return field(model).flatMap(field -> {
            var amount = field.kind().amount().many() ? Kind.Amount.ONE : new Kind.Amount(true, null, null);
            var kind =
                    switch (field.kind()) {
                        case Kind.Choice choice ->
                            new Kind.Choice(choice.options(), choice.list(), amount, Kind.Choice.PLAIN.shown());
                        case Kind.Image image ->
                            new Kind.Image(
                                    image.minWidth(),
                                    image.minHeight(),
                                    image.maxWidth(),
                                    image.maxHeight(),
                                    image.maxKilobytes(),
                                    image.altRequired(),
                                    image.formats(),
                                    image.widths(),
                                    amount);
                        case Kind.File file -> new Kind.File(file.formats(), file.maxKilobytes(), amount);
                        case Kind.TermPick term -> new Kind.TermPick(term.taxonomy(), amount);
                        default -> null;
                    };
            return kind == null
                    ? Optional.empty()
                    : Replacement.in(
                            model, field.id(), _ -> field.withKind(kind).withFallback(""));
        });
    }

    /** A field goes, and one with the same key comes: a plan asks whether it takes its values. */
    private Optional<Model> replaced(Model model) {
        return field(model)
                .filter(field ->
                        !field.id().startsWith("part_") && field.inner().isEmpty())
                .flatMap(field -> Replacement.in(
                        model,
                        field.id(),
                        _ -> (draw.chance()
                                        ? field
                                        : field.withKind(kinds(model).kind(3, false)))
                                .withId(draw.id('f'))
                                .withFallback("")));
    }

    private Optional<Model> attempt(Model model) {
        if (model.definitions().isEmpty()) {
            return addList(model);
        }
        return switch (draw.below(9)) {
            case 0, 1, 2 -> property(model);
            case 3 -> remove(model);
            case 4 -> reorder(model);
            case 5 -> insert(model);
            case 6 -> kind(model);
            case 7 -> draw.once(3) ? share(model) : move(model);
            default -> draw.chance() ? removeDefinition(model) : addList(model);
        };
    }

    private static List<Object> things(Model model) {
        var all = new ArrayList<Object>();
        model.definitions().forEach(definition -> {
            all.add(definition);
            Things.within(definition, all::add);
        });
        all.removeIf(thing -> Things.shape(thing).scoped(thing));
        return all;
    }

    private static Optional<Model> with(Model model, Object thing, String property, Object value) {
        var values = new HashMap<String, Object>();
        values.put(property, value);
        return Replacement.in(
                model, Things.shape(thing).id(thing), each -> Things.of(each).with(each, values));
    }

    private Optional<Model> property(Model model) {
        var thing = draw.of(things(model));
        var property = draw.of(Things.of(thing).properties());
        Object now = property.getter().apply(thing);
        Object other =
                switch (now) {
                    case Boolean flag -> !flag;
                    case Integer number -> number + 1;
                    case String _ when property.sense() == Sense.WORDING -> draw.text();
                    case String _ when property.sense() == Sense.NAME -> "renamed_" + draw.fresh();
                    case null, default -> null;
                };
        return other == null ? Optional.empty() : with(model, thing, property.name(), other);
    }

    private Optional<Property<Object, ?>> slot(Object thing) {
        var slots = Things.of(thing).properties().stream()
                .filter(property -> property.slot() != null && !property.name().equals("inverse"))
                .toList();
        return slots.isEmpty() ? Optional.empty() : Optional.of(draw.of(slots));
    }

    private static Optional<Model> withItems(Model model, Object thing, Property<Object, ?> slot, List<Object> items) {
        return with(model, thing, slot.name(), slot.slot().of(items));
    }

    private Optional<Model> remove(Model model) {
        var thing = draw.of(things(model));
        return slot(thing).flatMap(slot -> {
            var items = new ArrayList<>(Things.items(slot, thing));
            if (items.isEmpty()) {
                return Optional.empty();
            }
            items.remove(draw.below(items.size()));
            return withItems(model, thing, slot, items);
        });
    }

    private Optional<Model> reorder(Model model) {
        var thing = draw.of(things(model));
        return slot(thing).flatMap(slot -> {
            var items = new ArrayList<>(Things.items(slot, thing));
            Collections.rotate(items, 1 + draw.below(3));
            return withItems(model, thing, slot, items);
        });
    }

    private Kinds kinds(Model model) {
        return new Kinds(draw, ids(model, ContentType.class), ids(model, ChoiceList.class), ids(model, Taxonomy.class));
    }

    private static <D extends Definition> List<String> ids(Model model, Class<D> sort) {
        return model.all(sort).stream().map(Definition::id).toList();
    }

    private Optional<Model> insert(Model model) {
        var thing = draw.of(things(model));
        var kinds = kinds(model);
        return slot(thing).flatMap(slot -> {
            var made =
                    switch (slot.name()) {
                        case "fields" -> kinds.field(4, false, List.of());
                        case "options" -> kinds.option(false);
                        case "terms", "children" ->
                            new Term(draw.id('w'), "term_" + draw.fresh(), draw.text(), java.util.Map.of(), List.of());
                        case "groups" -> new Group(draw.id('g'), draw.text(), "", kinds.fields(3, 1, false));
                        default -> null;
                    };
            if (made == null) {
                return Optional.empty();
            }
            var items = new ArrayList<>(Things.items(slot, thing));
            items.add(draw.below(items.size() + 1), made);
            return withItems(model, thing, slot, items);
        });
    }

    private Optional<Field> field(Model model) {
        var fields = things(model).stream()
                .filter(Field.class::isInstance)
                .map(Field.class::cast)
                .toList();
        return fields.isEmpty() ? Optional.empty() : Optional.of(draw.of(fields));
    }

    private Optional<Model> kind(Model model) {
        return field(model)
                .flatMap(field -> Replacement.in(
                        model,
                        field.id(),
                        _ -> field.withKind(kinds(model).kind(3, false)).withFallback("")));
    }

    /** A field goes anywhere that holds fields. */
    private Optional<Model> move(Model model) {
        return field(model).flatMap(field -> {
            var without = things(model).stream()
                    .filter(thing -> Things.items(thing, "fields").contains(field))
                    .findFirst()
                    .flatMap(owner -> {
                        var rest = new ArrayList<>(Things.items(owner, "fields"));
                        rest.remove(field);
                        return with(model, owner, "fields", rest);
                    });
            var homes = without.stream()
                    .flatMap(each -> things(each).stream())
                    .filter(thing -> Things.of(thing).properties().stream()
                            .anyMatch(property -> property.name().equals("fields") && property.slot() != null))
                    .toList();
            if (homes.isEmpty()) {
                return Optional.empty();
            }
            var home = draw.of(homes);
            var items = new ArrayList<>(Things.items(home, "fields"));
            items.add(draw.below(items.size() + 1), field);
            return with(without.orElseThrow(), home, "fields", items);
        });
    }

    /** A group of a type's own becomes a shared one. */
    private Optional<Model> share(Model model) {
        var type = model.types().isEmpty() ? null : draw.of(model.types());
        if (type == null || type.groups().isEmpty()) {
            return Optional.empty();
        }
        var group = draw.of(type.groups());
        var shared = new SharedGroup(
                draw.id('g'), "group_" + draw.fresh(), group.title(), group.description(), group.fields());
        var sections = new ArrayList<Section>(type.sections());
        sections.set(sections.indexOf(group), new GroupUse(shared.id(), Condition.ALWAYS));
        return Optional.of(model.with(type.withSections(sections)).with(shared));
    }

    private Optional<Model> removeDefinition(Model model) {
        return Optional.of(model.without(
                draw.of(new ArrayList<Definition>(model.definitions())).id()));
    }

    private Optional<Model> addList(Model model) {
        return Optional.of(model.with(new ChoiceList(
                draw.id('l'),
                "list_" + draw.fresh(),
                draw.text(),
                "",
                List.of(new Kind.Option(draw.id('o'), "option_" + draw.fresh(), draw.text(), false)))));
    }
}

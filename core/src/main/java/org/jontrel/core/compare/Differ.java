package org.jontrel.core.compare;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import org.jontrel.core.format.Difference;
import org.jontrel.core.format.Located;
import org.jontrel.core.format.Shapes;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.ChoiceList;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.Look;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.PagePart;
import org.jontrel.core.model.Section;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.Term;
import org.jontrel.core.model.block.ValuePath;
import org.jontrel.core.shape.Mapper;
import org.jontrel.core.shape.Sense;

/** Walks what differs of two models, definition by definition. */
final class Differ {
    private final Model before;
    private final Model after;
    private final Map<String, Definition> definitionsBefore = new HashMap<>();
    private final Map<String, Definition> definitionsAfter = new HashMap<>();
    private final List<Change> changes = new ArrayList<>();
    private final SettingTexts shownBefore;
    private final SettingTexts shownAfter;
    private Map<String, Located> were = Map.of();
    private Map<String, Located> are = Map.of();
    private final Set<String> mentioned = new HashSet<>();

    Differ(Model before, Model after) {
        this.before = before;
        this.after = after;
        this.shownBefore = new SettingTexts(before);
        this.shownAfter = new SettingTexts(after);
        before.definitions().forEach(each -> definitionsBefore.putIfAbsent(each.id(), each));
        after.definitions().forEach(each -> definitionsAfter.putIfAbsent(each.id(), each));
    }

    List<Change> run() {
        were = Located.index(differing(before, definitionsAfter));
        are = Located.index(differing(after, definitionsBefore));
        if (were.isEmpty() && are.isEmpty()) {
            return changes;
        }
        List.of(before, after).forEach(this::mention);
        for (var definition : after.definitions()) {
            var now = are.get(definition.id());
            if (now == null) {
                continue;
            }
            if (were.containsKey(definition.id())) {
                visit(now);
            } else {
                added(now);
            }
        }
        for (var definition : before.definitions()) {
            if (!definitionsAfter.containsKey(definition.id())) {
                removed(were.get(definition.id()));
            }
        }
        return Regrouping.joined(changes);
    }

    private static List<Definition> differing(Model model, Map<String, Definition> others) {
        var differing = new ArrayList<Definition>();
        for (var definition : model.definitions()) {
            if (!definition.equals(others.get(definition.id()))) {
                differing.add(definition);
            }
        }
        return differing;
    }

    /** Notes what layouts, page parts and listings mention. */
    private void mention(Model model) {
        var noting = new Mapper() {
            @Override
            public String reference(ReferenceTarget target, String word) {
                mentioned.addAll(ValuePath.of(word).steps());
                return word;
            }
        };
        model.definitions().stream()
                .filter(Definition::isOfPages)
                .forEach(each -> Shapes.of(each).map(each, noting));
    }

    /** A thing that was nowhere before, then what it holds that was somewhere. */
    private void added(Located now) {
        var content = stripped(now.thing(), now.key(), were::containsKey);
        changes.add(new Change.Added(subject(null, now), spot(now, after), content, Demands.of(now, after)));
        survivors(now);
    }

    private void survivors(Located now) {
        for (var slot : now.slots()) {
            for (var item : now.items(slot)) {
                if (were.containsKey(item.key())) {
                    visit(item);
                } else {
                    survivors(item);
                }
            }
        }
    }

    private void removed(Located was) {
        var content = stripped(was.thing(), was.key(), are::containsKey);
        changes.add(new Change.Removed(subject(was, null), spot(was, before), content, Demands.of(was, before)));
    }

    /** The thing without what is somewhere on the other side. */
    private static Object stripped(Object thing, String key, Predicate<String> elsewhere) {
        var changed = new HashMap<String, Object>();
        var shape = Things.of(thing);
        for (var property : shape.properties()) {
            var slot = property.slot();
            if (slot == null) {
                continue;
            }
            var items = Things.items(property, thing);
            var kept = new ArrayList<>();
            for (var item : items) {
                var itemKey = Things.key(item, key);
                if (!elsewhere.test(itemKey)) {
                    kept.add(stripped(item, itemKey, elsewhere));
                }
            }
            if (!kept.equals(items)) {
                changed.put(property.name(), slot.of(kept));
            }
        }
        return shape.with(thing, changed);
    }

    /** A thing that was and is: what is said of it, where it stands, and what it holds. */
    private void visit(Located now) {
        var was = were.get(now.key());
        if (was.thing().equals(now.thing()) && sameSpot(was, now)) {
            return;
        }
        var subject = subject(was, now);
        if (!sameSpot(was, now)) {
            changes.add(new Change.Moved(subject, spot(was, before), spot(now, after), distance(was, now)));
        }
        for (var difference : Difference.between(was.thing(), now.thing())) {
            changes.add(
                    difference.sense() == Sense.NAME
                            ? new Change.Renamed(
                                    subject,
                                    String.valueOf(difference.before()),
                                    String.valueOf(difference.after()),
                                    isShown(now.thing()))
                            : changed(subject, difference, was.thing(), now.thing()));
        }
        var slotsBefore = was.slots();
        var slotsAfter = now.slots();
        boolean otherKind =
                was.thing() instanceof Field a && now.thing() instanceof Field b && !Kind.same(a.kind(), b.kind());
        if (otherKind) {
            changes.add(new Change.KindChanged(
                    subject, kind(was, are::containsKey, slotsAfter), kind(now, were::containsKey, slotsBefore)));
        }
        for (var slot : slotsAfter) {
            if (slotsBefore.contains(slot)) {
                items(was, now, slot, subject);
            } else {
                survivorsIn(now, slot);
            }
        }
    }

    /** Whether the content API shows the key of a thing. */
    private static boolean isShown(Object thing) {
        return switch (thing) {
            case SharedGroup _, ChoiceList _, Layout _, Listing _, PagePart _, Look _ -> false;
            default -> true;
        };
    }

    private Change.Changed changed(Subject subject, Difference difference, Object was, Object is) {
        var told = difference.sense() == Sense.ADDRESS || difference.sense() == Sense.API_ADDRESS
                ? difference.as(sense(difference, was, is))
                : difference;
        var before = shownBefore.before(told);
        var after = shownAfter.after(told);
        boolean alike = before.equals(after);
        return new Change.Changed(
                subject,
                told,
                shownAfter.name(told.name(), shownBefore),
                alike ? shownBefore.withKeys(told.before()) : before,
                alike ? shownAfter.withKeys(told.after()) : after);
    }

    /** A path is an address in the API where the type has no other there; an own one is none where nothing changes by it. */
    private static Sense sense(Difference difference, Object was, Object is) {
        if (!(was instanceof ContentType a && is instanceof ContentType b)) {
            return difference.sense();
        }
        boolean own = difference.name().equals("api_path");
        if (!own && !difference.name().equals("path")) {
            return difference.sense();
        }
        boolean moves = a.publishing().api()
                && b.publishing().api()
                && !apiAddress(a).equals(apiAddress(b))
                && (own
                        || (a.publishing().apiPath().isEmpty()
                                && b.publishing().apiPath().isEmpty()));
        return moves ? Sense.API_ADDRESS : own ? Sense.FORM : Sense.ADDRESS;
    }

    private static String apiAddress(ContentType type) {
        var own = type.publishing().apiPath();
        return own.isEmpty() ? type.path() : own;
    }

    private void survivorsIn(Located now, String slot) {
        for (var item : now.items(slot)) {
            if (were.containsKey(item.key())) {
                visit(item);
            } else {
                survivors(item);
            }
        }
    }

    /** The kind without what is compared on its own: what is on the other side, and slots that both kinds have. */
    private static Kind kind(Located field, Predicate<String> elsewhere, List<String> slotsOfOther) {
        var stripped = (Field) stripped(field.thing(), field.key(), elsewhere);
        var shape = Things.of(stripped);
        var emptied = new HashMap<String, Object>();
        for (var property : shape.properties()) {
            if (property.slot() != null && slotsOfOther.contains(property.name())) {
                emptied.put(property.name(), property.slot().of(List.of()));
            }
        }
        return ((Field) shape.with(stripped, emptied)).kind();
    }

    private void items(Located was, Located now, String slot, Subject subject) {
        var itemsBefore = was.items(slot);
        var itemsAfter = now.items(slot);
        for (var item : itemsAfter) {
            if (were.containsKey(item.key())) {
                visit(item);
            } else {
                added(item);
            }
        }
        for (var item : itemsBefore) {
            if (!are.containsKey(item.key())) {
                removed(item);
            }
        }
        var keysBefore = itemsBefore.stream().map(Located::key).toList();
        var keysAfter = itemsAfter.stream().map(Located::key).toList();
        var inBoth = new HashSet<>(keysBefore);
        inBoth.retainAll(new HashSet<>(keysAfter));
        if (!keysBefore.stream()
                .filter(inBoth::contains)
                .toList()
                .equals(keysAfter.stream().filter(inBoth::contains).toList())) {
            changes.add(new Change.Reordered(subject, slot, keysBefore, keysAfter));
        }
    }

    private static boolean sameSpot(Located was, Located now) {
        return was.owner() == null
                || now.owner() == null
                || (was.owner().key().equals(now.owner().key()) && was.slot().equals(now.slot()));
    }

    private Change.Moved.Distance distance(Located was, Located now) {
        if (was.thing() instanceof Term) {
            boolean carried = was.definition() instanceof Taxonomy a && a.parentsInAddress()
                    || now.definition() instanceof Taxonomy b && b.parentsInAddress();
            return carried ? Change.Moved.Distance.UNDER_IN_ADDRESS : Change.Moved.Distance.UNDER;
        }
        var from = was.recordType();
        var to = now.recordType();
        if (from.equals(to)) {
            return Change.Moved.Distance.WITHIN;
        }
        return uses(definitionsAfter.get(from), to) || uses(definitionsBefore.get(to), from)
                ? Change.Moved.Distance.SHARED
                : Change.Moved.Distance.AWAY;
    }

    private static boolean uses(Definition definition, String groupId) {
        return definition instanceof ContentType type
                && Section.uses(type.sections()).stream()
                        .anyMatch(use -> use.group().equals(groupId));
    }

    private Subject subject(Located was, Located now) {
        var at = now == null ? was : now;
        return new Subject(
                at.level(),
                at.key(),
                was == null ? null : name(was, before),
                now == null ? null : name(now, after),
                mentioned.contains(at.key()),
                at.definition().isOfPages());
    }

    private static Subject.Name name(Located at, Model model) {
        return new Subject.Name(at.definition().id(), at.definition().name(), at.label(model), at.ownerLabel(model));
    }

    private static ThingPosition spot(Located at, Model model) {
        var owner = at.owner();
        return owner == null
                ? ThingPosition.MODEL
                : new ThingPosition(owner.key(), at.slot(), at.behind(), owner.label(model));
    }
}

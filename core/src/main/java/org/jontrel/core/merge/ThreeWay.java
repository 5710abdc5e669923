package org.jontrel.core.merge;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.compare.SettingTexts;
import org.jontrel.core.format.Located;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Model;
import org.jontrel.core.work.Deadline;

/**
 * One model from three: for each thing whether it is there, where it stands and what is said of it; then everything is
 * put together.
 */
final class ThreeWay {
    private final Model base;
    private final Model ours;
    private final Model theirs;
    private final List<Clash> clashes;
    private final Chooser.SideTexts words;
    private final List<Definition> untouched = new ArrayList<>();
    private final Map<String, Located> was;
    private final Map<String, Located> here;
    private final Map<String, Located> there;
    private final Set<String> kept = new LinkedHashSet<>();
    private final Set<String> rescued = new HashSet<>();
    private final Map<String, SlotLocation> homes = new LinkedHashMap<>();
    private final Map<SlotLocation, Set<String>> held = new HashMap<>();
    private final Map<String, Object> merged = new HashMap<>();

    /** Where a thing stands: within which, in which slot. */
    record SlotLocation(String owner, String slot) {}

    ThreeWay(Model base, Model ours, Model theirs, List<Clash> clashes) {
        this.base = base;
        this.ours = ours;
        this.theirs = theirs;
        this.clashes = clashes;
        this.words = new Chooser.SideTexts(new SettingTexts(base), new SettingTexts(ours), new SettingTexts(theirs));
        var touched = touched();
        was = Located.index(of(base, touched));
        here = Located.index(of(ours, touched));
        there = Located.index(of(theirs, touched));
    }

    /** Ids of definitions that are not the same on all three sides. */
    private Set<String> touched() {
        var before = byId(base);
        var mine = byId(ours);
        var other = byId(theirs);
        var touched = new HashSet<String>();
        for (var side : List.of(before, mine, other)) {
            side.forEach((id, definition) -> {
                if (!definition.equals(before.get(id))
                        || !definition.equals(mine.get(id))
                        || !definition.equals(other.get(id))) {
                    touched.add(id);
                }
            });
        }
        before.values().stream().filter(each -> !touched.contains(each.id())).forEach(untouched::add);
        return touched;
    }

    private static Map<String, Definition> byId(Model model) {
        var byId = new LinkedHashMap<String, Definition>();
        model.definitions().forEach(definition -> byId.putIfAbsent(definition.id(), definition));
        return byId;
    }

    private static List<Definition> of(Model model, Set<String> ids) {
        return byId(model).values().stream()
                .filter(definition -> ids.contains(definition.id()))
                .toList();
    }

    /** @param madeUp ids that no file gave: what seems gone under them may have been renamed */
    Model run(Set<String> madeUp) {
        var all = new LinkedHashSet<>(here.keySet());
        all.addAll(there.keySet());
        all.forEach(this::decide);
        if (!madeUp.isEmpty()) {
            new Renames(was, here, there, madeUp)
                    .run((before, mine, other) -> chooser(before, base)
                            .clash("name", before.label(base), mine.label(ours), other.label(theirs)));
        }
        List.copyOf(kept).forEach(this::settle);
        homes.forEach((key, home) ->
                held.computeIfAbsent(home, _ -> new LinkedHashSet<>()).add(key));
        homes.values().stream().distinct().forEach(this::keepSlot);
        var definitions = new ArrayList<>(untouched);
        for (var key : kept) {
            Deadline.check();
            if (side(key).owner() == null) {
                definitions.add((Definition) whole(key));
            }
        }
        return new Model(definitions);
    }

    /**
     * What one side put into a thing stays nowhere where the other made it of a kind that holds nothing: that is a clash,
     * never a loss.
     */
    private void keepSlot(SlotLocation home) {
        var owner = itself(home.owner());
        boolean holds = Things.of(owner).properties().stream()
                .anyMatch(property -> property.name().equals(home.slot()) && property.slot() != null);
        var at = side(home.owner());
        boolean told = clashes.stream()
                .anyMatch(clash ->
                        clash.elementId().equals(elementId(at)) && clash.what().endsWith(": kind"));
        if (holds || told) {
            return;
        }
        chooser(at, modelOf(home.owner()))
                .clash("kind", kindOn(was, home, base), kindOn(here, home, ours), kindOn(there, home, theirs));
    }

    /** What kind a field is of on one side, with what it holds there and would lose. */
    private String kindOn(Map<String, Located> side, SlotLocation home, Model model) {
        var at = side.get(home.owner());
        if (at == null || !(at.thing() instanceof Field field)) {
            return null;
        }
        var kind = field.kind().code().replace('_', ' ');
        var lost = at.items(home.slot()).stream()
                .filter(item -> held.get(home).contains(item.key()))
                .map(item -> item.label(model))
                .toList();
        return lost.isEmpty() ? kind : kind + " with " + String.join(", ", lost);
    }

    private Located side(String key) {
        return here.getOrDefault(key, there.get(key));
    }

    private Model modelOf(String key) {
        return here.containsKey(key) ? ours : theirs;
    }

    /** Whether a thing is there: what one side added or both have; what one removed and the other changed, with a clash. */
    private void decide(String key) {
        var mine = here.get(key);
        var other = there.get(key);
        var before = was.get(key);
        if ((mine != null && other != null) || before == null) {
            kept.add(key);
            return;
        }
        var left = mine != null ? mine : other;
        if (left.owner() != null && isRescued(left.owner())) {
            kept.add(key);
        } else if (!same(before.thing(), left.thing()) || !sameSpot(before, left)) {
            kept.add(key);
            rescued.add(key);
            var label = left.label(modelOf(key)) + SideSummary.edits(before, left, new SettingTexts(modelOf(key)));
            clashes.add(new Clash(
                    left.definition().id(),
                    elementId(left),
                    what(left, modelOf(key)),
                    before.label(base),
                    mine == null ? "" : label,
                    other == null ? "" : label));
        }
    }

    /** A group counts without its fields: they are decided about on their own, and keep it where one stays in it. */
    private static boolean same(Object before, Object left) {
        return before instanceof Group a && left instanceof Group b
                ? a.withFields(List.of()).equals(b.withFields(List.of()))
                : before.equals(left);
    }

    private boolean isRescued(Located owner) {
        for (var at = owner; at != null; at = at.owner()) {
            if (rescued.contains(at.key())) {
                return true;
            }
        }
        return false;
    }

    private static boolean sameSpot(Located a, Located b) {
        return a.owner() == null
                ? b.owner() == null
                : b.owner() != null
                        && a.owner().key().equals(b.owner().key())
                        && a.slot().equals(b.slot());
    }

    /** Gives a thing its home, and the home its own. */
    private void settle(String key) {
        var at = side(key);
        if (at.owner() == null || homes.containsKey(key)) {
            return;
        }
        var home = home(key);
        if (!kept.contains(home.owner()) || within(home.owner(), key)) {
            home = otherHome(key, home);
        }
        homes.put(key, home);
        if (kept.add(home.owner())) {
            brought(home.owner(), key);
            settle(home.owner());
        }
    }

    /** A thing that one side removed stays, since the other put something into it: that needs a person. */
    private void brought(String owner, String item) {
        var before = was.get(owner);
        if (before == null || (here.containsKey(owner) && there.containsKey(owner))) {
            return;
        }
        var at = side(owner);
        var label = at.label(modelOf(owner));
        var with = label + " with " + side(item).label(modelOf(item));
        clashes.add(new Clash(
                at.definition().id(),
                elementId(at),
                what(at, modelOf(owner)),
                before.label(base),
                here.containsKey(owner) ? with : "",
                there.containsKey(owner) ? with : ""));
    }

    /** Whether one thing stands within another, as far as is settled. */
    private boolean within(String key, String around) {
        var seen = new HashSet<String>();
        for (var at = key; at != null && seen.add(at); ) {
            if (at.equals(around)) {
                return true;
            }
            var home = homes.get(at);
            at = home == null ? null : home.owner();
        }
        return false;
    }

    private SlotLocation home(String key) {
        var mine = homeOn(here, key);
        var other = homeOn(there, key);
        if (mine == null || other == null) {
            return mine == null ? other : mine;
        }
        var at = here.get(key);
        return chooser(at, ours).choose("place", homeOn(was, key), mine, other);
    }

    /** A home that is there: of the other side, or before, with a clash; else the first one, which is kept then. */
    private SlotLocation otherHome(String key, SlotLocation chosen) {
        for (var side : List.of(here, there, was)) {
            var home = homeOn(side, key);
            if (home != null && kept.contains(home.owner()) && !within(home.owner(), key)) {
                var at = side(key);
                chooser(at, modelOf(key)).clash("place", homeOn(was, key), homeOn(here, key), homeOn(there, key));
                return home;
            }
        }
        return chosen;
    }

    private static SlotLocation homeOn(Map<String, Located> side, String key) {
        var at = side.get(key);
        return at == null || at.owner() == null
                ? null
                : new SlotLocation(at.owner().key(), at.slot());
    }

    private Object whole(String key) {
        var thing = itself(key);
        var shape = Things.of(thing);
        var filled = new HashMap<String, Object>();
        for (var property : shape.properties()) {
            if (property.slot() != null) {
                filled.put(property.name(), property.slot().of(inside(new SlotLocation(key, property.name()))));
            }
        }
        return shape.with(thing, filled);
    }

    private List<Object> inside(SlotLocation home) {
        var keys = held.getOrDefault(home, Set.of());
        var ordered = Sequences.merge(keysIn(was, home), keysIn(here, home), keysIn(there, home), keys);
        if (ordered.clash()) {
            var at = side(home.owner());
            chooser(at, modelOf(home.owner()))
                    .clash("order of " + home.slot(), order(was, home), order(here, home), order(there, home));
        }
        return ordered.order().stream().map(this::whole).toList();
    }

    private String order(Map<String, Located> side, SlotLocation home) {
        var model = side == was ? base : side == here ? ours : theirs;
        var owner = side.get(home.owner());
        return owner == null
                ? null
                : owner.items(home.slot()).stream()
                        .map(item -> item.label(model))
                        .collect(Collectors.joining(", "));
    }

    private static List<String> keysIn(Map<String, Located> side, SlotLocation home) {
        var owner = side.get(home.owner());
        return owner == null
                ? List.of()
                : owner.items(home.slot()).stream().map(Located::key).toList();
    }

    /** What is said of a thing, whatever it holds. */
    private Object itself(String key) {
        var known = merged.get(key);
        if (known == null) {
            known = broughtTogether(key);
            merged.put(key, known);
        }
        return known;
    }

    private Object broughtTogether(String key) {
        var mine = here.get(key);
        var other = there.get(key);
        if (mine == null || other == null) {
            return (mine == null ? other : mine).thing();
        }
        var before = was.get(key);
        return new Properties(chooser(mine, ours))
                .merged(before == null ? null : before.thing(), mine.thing(), other.thing());
    }

    private Chooser chooser(Located at, Model model) {
        return new Chooser(at.definition().id(), elementId(at), what(at, model), words, clashes);
    }

    private static String elementId(Located at) {
        return at.owner() == null ? "" : at.key();
    }

    private static String what(Located at, Model model) {
        var label = at.label(model);
        if (at.owner() == null) {
            return Character.toUpperCase(at.level().charAt(0)) + at.level().substring(1) + " " + label;
        }
        return at.definition().name() + ": " + at.level() + " " + label;
    }
}

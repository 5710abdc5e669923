package org.jontrel.core.merge;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import org.jontrel.core.code.Settings;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;

/** One content type from three. */
final class TypeMerge {
    private final ContentType base;
    private final ContentType ours;
    private final ContentType theirs;
    private final List<Clash> clashes;

    /** @param base {@code null} where both sides made the type */
    TypeMerge(ContentType base, ContentType ours, ContentType theirs, List<Clash> clashes) {
        this.base = base;
        this.ours = ours;
        this.theirs = theirs;
        this.clashes = clashes;
    }

    ContentType run() {
        var parts = new HashMap<String, Object>();
        parts.put("parts", words(base == null ? List.of() : base.parts(), ours.parts(), theirs.parts()));
        parts.put("wordings", wordings());
        parts.put("groups", groups());
        return Settings.merged(base, ours, theirs, parts, chooser("", "Content type " + ours.singular()));
    }

    private Settings.Choice chooser(String elementId, String what) {
        return (name, before, here, there) ->
                choose(elementId, what + ": " + name.replace('_', ' '), before, here, there);
    }

    /** The side that changed; ours, with a clash, where both did and differ. */
    private <V> V choose(String elementId, String what, V before, V here, V there) {
        if (Objects.equals(here, there) || Objects.equals(before, there)) {
            return here;
        }
        if (!Objects.equals(before, here)) {
            clashes.add(new Clash(ours.id(), elementId, what, text(before), text(here), text(there)));
            return here;
        }
        return there;
    }

    private static String text(Object value) {
        return value == null ? "" : String.valueOf(value);
    }

    /** Elements without settings: there where one side added them, gone where one side removed them. */
    private static <T> List<T> words(List<T> before, List<T> here, List<T> there) {
        var kept = new LinkedHashSet<T>(here);
        kept.addAll(there);
        kept.removeIf(word -> before.contains(word) && !(here.contains(word) && there.contains(word)));
        return Sequences.merge(before, here, there, kept);
    }

    private Map<String, String> wordings() {
        var before = base == null ? Map.<String, String>of() : base.wordings();
        var names = new LinkedHashSet<>(ours.wordings().keySet());
        names.addAll(theirs.wordings().keySet());
        var merged = new TreeMap<String, String>();
        for (var name : names) {
            var text = choose(
                    "",
                    "Content type " + ours.singular() + ": wording " + name,
                    before.get(name),
                    ours.wordings().get(name),
                    theirs.wordings().get(name));
            if (text != null) {
                merged.put(name, text);
            }
        }
        return merged;
    }

    /** How one sort of element is identified, named and brought together. */
    private record Sort<T>(Function<T, String> id, Function<T, String> what, Together<T> together) {}

    private interface Together<T> {
        T of(T before, T here, T there);
    }

    /** Elements by id, in the order they are given; kept, removed or brought together one by one. */
    private <T> Map<String, T> elements(List<T> before, List<T> here, List<T> there, Sort<T> sort) {
        var was = byId(before, sort.id());
        var mine = byId(here, sort.id());
        var other = byId(there, sort.id());
        var ids = new LinkedHashSet<>(mine.keySet());
        ids.addAll(other.keySet());
        var merged = new LinkedHashMap<String, T>();
        for (var id : ids) {
            var a = mine.get(id);
            var b = other.get(id);
            if (a != null && b != null) {
                merged.put(id, sort.together().of(was.get(id), a, b));
                continue;
            }
            var kept = a != null ? a : b;
            if (!was.containsKey(id)) {
                merged.put(id, kept);
            } else if (!was.get(id).equals(kept)) {
                clashes.add(new Clash(
                        ours.id(),
                        id,
                        sort.what().apply(kept),
                        sort.what().apply(was.get(id)),
                        a == null ? "" : sort.what().apply(a),
                        b == null ? "" : sort.what().apply(b)));
                merged.put(id, kept);
            }
        }
        return merged;
    }

    private static <T> Map<String, T> byId(List<T> elements, Function<T, String> id) {
        var map = new LinkedHashMap<String, T>();
        elements.forEach(element -> map.putIfAbsent(id.apply(element), element));
        return map;
    }

    private List<Group> groups() {
        var before = base == null ? List.<Group>of() : base.groups();
        var fields = elements(
                base == null ? List.of() : base.fields().toList(),
                ours.fields().toList(),
                theirs.fields().toList(),
                new Sort<>(Field::id, field -> ours.singular() + ": field " + field.label(), this::field));
        var home = new HashMap<String, String>();
        fields.keySet().forEach(id -> home.put(id, home(id)));
        // a group counts without its fields here: they are brought together on their own
        var groups = elements(
                bare(before),
                bare(ours.groups()),
                bare(theirs.groups()),
                new Sort<>(Group::id, group -> ours.singular() + ": group " + group.title(), this::group));
        home.values().stream().filter(id -> !groups.containsKey(id)).distinct().forEach(id -> rescue(id, groups));
        var order = Sequences.merge(ids(before), ids(ours.groups()), ids(theirs.groups()), groups.keySet());
        var merged = new ArrayList<Group>();
        for (var id : order) {
            var inside = new LinkedHashSet<String>();
            home.forEach((field, group) -> {
                if (group.equals(id)) {
                    inside.add(field);
                }
            });
            var ordered = Sequences.merge(inside(base, id), inside(ours, id), inside(theirs, id), inside);
            merged.add(
                    groups.get(id).withFields(ordered.stream().map(fields::get).toList()));
        }
        return merged;
    }

    /** A group that one side removed and the other put a field into stays. */
    private void rescue(String groupId, Map<String, Group> groups) {
        for (var side : List.of(ours, theirs)) {
            side.groups().stream()
                    .filter(group -> group.id().equals(groupId))
                    .findFirst()
                    .ifPresent(group -> groups.putIfAbsent(groupId, group.withFields(List.of())));
        }
    }

    private String home(String fieldId) {
        var here = ours.groupOf(fieldId).map(Group::id).orElse(null);
        var there = theirs.groupOf(fieldId).map(Group::id).orElse(null);
        if (here == null || there == null) {
            return here == null ? there : here;
        }
        var before = base == null ? null : base.groupOf(fieldId).map(Group::id).orElse(null);
        return choose(fieldId, ours.singular() + ": group of a field", before, here, there);
    }

    private static List<Group> bare(List<Group> groups) {
        return groups.stream().map(group -> group.withFields(List.of())).toList();
    }

    private static List<String> ids(List<Group> groups) {
        return groups.stream().map(Group::id).toList();
    }

    private static List<String> inside(ContentType type, String groupId) {
        return type == null
                ? List.of()
                : type.groups().stream()
                        .filter(group -> group.id().equals(groupId))
                        .flatMap(group -> group.fields().stream())
                        .map(Field::id)
                        .toList();
    }

    private Group group(Group before, Group here, Group there) {
        return Settings.merged(
                before, here, there, List.of(), chooser(here.id(), ours.singular() + ": group " + here.title()));
    }

    private Field field(Field before, Field here, Field there) {
        var what = ours.singular() + ": field " + here.label();
        var kind = kind(what, here.id(), before == null ? null : before.kind(), here.kind(), there.kind());
        return Settings.merged(before, here, there, kind, chooser(here.id(), what));
    }

    private Kind kind(String what, String id, Kind before, Kind here, Kind there) {
        if (!Kind.same(here, there)) {
            return choose(id, what + ": kind", before, here, there);
        }
        var same = before != null && Kind.same(before, here) ? before : null;
        Map<String, Object> parts = here instanceof Kind.Choice a && there instanceof Kind.Choice b
                ? Map.of("options", options(what, same instanceof Kind.Choice c ? c.options() : List.of(), a, b))
                : Map.of();
        return Settings.merged(same, here, there, parts, chooser(id, what));
    }

    private List<Kind.Option> options(String what, List<Kind.Option> before, Kind.Choice here, Kind.Choice there) {
        var sort = new Sort<Kind.Option>(
                Kind.Option::id,
                option -> what + ": option " + option.label(),
                (was, a, b) -> Settings.merged(was, a, b, chooser(a.id(), what + ": option " + a.label())));
        var merged = elements(before, here.options(), there.options(), sort);
        Set<String> kept = merged.keySet();
        return Sequences.merge(optionIds(before), optionIds(here.options()), optionIds(there.options()), kept).stream()
                .map(merged::get)
                .toList();
    }

    private static List<String> optionIds(List<Kind.Option> options) {
        return options.stream().map(Kind.Option::id).toList();
    }
}

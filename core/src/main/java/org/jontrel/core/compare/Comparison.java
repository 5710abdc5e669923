package org.jontrel.core.compare;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.jontrel.core.code.Settings;
import org.jontrel.core.compare.Subject.Level;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.semver4j.Semver;

/**
 * What differs between two models. Things are the same by their id, so a rename is never a removal and an addition.
 *
 * @param changes by type in the order of its key after, then as they stand in the definition
 */
public record Comparison(List<Change> changes) {
    public Comparison {
        changes = List.copyOf(changes);
    }

    public static Comparison of(Model before, Model after) {
        var changes = new ArrayList<Change>();
        var were = index(before.types(), ContentType::id);
        var are = index(after.types(), ContentType::id);
        for (var type : after.types()) {
            var was = were.get(type.id());
            if (was == null) {
                changes.add(new Change.Added(subject(type)));
            } else if (!was.equals(type)) {
                new TypeComparison(was, type, changes).run();
            }
        }
        before.types().stream()
                .filter(type -> !are.containsKey(type.id()))
                .forEach(type -> changes.add(new Change.Removed(subject(type))));
        return new Comparison(changes);
    }

    public boolean isEmpty() {
        return changes.isEmpty();
    }

    /** What the worst change advises; a patch where nothing differs. */
    public Advice advice() {
        return changes.stream().map(Change::advice).max(Advice::compareTo).orElse(Advice.PATCH);
    }

    /** The changes that alone make the advice what it is. */
    public List<Change> causes() {
        return changes.stream().filter(change -> change.advice() == advice()).toList();
    }

    /** The version to give the next release after {@code last}; {@code 1.0.0} where there is none. */
    public String nextVersion(String last) {
        if (last == null) {
            return "1.0.0";
        }
        var version = new Semver(last);
        return switch (advice()) {
            case PATCH -> version.nextPatch().getVersion();
            case MINOR -> version.nextMinor().getVersion();
            case MAJOR -> version.nextMajor().getVersion();
        };
    }

    /** Things by their id; of two with one id (a mistake the checker finds) the first. */
    private static <T> Map<String, T> index(List<T> things, Function<T, String> id) {
        var index = new LinkedHashMap<String, T>();
        things.forEach(thing -> index.putIfAbsent(id.apply(thing), thing));
        return index;
    }

    /** The group of each field, by the field's id. */
    private static Map<String, Group> homes(ContentType type) {
        var homes = new HashMap<String, Group>();
        type.groups().forEach(group -> group.fields().forEach(field -> homes.putIfAbsent(field.id(), group)));
        return homes;
    }

    private static Subject subject(ContentType type) {
        return new Subject(Level.TYPE, type.id(), type.singular(), "", "", "");
    }

    private static final class TypeComparison {
        private final ContentType before;
        private final ContentType after;
        private final List<Change> changes;
        private final Map<String, Group> homesBefore;
        private final Map<String, Group> homesAfter;

        TypeComparison(ContentType before, ContentType after, List<Change> changes) {
            this.before = before;
            this.after = after;
            this.changes = changes;
            this.homesBefore = homes(before);
            this.homesAfter = homes(after);
        }

        void run() {
            differences(subject(after), Settings.differences(before, after));
            parts();
            pairs(before.groups(), after.groups(), Group::id, this::subject, this::group);
            order(before.groups(), after.groups(), Group::id, subject(after));
            pairs(before.fields().toList(), after.fields().toList(), Field::id, this::subject, this::field);
            for (var group : after.groups()) {
                before.groups().stream()
                        .filter(was -> was.id().equals(group.id()))
                        .forEach(was -> order(was.fields(), group.fields(), Field::id, subject(group)));
            }
        }

        private void parts() {
            pairs(before.parts(), after.parts(), Part::code, part -> subject(part.asField()), (_, _) -> {});
            order(before.parts(), after.parts(), Part::code, subject(after));
        }

        private void group(Group was, Group is) {
            differences(subject(is), Settings.differences(was, is));
        }

        private void field(Field was, Field is) {
            var from = homesBefore.get(was.id());
            var to = homesAfter.get(is.id());
            if (!from.id().equals(to.id())) {
                changes.add(new Change.Moved(subject(is), from.title(), to.title()));
            }
            differences(subject(is), Settings.differences(was, is));
            if (!Kind.same(was.kind(), is.kind())) {
                changes.add(new Change.KindChanged(subject(is), was.kind(), is.kind()));
            } else if (was.kind() instanceof Kind.Choice a && is.kind() instanceof Kind.Choice b) {
                pairs(
                        a.options(),
                        b.options(),
                        Kind.Option::id,
                        option -> subject(is, option),
                        (x, y) -> differences(subject(is, y), Settings.differences(x, y)));
                order(a.options(), b.options(), Kind.Option::id, subject(is));
            } else {
                differences(subject(is), Settings.differences(was.kind(), is.kind()));
            }
        }

        private void differences(Subject subject, List<Settings.Difference> differences) {
            for (var difference : differences) {
                changes.add(
                        difference.sense() == org.jontrel.core.code.Sense.NAME
                                ? new Change.Renamed(
                                        subject,
                                        String.valueOf(difference.before()),
                                        String.valueOf(difference.after()))
                                : new Change.Changed(subject, difference));
            }
        }

        private <T> void pairs(
                List<T> were, List<T> are, Function<T, String> id, Function<T, Subject> subject, Pair<T> compare) {
            var before = index(were, id);
            var after = index(are, id);
            after.forEach((key, is) -> {
                var was = before.get(key);
                if (was == null) {
                    changes.add(new Change.Added(subject.apply(is)));
                } else {
                    compare.both(was, is);
                }
            });
            before.forEach((key, was) -> {
                if (!after.containsKey(key)) {
                    changes.add(new Change.Removed(subject.apply(was)));
                }
            });
        }

        /** Whether what both have stands in another order. */
        private <T> void order(List<T> were, List<T> are, Function<T, String> id, Subject subject) {
            var before = index(were, id).keySet();
            var after = index(are, id).keySet();
            if (!before.stream()
                    .filter(after::contains)
                    .toList()
                    .equals(after.stream().filter(before::contains).toList())) {
                changes.add(new Change.Reordered(subject));
            }
        }

        private Subject subject(ContentType type) {
            return Comparison.subject(type);
        }

        private Subject subject(Group group) {
            return new Subject(Level.GROUP, after.id(), after.singular(), group.id(), group.title(), "");
        }

        private Subject subject(Field field) {
            return new Subject(Level.FIELD, after.id(), after.singular(), field.id(), field.label(), "");
        }

        private Subject subject(Field field, Kind.Option option) {
            return new Subject(Level.OPTION, after.id(), after.singular(), option.id(), option.label(), field.label());
        }

        private interface Pair<T> {
            void both(T before, T after);
        }
    }
}

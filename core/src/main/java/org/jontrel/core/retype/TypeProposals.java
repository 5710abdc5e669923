package org.jontrel.core.retype;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jontrel.core.model.Model;
import org.jontrel.core.move.RecordProposals;
import org.jontrel.core.move.TypeView;
import org.jontrel.core.recordtype.RecordType;

/** What the records of a content type that goes could become, and which records could be those of a new one. */
public final class TypeProposals {
    private static final Pattern ANSWER =
            Pattern.compile("([a-z][a-z0-9_]*)(?:\\s+where\\s+(.+?))?(?:\\s+with\\s+(.+))?", Pattern.DOTALL);
    private final Map<String, RecordType> before;
    private final Map<String, RecordType> after;
    private final Map<String, List<TypeProposal>> all = new LinkedHashMap<>();

    public TypeProposals(Model from, Model to) {
        before = RecordProposals.contentTypes(from);
        after = RecordProposals.contentTypes(to);
        before.values().stream()
                .filter(was -> !after.containsKey(was.id()))
                .forEach(was -> keep(was.id(), after.values().stream().flatMap(is -> whole(was, is))));
        after.values().stream()
                .filter(is -> !before.containsKey(is.id()))
                .forEach(is -> keep(is.id(), before.values().stream().flatMap(was -> part(was, is))));
    }

    /** Those of which most fields are matched come first. */
    private void keep(String id, Stream<TypeProposal> found) {
        var sorted = found.sorted(Comparator.comparingLong((TypeProposal each) -> own(each.way()))
                        .reversed()
                        .thenComparing(TypeProposal::answer))
                .toList();
        if (!sorted.isEmpty()) {
            all.put(id, sorted);
        }
    }

    private static long own(TypeMove way) {
        return way.matched().keySet().stream()
                .filter(each -> !each.startsWith("part_"))
                .count();
    }

    private static Stream<TypeProposal> whole(RecordType was, RecordType is) {
        var way = new TypeMove(was.id(), is.id(), TypeCondition.ALL, TypeView.match(was, is), List.of());
        return isLike(way, was, is) ? Stream.of(new TypeProposal(is.key(), was, is, way)) : Stream.empty();
    }

    /** Half of the fields are enough, without the parts that nearly all types have; two types without any are alike too. */
    private static boolean isLike(TypeMove way, RecordType was, RecordType is) {
        long all = own(was);
        return all == 0 ? own(is) == 0 && !way.matched().isEmpty() : own(way) * 2 >= all;
    }

    private static long own(RecordType recordType) {
        return recordType
                .fields()
                .filter(each -> !each.id().startsWith("part_"))
                .flatMap(each -> each.inner().isEmpty() ? Stream.of(each) : each.inner().stream())
                .count();
    }

    private static Stream<TypeProposal> part(RecordType was, RecordType is) {
        var condition = TypeCondition.proposed(was, is.key(), is.singular());
        return condition.stream()
                .flatMap(text -> TypeCondition.read(text, was).stream()
                        .map(when -> new TypeMove(was.id(), is.id(), when, TypeView.match(was, is), List.of()))
                        .map(way -> new TypeProposal(was.key() + " where " + text, was, is, way)));
    }

    /** By the ids of types that go or are new, those that could be, the likeliest first; empty for most models. */
    public Map<String, List<TypeProposal>> all() {
        return new LinkedHashMap<>(all);
    }

    /** What an answer means; empty where nothing can be so. */
    public Optional<TypeProposal> named(String id, String answer) {
        var parts = ANSWER.matcher(answer.strip());
        if (!parts.matches()) {
            return Optional.empty();
        }
        boolean goes = !after.containsKey(id);
        var was = goes ? Optional.ofNullable(before.get(id)) : keyed(before, parts.group(1));
        var is = goes ? keyed(after, parts.group(1)) : Optional.ofNullable(after.get(id));
        if (was.isEmpty() || is.isEmpty() || was.get().id().equals(is.get().id())) {
            return Optional.empty();
        }
        var when =
                parts.group(2) == null ? Optional.of(TypeCondition.ALL) : TypeCondition.read(parts.group(2), was.get());
        var given = parts.group(3) == null
                ? Optional.of(Map.<String, String>of())
                : given(parts.group(3), was.get(), is.get());
        // of a type that stays something has to say which of its records are others
        boolean told = goes
                || !after.containsKey(was.get().id())
                || when.filter(TypeCondition::isAll).isEmpty();
        return when.isEmpty() || given.isEmpty() || !told
                ? Optional.empty()
                : Optional.of(new TypeProposal(
                        answer.strip(),
                        was.get(),
                        is.get(),
                        new TypeMove(
                                was.get().id(),
                                is.get().id(),
                                when.get(),
                                TypeView.match(was.get(), is.get(), given.get()),
                                List.of())));
    }

    private static Optional<RecordType> keyed(Map<String, RecordType> types, String key) {
        return types.values().stream().filter(each -> each.key().equals(key)).findFirst();
    }

    /** {@code length_m = length, remarks = note}: the fields of the other type and those that they come from. */
    private static Optional<Map<String, String>> given(String text, RecordType was, RecordType is) {
        var given = new LinkedHashMap<String, String>();
        for (var each : new ArrayList<>(Arrays.asList(text.split(",")))) {
            var pair = each.split("=", 2);
            var to = pair.length < 2 ? Optional.<String>empty() : field(is, pair[0].strip());
            var from = pair.length < 2 ? Optional.<String>empty() : field(was, pair[1].strip());
            if (to.isEmpty() || from.isEmpty() || given.containsKey(from.get()) || given.containsValue(to.get())) {
                return Optional.empty();
            }
            given.put(from.get(), to.get());
        }
        return Optional.of(given);
    }

    private static Optional<String> field(RecordType recordType, String key) {
        return recordType
                .fields()
                .filter(each -> each.key().equals(key))
                .map(each -> each.id())
                .findFirst();
    }
}

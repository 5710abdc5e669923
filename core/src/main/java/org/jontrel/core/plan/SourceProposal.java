package org.jontrel.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.move.MoveRules;
import org.jontrel.core.move.NumberedFields;
import org.jontrel.core.move.RelatedFields;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;

/** Which fields that go a new one may take its values from: one of the same key or label, or numbered ones. */
public final class SourceProposal {
    static final List<Decision.Action> TAKE_OR_NOT = List.of(Decision.Action.GATHER, Decision.Action.LEAVE);

    private SourceProposal() {}

    /** For each new field, the fields that go whose values it may take over, as is proposed; without those that have none. */
    public static Map<String, Set<String>> all(Model from, Model to) {
        var proposed = new HashMap<String, Set<String>>();
        var before = RecordType.all(from).stream().collect(Collectors.toMap(RecordType::id, each -> each));
        for (var is : RecordType.all(to)) {
            var own = before.get(is.id());
            if (own == null || own.equals(is)) {
                continue;
            }
            var was = RelatedFields.seen(own, from, to, List.of());
            for (var field : is.byId().values()) {
                var sources = of(was, is, field);
                if (!sources.isEmpty()) {
                    proposed.put(field.id(), sources.stream().map(Field::id).collect(Collectors.toSet()));
                }
            }
        }
        return proposed;
    }

    /** The fields that the architect named, as far as they can be taken over; empty where there is no such answer. */
    static List<String> given(RecordType was, RecordType is, Field field, List<Decision> decisions) {
        return answer(was, field, decisions).stream()
                .flatMap(each -> keys(each).stream())
                .flatMap(key -> named(was, is, field, key).stream())
                .map(Field::id)
                .toList();
    }

    static Optional<Decision> answer(RecordType was, Field field, List<Decision> decisions) {
        return was.field(field.id()).isPresent()
                ? Optional.empty()
                : PlanQuestion.decided(decisions, field.id(), Decision.Topic.SOURCES, TAKE_OR_NOT)
                        .filter(each -> each.answer() == Decision.Action.GATHER);
    }

    static List<String> keys(Decision decision) {
        return Arrays.stream(decision.value().split(","))
                .map(String::strip)
                .filter(key -> !key.isEmpty())
                .toList();
    }

    /** The field with this key that goes, where its values can come to the new one. */
    static Optional<Field> named(RecordType was, RecordType is, Field field, String key) {
        return candidates(was, is, field).stream()
                .filter(each -> each.key().equals(key))
                .findFirst();
    }

    /** Those that go, that stand where the new one does, and whose values can come to it. */
    private static List<Field> candidates(RecordType was, RecordType is, Field field) {
        var home = is.home(field.id()).table();
        return was.byId().values().stream()
                .filter(each -> is.field(each.id()).isEmpty())
                .filter(each -> was.home(each.id()).table().equals(home))
                .filter(each -> !(each.kind() instanceof Kind.Repeater))
                .filter(each -> comes(each, field))
                .toList();
    }

    private static boolean comes(Field from, Field to) {
        return from.inner().isEmpty() && FieldStorage.of(from.kind()) != FieldStorage.NOT
                ? MoveRules.carries(from, to) || to.inner().stream().anyMatch(each -> MoveRules.carries(from, each))
                : to.kind() instanceof Kind.Repeater && MoveRules.shares(from, to);
    }

    /** The fields to propose for a new one; empty for none. */
    static List<Field> of(RecordType was, RecordType is, Field field) {
        if (was.field(field.id()).isPresent() || FieldStorage.of(field.kind()) == FieldStorage.NOT) {
            return List.of();
        }
        var candidates = candidates(was, is, field);
        var same = candidates.stream()
                .filter(each -> each.key().equals(field.key()))
                .toList();
        if (!same.isEmpty()) {
            return same;
        }
        var related = candidates.stream()
                .filter(each -> RelatedFields.is(each.id()) && isNamedAs(field.key(), each.key()))
                .toList();
        if (related.size() == 1) {
            return related;
        }
        var called = candidates.stream()
                .filter(each -> each.label().equalsIgnoreCase(field.label()))
                .toList();
        if (called.size() == 1) {
            return called;
        }
        boolean several =
                field.kind() instanceof Kind.Repeater || field.kind().amount().many();
        if (!several) {
            return List.of();
        }
        // numbers of fields elsewhere say nothing of one that is new here
        var numbered = NumberedFields.byStem(
                candidates.stream().filter(each -> !RelatedFields.is(each.id())).toList());
        numbered.values().removeIf(each -> each.size() < 2);
        if (field.kind() instanceof Kind.Repeater && numbered.size() > 1) {
            numbered.keySet().retainAll(NumberedFields.goals(numbered, field).keySet());
            return sets(numbered);
        }
        return numbered.entrySet().stream()
                .filter(each -> numbered.size() == 1 || field.key().startsWith(each.getKey()))
                .findFirst()
                .map(each -> List.copyOf(each.getValue().values()))
                .orElse(List.of());
    }

    /** {@code phone} and {@code keeper_phone} are what {@code keeper.phone} may have become. */
    private static boolean isNamedAs(String key, String related) {
        return related.endsWith("." + key) || related.replace('.', '_').equals(key);
    }

    /** Keys of fields at the other ends of relations, as answers name them. */
    public static List<String> related(List<Decision> decisions) {
        return decisions.stream()
                .filter(each -> each.about() == Decision.Topic.SOURCES)
                .flatMap(each -> keys(each).stream())
                .filter(each -> each.contains("."))
                .toList();
    }

    /** For new fields, ids of those at the other ends of relations that are proposed. */
    static List<String> proposedRelated(RecordType was, RecordType is) {
        return is.byId().values().stream()
                .flatMap(field -> of(was, is, field).stream())
                .map(Field::id)
                .filter(RelatedFields::is)
                .distinct()
                .toList();
    }

    /** All with the first number, then all with the next. */
    private static List<Field> sets(Map<String, TreeMap<Integer, Field>> numbered) {
        var sets = new TreeMap<Integer, List<Field>>();
        numbered.values()
                .forEach(stem -> stem.forEach((number, field) ->
                        sets.computeIfAbsent(number, _ -> new ArrayList<>()).add(field)));
        return sets.values().stream().flatMap(List::stream).toList();
    }
}

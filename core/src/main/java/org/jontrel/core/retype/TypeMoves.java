package org.jontrel.core.retype;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.recordtype.RecordType;

/**
 * Content types that are merged or split, as the architect has decided. The tables of all types that have to do with it are made
 * anew: of those that records leave or come to, and of those that lead to such records or stand under them.
 */
public final class TypeMoves {
    /** What can be answered. */
    public static final List<Decision.Action> CHOICES = List.of(Decision.Action.MOVE, Decision.Action.LEAVE);

    private final Map<String, RecordType> before = new LinkedHashMap<>();
    private final Map<String, RecordType> after = new LinkedHashMap<>();
    private final TypeProposals proposals;
    private final List<Decision> decisions;
    private final Map<String, TypeProposal> decided = new LinkedHashMap<>();
    private final Set<String> members = new LinkedHashSet<>();

    public TypeMoves(Model from, Model to, List<Decision> decisions) {
        RecordType.all(from).forEach(each -> before.put(each.id(), each));
        RecordType.all(to).forEach(each -> after.put(each.id(), each));
        this.proposals = new TypeProposals(from, to);
        this.decisions = decisions;
        decisions.stream()
                .map(Decision::fieldId)
                .distinct()
                .filter(id -> answer(id)
                        .filter(each -> each.answer() == Decision.Action.MOVE)
                        .isPresent())
                .filter(this::comesOrGoes)
                .forEach(id ->
                        proposals.named(id, answer(id).orElseThrow().value()).ifPresent(each -> decided.put(id, each)));
        var given = sources();
        members.addAll(given);
        decided.values().forEach(each -> members.add(each.is().id()));
        before.values().stream()
                .filter(each -> after.containsKey(each.id()))
                .filter(each -> leadsTo(each, given) || standsUnder(each, given))
                .forEach(each -> members.add(each.id()));
    }

    /** The answer for a type that goes or is new. */
    public Optional<Decision> answer(String id) {
        return decisions.stream()
                .filter(each -> each.fieldId().equals(id)
                        && each.about() == Decision.Topic.RECORD_TYPE
                        && CHOICES.contains(each.answer()))
                .reduce((_, last) -> last);
    }

    private Set<String> sources() {
        return decided.values().stream()
                .map(each -> each.was().id())
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    private static boolean leadsTo(RecordType recordType, Set<String> types) {
        return recordType.byId().values().stream().anyMatch(each -> leadsTo(each, types));
    }

    private static boolean leadsTo(Field field, Set<String> types) {
        return field.kind() instanceof Kind.Relation relation
                && (relation.to().isEmpty() || relation.to().stream().anyMatch(types::contains));
    }

    private static boolean standsUnder(RecordType recordType, Set<String> types) {
        return recordType.nesting().under().stream().anyMatch(types::contains);
    }

    /** Ids of types that go or are new and about which something can be answered, with what is possible. */
    public Map<String, List<TypeProposal>> possible() {
        return proposals.all();
    }

    /** Ids of types that go or are new and about which something is asked or answered. */
    public Set<String> asked() {
        var ids = new LinkedHashSet<>(proposals.all().keySet());
        decisions.stream()
                .filter(each -> each.about() == Decision.Topic.RECORD_TYPE)
                .map(Decision::fieldId)
                .filter(this::comesOrGoes)
                .forEach(ids::add);
        return ids;
    }

    private boolean comesOrGoes(String id) {
        return before.containsKey(id) != after.containsKey(id);
    }

    /** What people call the records of a type that goes or is new. */
    public String plural(String id) {
        return Optional.ofNullable(after.getOrDefault(id, before.get(id)))
                .map(RecordType::plural)
                .orElse(id);
    }

    /** What is decided; where nothing is, what is proposed. */
    public Optional<TypeProposal> likely(String id) {
        return decided(id)
                .or(() -> possible().getOrDefault(id, List.of()).stream().findFirst());
    }

    /** What is decided for a type that goes or is new. */
    public Optional<TypeProposal> decided(String id) {
        return Optional.ofNullable(decided.get(id));
    }

    /** All that is decided. */
    public List<TypeProposal> decided() {
        return List.copyOf(decided.values());
    }

    public boolean isEmpty() {
        return decided.isEmpty();
    }

    /** Whether an answer names something that cannot be. */
    public boolean isUnknown(String id) {
        return answer(id).filter(each -> each.answer() == Decision.Action.MOVE).isPresent()
                && comesOrGoes(id)
                && !decided.containsKey(id);
    }

    /** Ids of the types whose tables are made anew. */
    public Set<String> members() {
        return new LinkedHashSet<>(members);
    }

    /** Those of them that were there before, as they were: records that stay come before others, which make room for them. */
    public List<RecordType> were() {
        return before.values().stream()
                .filter(each -> members.contains(each.id()))
                .sorted((a, b) -> Boolean.compare(!after.containsKey(a.id()), !after.containsKey(b.id())))
                .toList();
    }

    /** Those of them that are there from now on. */
    public List<RecordType> are() {
        return after.values().stream()
                .filter(each -> members.contains(each.id()))
                .toList();
    }

    /** One of them, by its id. */
    public RecordType is(String typeId) {
        return after.get(typeId);
    }

    /** The ways of the records of a type, in the order in which they are tried. */
    public List<TypeMove> ways(String typeId) {
        var ways = new ArrayList<TypeMove>();
        var whole = new ArrayList<TypeMove>();
        for (var each : decided.values()) {
            if (each.was().id().equals(typeId)) {
                (each.way().when().isAll() ? whole : ways).add(each.way());
            }
        }
        ways.addAll(whole.stream().limit(1).toList());
        if (whole.isEmpty() && after.containsKey(typeId)) {
            ways.add(TypeMove.staying(typeId));
        }
        return ways;
    }

    /** All ways. */
    public List<TypeMove> ways() {
        return were().stream().flatMap(each -> ways(each.id()).stream()).toList();
    }

    /** Taxonomies that lead to records which become others: their links cannot follow. */
    public List<RecordType> strangers() {
        return before.values().stream()
                .filter(each -> members.contains(each.id()) && each.definition() instanceof Taxonomy)
                .toList();
    }
}

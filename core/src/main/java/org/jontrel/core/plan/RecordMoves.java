package org.jontrel.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Model;
import org.jontrel.core.move.RecordProposal;
import org.jontrel.core.move.RecordProposals;

/** Rows that become records of a new content type, and records that become rows, as the architect has decided. */
public final class RecordMoves {
    private static final List<Decision.Action> TAKES = List.of(Decision.Action.GATHER, Decision.Action.UNITE);
    private final Map<String, List<RecordProposal>> possible;
    private final Map<String, RecordProposal> decided = new LinkedHashMap<>();
    private final RecordProposals proposals;
    private final List<Decision> decisions;

    public RecordMoves(Model from, Model to, List<Decision> decisions) {
        this.proposals = new RecordProposals(from, to);
        this.possible = proposals.all();
        this.decisions = decisions;
        for (var id : List.copyOf(possible.keySet())) {
            answer(id)
                    .filter(each -> TAKES.contains(each.answer()))
                    .flatMap(each -> proposals
                            .named(id, each.value())
                            .filter(one -> each.answer() != Decision.Action.UNITE
                                    || one.rule().canUnite()))
                    // what goes becomes one thing, not two
                    .filter(each -> decided.values().stream().noneMatch(each::contends))
                    .ifPresent(each -> decided.put(id, each));
        }
    }

    /** Without something that comes otherwise. */
    void leave(String id) {
        decided.remove(id);
        possible.remove(id);
    }

    /** The answer for a new content type, new rows or a new group. */
    Optional<Decision> answer(String id) {
        return PlanQuestion.decided(decisions, id, Decision.Topic.RECORDS, choices(id, 0));
    }

    /**
     * What can be answered.
     *
     * @param alike how many say the same as another
     */
    List<Decision.Action> choices(String id, long alike) {
        if (possible(id).stream().noneMatch(each -> each.rule().canUnite())) {
            return List.of(Decision.Action.GATHER, Decision.Action.LEAVE);
        }
        return alike > 0
                ? List.of(Decision.Action.UNITE, Decision.Action.GATHER, Decision.Action.LEAVE)
                : List.of(Decision.Action.GATHER, Decision.Action.UNITE, Decision.Action.LEAVE);
    }

    /** Whether one record is made of all rows that say the same. */
    public boolean unites(String id) {
        return answer(id).filter(each -> each.answer() == Decision.Action.UNITE).isPresent()
                && decided(id).isPresent();
    }

    /** What could come to something new; empty where nothing goes that fits. */
    public List<RecordProposal> possible(String id) {
        return possible.getOrDefault(id, List.of());
    }

    /** Ids of new content types, rows and groups that something could come to. */
    public List<String> ids() {
        return List.copyOf(possible.keySet());
    }

    /** What comes to something new. */
    public Optional<RecordProposal> decided(String id) {
        return Optional.ofNullable(decided.get(id));
    }

    /** The same; where nobody has said anything, what the planner would propose. */
    public Optional<RecordProposal> proposed(String id) {
        return decided(id).or(() -> possible(id).stream().findFirst());
    }

    /** The proposal by which new rows or a new group with this field come from records. */
    public Optional<RecordProposal> filling(String recordTypeId, String fieldId) {
        return decided.values().stream()
                .filter(each -> each.rule().toRows() && each.around().id().equals(recordTypeId))
                .filter(each -> each.rule().has(fieldId)
                        || each.around().field(each.rule().place()).stream()
                                .flatMap(place -> place.withInner())
                                .anyMatch(inner -> inner.id().equals(fieldId)))
                .findFirst();
    }

    /** Whether a new relation leads to records that are made of what its own record had. */
    boolean links(String recordTypeId, String fieldId) {
        return decided.values().stream()
                .anyMatch(each -> !each.rule().toRows()
                        && !each.rule().linkThere()
                        && each.was().id().equals(recordTypeId)
                        && each.rule().link().equals(fieldId));
    }

    /** Whether the values of a field that goes are taken over into records. */
    boolean takes(String recordTypeId, String fieldId) {
        return decided.values().stream()
                .anyMatch(each -> !each.rule().toRows()
                        && each.was().id().equals(recordTypeId)
                        && each.rule().has(fieldId));
    }

    /** Whether records that go become rows. */
    boolean takes(String recordTypeId) {
        return decided.values().stream()
                .anyMatch(each -> each.rule().toRows() && each.rule().records().equals(recordTypeId));
    }

    /** Whether an answer names something that cannot come. */
    boolean isUnknown(String id) {
        return answer(id).filter(each -> TAKES.contains(each.answer())).isPresent()
                && decided(id).isEmpty();
    }

    /** What answers can name, in their words. */
    String paths(String id) {
        var paths = new ArrayList<String>();
        possible(id).forEach(each -> paths.add(each.answer()));
        return String.join(", ", paths);
    }
}

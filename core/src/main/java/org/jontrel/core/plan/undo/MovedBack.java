package org.jontrel.core.plan.undo;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.move.Move;
import org.jontrel.core.move.RecordMove;
import org.jontrel.core.plan.Step;
import org.jontrel.core.retype.TypeMove;

/** The steps that carry over what was entered since values changed their place, when that is undone. */
final class MovedBack {
    private final List<Step> done;

    MovedBack(List<Step> done) {
        this.done = done;
    }

    /** Whether the run took the column made beside for a field into use. */
    boolean taken(String recordTypeId, String fieldId) {
        return done.stream()
                .anyMatch(step -> step instanceof Step.SwitchColumns columns
                        && columns.recordTypeId().equals(recordTypeId)
                        && columns.turns().stream()
                                .anyMatch(turn -> turn.act() == Step.ColumnAction.TAKE
                                        && turn.fieldId().equals(fieldId)));
    }

    Optional<Step> of(Step.MoveValues move) {
        return carry(move.recordTypeId(), move.moves(), sources(move.moves()), false);
    }

    Optional<Step> of(Step.CarryMoved carry) {
        return carry.forth()
                ? carry(carry.recordTypeId(), carry.moves(), sources(carry.moves()), false)
                : carry(carry.recordTypeId(), carry.moves(), targets(carry.moves()), true);
    }

    /** For rows that became records, or records that became rows: what is held of those that come back. */
    Optional<Step> of(String recordTypeId, RecordMove rule, boolean toRows) {
        var held = held(recordTypeId);
        held.keySet().removeIf(each -> !rule.has(each) && !each.equals(rule.link()));
        held(rule.records()).forEach((field, name) -> {
            if (field.isEmpty()) {
                held.put(rule.records(), name);
            }
        });
        boolean all = toRows ? held.keySet().stream().anyMatch(rule::has) : held.containsKey(rule.records());
        return all ? Optional.of(new Step.CarryRecords(recordTypeId, rule, held, toRows)) : Optional.empty();
    }

    /**
     * For records of one type that became those of another: a step for each type whose records are in use now.
     *
     * @param ways all that the run took, or that its undo took back
     * @param forth whether the newer types are those that come back
     */
    List<Step> of(List<TypeMove> ways, boolean forth) {
        var held = new HashMap<String, String>();
        done.forEach(step -> {
            if (step instanceof Step.HoldTable hold) {
                held.put(hold.recordTypeId(), hold.held());
            }
        });
        var goals = ways.stream().map(forth ? TypeMove::to : TypeMove::from).collect(Collectors.toSet());
        held.keySet().retainAll(goals);
        if (held.isEmpty()) {
            return List.of();
        }
        var carries = ways.stream()
                .map(forth ? TypeMove::from : TypeMove::to)
                .distinct()
                .map(each -> (Step) new Step.CarryRetyped(each, ways, held, forth));
        // what a condition asks of terms and parents is known when everything is back
        var checks = held.keySet().stream().sorted().map(each -> (Step) new Step.CheckRecords(each));
        return Stream.concat(carries, checks).toList();
    }

    /** Old addresses lead to where the pages are again; a type that had its pages there all the time needs none. */
    Optional<Step> of(Step.Redirect redirect) {
        if (redirect.from().isEmpty()) {
            return Optional.of(new Step.Redirect(redirect.recordTypeId(), redirect.after(), redirect.before()));
        }
        boolean stays = done.stream()
                .anyMatch(step ->
                        step instanceof Step.HoldTable(String id, String _) && id.equals(redirect.recordTypeId()));
        return stays
                ? Optional.empty()
                : Optional.of(new Step.Redirect(
                        redirect.from(), redirect.after(), redirect.before(), redirect.recordTypeId()));
    }

    /** What was computed is not what it was computed from: there is nothing to carry back. */
    private Optional<Step> carry(String recordTypeId, List<Move> all, Set<String> fields, boolean forth) {
        var moves = all.stream().filter(move -> move.how() != Move.How.COMPUTED).toList();
        if (moves.isEmpty()) {
            return Optional.empty();
        }
        var held = held(recordTypeId);
        held.keySet().retainAll(fields);
        return held.isEmpty() ? Optional.empty() : Optional.of(new Step.CarryMoved(recordTypeId, moves, held, forth));
    }

    private static Set<String> sources(List<Move> moves) {
        var sources = new HashSet<String>();
        moves.forEach(move -> sources.addAll(move.sources()));
        return sources;
    }

    private static Set<String> targets(List<Move> moves) {
        var targets = new HashSet<String>();
        moves.forEach(move -> targets.add(move.target()));
        return targets;
    }

    /** The short names under which the run put values aside, by their fields. */
    private Map<String, String> held(String recordTypeId) {
        var held = new HashMap<String, String>();
        for (var step : done) {
            if (step.recordTypeId().equals(recordTypeId)) {
                switch (step) {
                    case Step.HoldOwn hold -> held.put(hold.fieldId(), hold.held());
                    case Step.HoldTable hold -> held.put("", hold.held());
                    case Step.SwitchColumns columns ->
                        columns.turns().stream()
                                .filter(turn -> turn.act() == Step.ColumnAction.HOLD)
                                .forEach(turn -> held.put(turn.fieldId(), turn.held()));
                    default -> {}
                }
            }
        }
        return held;
    }

    /** Whether records came of rows, or go to them, by what the steps undo. */
    static boolean records(List<Step> undo, String recordTypeId) {
        return undo.stream()
                .anyMatch(step -> step instanceof Step.CarryRecords carry
                                && carry.rule().records().equals(recordTypeId)
                        || step instanceof Step.CarryRetyped retyped
                                && retyped.recordTypeId().equals(recordTypeId));
    }

    private static boolean links(List<Step> undo, String recordTypeId, String fieldId) {
        return undo.stream()
                .anyMatch(step -> step instanceof Step.CarryRecords carry
                        && carry.recordTypeId().equals(recordTypeId)
                        && (carry.rule().has(fieldId) || carry.rule().link().equals(fieldId)));
    }

    /** Whether what a field holds came to it by a move that the steps undo: it is said there what was entered since. */
    static boolean copies(List<Step> undo, String recordTypeId, String fieldId) {
        return links(undo, recordTypeId, fieldId)
                || undo.stream()
                        .filter(Step.CarryMoved.class::isInstance)
                        .map(Step.CarryMoved.class::cast)
                        .filter(carry -> carry.recordTypeId().equals(recordTypeId))
                        .anyMatch(carry ->
                                (carry.forth() ? sources(carry.moves()) : targets(carry.moves())).contains(fieldId));
    }
}

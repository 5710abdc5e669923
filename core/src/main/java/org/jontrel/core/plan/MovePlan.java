package org.jontrel.core.plan;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.move.Formula;
import org.jontrel.core.move.FormulaCheck;
import org.jontrel.core.move.Move;
import org.jontrel.core.move.MoveRules;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;

/** Which values of a record type change their place in a plan, and how. */
public final class MovePlan {
    private static final List<Decision.Action> WHICH = List.of(Decision.Action.FIRST, Decision.Action.LAST);
    static final List<Decision.Action> MATCH_OR_NOT = List.of(Decision.Action.MATCH, Decision.Action.LEAVE);
    static final List<Decision.Action> SPLIT_OR_NOT = List.of(Decision.Action.SPLIT, Decision.Action.LEAVE);
    private final RecordType was;
    private final RecordType is;
    private final List<Decision> decisions;
    private final boolean elsewhere;

    public MovePlan(RecordType was, RecordType is, List<Decision> decisions) {
        this(was, is, decisions, false);
    }

    private MovePlan(RecordType was, RecordType is, List<Decision> decisions, boolean elsewhere) {
        this.was = was;
        this.is = is;
        this.decisions = decisions;
        this.elsewhere = elsewhere;
    }

    /** Where all values go to other records. */
    public static MovePlan ofRecords(RecordType was, RecordType is, List<Decision> decisions) {
        return new MovePlan(was, is, decisions, true);
    }

    /** Whether a field has its values beside, as those of another place or another kind. */
    private boolean moves(Field field) {
        return elsewhere
                ? is.home(field.id()).table().isEmpty()
                : !withinNewTable(was, is, field)
                        && (was.field(field.id()).isEmpty() || !Planner.convertible(was, is, field.id()));
    }

    /** How values come to a field that is new in its place; empty where none do, or where it stands in a table that does. */
    public Optional<Move> to(String fieldId) {
        var field = is.field(fieldId)
                .filter(each -> FieldStorage.of(each.kind()) != FieldStorage.NOT)
                .filter(this::moves);
        if (field.isEmpty()) {
            return Optional.empty();
        }
        var gathered = SourceProposal.given(was, is, field.get(), decisions);
        if (!gathered.isEmpty()) {
            var take = field.get().inner().isEmpty() ? take(field.get()) : Move.own(fieldId, List.of());
            return Optional.of(new Move(
                    fieldId,
                    Move.How.GATHERED,
                    withInner(gathered),
                    take.take(),
                    take.between(),
                    "",
                    "",
                    false,
                    levels(field.get()),
                    match(field.get()),
                    corrections(field.get())));
        }
        var computed = computed(field.get());
        if (computed.isPresent()) {
            return computed;
        }
        var sources = sources(field.get());
        return sources.isEmpty()
                ? Optional.empty()
                : Optional.of(Move.own(fieldId, sources)
                        .taking(take(field.get()).take(), take(field.get()).between())
                        .levelled(levels(field.get()))
                        .matchedBy(match(field.get()))
                        .correcting(corrections(field.get())));
    }

    /** Where a new field is to be filled by a formula over others that stand where it does, or around it. */
    private Optional<Move> computed(Field field) {
        var formula = formula(field);
        return formula.isEmpty()
                        || !FormulaCheck.problem(was, is, field, formula.get()).isEmpty()
                ? Optional.empty()
                : Optional.of(new Move(
                        field.id(),
                        Move.How.COMPUTED,
                        FormulaCheck.sources(was, is, field, formula.get()),
                        Move.Take.FIRST,
                        formula.get(),
                        "",
                        "",
                        false,
                        "",
                        "",
                        Map.of()));
    }

    private Optional<String> formula(Field field) {
        return was.field(field.id()).isPresent() || FieldStorage.of(field.kind()) != FieldStorage.COLUMN
                ? Optional.empty()
                : filling(field);
    }

    /** The formula for what has no value in another place; empty where the architect gave none that can be used. */
    Optional<String> fallback(Field field) {
        return elsewhere
                ? filling(field)
                        .filter(each ->
                                FormulaCheck.problem(was, is, field, each).isEmpty())
                : Optional.empty();
    }

    /** The formula by which the architect wants a field filled; empty where it is a value, or nothing. */
    Optional<String> filling(Field field) {
        var choices = List.of(Decision.Action.FILL, Decision.Action.LEAVE);
        return PlanQuestion.decided(decisions, field.id(), Decision.Topic.REQUIRED_EMPTY, choices)
                .filter(each -> each.answer() == Decision.Action.FILL)
                .map(Decision::value)
                .filter(Formula::is);
    }

    private List<String> withInner(List<String> gathered) {
        var inner = gathered.stream()
                .flatMap(id -> was.field(id).stream())
                .flatMap(field -> field.withInner().skip(1))
                .map(Field::id);
        return Stream.concat(gathered.stream(), inner).toList();
    }

    private Map<String, String> corrections(Field field) {
        return PlanQuestion.corrections(decisions).getOrDefault(field.id(), Map.of());
    }

    /** What to take of several is said once for a group that rows become. */
    private Move take(Field field) {
        var asked = asked(field);
        var decision = PlanQuestion.decided(decisions, asked.id(), Decision.Topic.SEVERAL_VALUES, choices(asked));
        var own = Move.own(field.id(), List.of());
        var split = PlanQuestion.decided(decisions, field.id(), Decision.Topic.SPLIT_TEXTS, SPLIT_OR_NOT)
                .filter(each -> each.answer() == Decision.Action.SPLIT);
        if (split.isPresent()) {
            return own.taking(Move.Take.FIRST, split.get().value().replace("\\n", "\n"));
        }
        return switch (decision.map(Decision::answer).orElse(Decision.Action.FIRST)) {
            case LAST -> own.taking(Move.Take.LAST, "");
            case JOIN -> own.taking(Move.Take.JOINED, decision.get().value());
            default -> own;
        };
    }

    /** The field that a question about several values is about: the group that rows became, or the field itself. */
    Field asked(Field field) {
        var before = field.inner().isEmpty() ? MoveRules.origin(was, is, field) : was.field(field.id());
        return before.flatMap(each -> MoveRules.turned(was, is, each, field))
                .flatMap(rows -> is.field(rows.id()))
                .orElse(field);
    }

    static List<Decision.Action> choices(Field asked) {
        var choices = new ArrayList<>(WHICH);
        if (MoveRules.joins(asked.kind())) {
            choices.add(Decision.Action.JOIN);
        }
        return choices;
    }

    /**
     * What may become of values that a field cannot take.
     *
     * @param makes whether something can be made for names that nothing has
     * @param nests whether what is made can stand under one another
     */
    static List<Decision.Action> unconverted(boolean makes, boolean nests) {
        var choices = new ArrayList<Decision.Action>();
        if (nests) {
            choices.add(Decision.Action.NEST);
        }
        if (makes) {
            choices.add(Decision.Action.MAKE);
        }
        choices.add(Decision.Action.CORRECT);
        choices.add(Decision.Action.SET_ASIDE);
        return choices;
    }

    /** The field that names are looked up in; empty for titles. */
    private String match(Field field) {
        return PlanQuestion.decided(decisions, field.id(), Decision.Topic.MATCHED_BY, MATCH_OR_NOT)
                .filter(each -> each.answer() == Decision.Action.MATCH)
                .map(Decision::value)
                .orElse("");
    }

    /** What stands between the levels of names, where terms are made one under another. */
    private String levels(Field field) {
        return PlanQuestion.decided(decisions, field.id(), Decision.Topic.UNCONVERTED, unconverted(true, true))
                .filter(each -> field.kind() instanceof Kind.TermPick && each.answer() == Decision.Action.NEST)
                .map(Decision::value)
                .orElse("");
    }

    /** Ids of the older fields that values within this one come from, and of the rows they stand in. */
    private List<String> sources(Field field) {
        var sources = new LinkedHashSet<String>();
        for (var each : field.withInner().toList()) {
            var before = was.field(each.id());
            before.filter(nested -> !nested.inner().isEmpty() && MoveRules.carries(nested, each))
                    .ifPresent(nested -> sources.add(nested.id()));
            var leaf = each.inner().isEmpty()
                    ? MoveRules.origin(was, is, each)
                    : before.filter(one -> one.inner().isEmpty());
            leaf.filter(from -> MoveRules.carries(from, each)).ifPresent(from -> sources.add(from.id()));
        }
        for (var id : List.copyOf(sources)) {
            for (var table = was.home(id).table();
                    !table.isEmpty();
                    table = was.home(table).table()) {
                sources.add(table);
            }
        }
        return List.copyOf(sources);
    }

    /** Whether the table that a field stands in is itself made anew, with everything in it. */
    static boolean withinNewTable(RecordType was, RecordType is, Field field) {
        var table = is.home(field.id()).table();
        return !table.isEmpty()
                && (was.field(table).isEmpty()
                        || !Planner.convertible(was, is, table)
                        || withinNewTable(was, is, is.field(table).orElseThrow()));
    }

    /** Ids of the fields of records themselves that a move reads: those it comes from, and the rows that it goes to. */
    public static Set<String> read(RecordType was, RecordType is, List<Move> moves) {
        var sources = moves.stream().flatMap(move -> move.sources().stream()).collect(Collectors.toSet());
        for (var move : moves) {
            for (var table = is.home(move.target()).table();
                    !table.isEmpty();
                    table = is.home(table).table()) {
                sources.add(table);
            }
        }
        return was.fields()
                .filter(field -> field.withInner().anyMatch(each -> sources.contains(each.id())))
                .map(Field::id)
                .collect(Collectors.toCollection(HashSet::new));
    }
}

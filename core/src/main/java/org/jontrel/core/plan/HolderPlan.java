package org.jontrel.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.stream.Stream;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.holder.FieldStorage;
import org.jontrel.core.holder.Holder;
import org.jontrel.core.model.Condition;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.record.Conversion;
import org.jontrel.core.record.Values;

/** The part of a plan that concerns one content type, taxonomy or site values that was there before and stays. */
final class HolderPlan {
    private final Holder was;
    private final Holder is;
    private final Ids ids;
    private final Map<Question, Answer> answers;
    private final List<Decision> decisions;
    private final List<Plan.PlannedStep> steps;
    private final List<PlanQuestion> asks;
    private final List<Finding> findings;
    /** By the table they belong to: empty for the records' own, or the id of the field that has one. */
    private final SequencedMap<String, List<Step.ColumnSwitch>> turns = new LinkedHashMap<>();

    private boolean renames;
    /** Whether some complete record may no longer be complete. */
    private boolean checks;
    /** Whether some incomplete record may have become complete. */
    private boolean eases;

    HolderPlan(
            Holder was,
            Holder is,
            Ids ids,
            Map<Question, Answer> answers,
            List<Decision> decisions,
            List<Plan.PlannedStep> steps,
            List<PlanQuestion> asks,
            List<Finding> findings) {
        this.was = was;
        this.is = is;
        this.ids = ids;
        this.answers = answers;
        this.decisions = decisions;
        this.steps = steps;
        this.asks = asks;
        this.findings = findings;
    }

    void change() {
        renames = !was.key().equals(is.key());
        checks = !conditions(was).equals(conditions(is));
        is.byId().values().forEach(this::field);
        was.byId().values().stream()
                .filter(field -> is.field(field.id()).isEmpty())
                .forEach(this::removed);
        turns.forEach((table, some) ->
                add(new Step.SwitchColumns(is.id(), table, some), 0, SwitchSentences.sentence(was, is, some)));
        if (renames) {
            add(
                    new Step.RenameTable(is.id(), was.key(), is.key()),
                    0,
                    was.key().equals(is.key())
                            ? "Rename tables of " + is.key()
                            : "Rename the table " + was.key() + " to " + is.key());
        }
        address();
        long strays = answer("").breaches().getOrDefault(Breach.PARENT, 0L);
        if (strays > 0) {
            findings.add(Finding.of(Code.PLAN_PARENTS_LEFT, Place.definition(is.id(), "nested"), is.plural(), strays));
            checks = true;
        }
        if (!indexed(was).equals(indexed(is))) {
            add(new Step.Indexes(is.id()), 0, "Make lists of " + is.plural() + " quick");
        }
        long records = answer("").records();
        if (checks && records > 0) {
            add(new Step.CheckRecords(is.id()), records, "Find which " + is.plural() + " satisfy the definition");
        } else if (eases && records > 0) {
            add(
                    new Step.CheckRecords(is.id(), Step.Among.INCOMPLETE),
                    0,
                    "Find which incomplete " + is.plural() + " satisfy the definition now");
        }
    }

    private static List<Object> conditions(Holder holder) {
        var all = new ArrayList<Object>();
        holder.groups().forEach(group -> all.add(group.showWhen()));
        holder.byId().values().forEach(field -> all.add(field.showWhen()));
        return all;
    }

    /** What the indexes of a holder follow from. */
    private static List<Object> indexed(Holder holder) {
        var unique = holder.byId().values().stream()
                .filter(field -> field.kind() instanceof Kind.Text text && text.unique())
                .map(Field::id)
                .toList();
        return holder.definition() instanceof ContentType type
                ? List.of(unique, type.columns(), type.index().order())
                : List.of(unique);
    }

    private static Stream<Object> ids(Object idOrIds) {
        return idOrIds instanceof List<?> ids ? ids.stream().map(Object.class::cast) : Stream.of(idOrIds);
    }

    private void address() {
        if (was.path().equals(is.path()) || is.single()) {
            return;
        }
        findings.add(Finding.of(
                Code.PLAN_ADDRESS_CHANGES, Place.definition(is.id(), "path"), is.plural(), was.path(), is.path()));
        add(new Step.Redirect(is.id(), was.path(), is.path()), 0, "Redirect " + was.path() + " to " + is.path());
    }

    private void field(Field field) {
        if (FieldStorage.of(field.kind()) == FieldStorage.NOT
                && was.field(field.id()).isPresent()
                && FieldStorage.of(was.field(field.id()).get().kind()) == FieldStorage.NOT) {
            return;
        }
        var before = was.field(field.id());
        if (before.isEmpty()) {
            if (!withinNewTable(field)) {
                added(field);
            }
            checks |= field.required();
            return;
        }
        if (!Planner.convertible(was, is, field.id())) {
            replaced(before.get(), field);
            checks = true;
            return;
        }
        boolean differs = !own(field.kind()).equals(own(before.get().kind()));
        eases |= differs || field.required() != before.get().required();
        checks |= field.required() && !before.get().required() || differs && mayBreak(before.get(), field);
        if (FieldStorage.of(field.kind()) == FieldStorage.COLUMN || field.kind() instanceof Kind.Choice) {
            changed(before.get(), field);
        } else {
            tightened(before.get(), field, answer(field.id()));
            renames |= !before.get().key().equals(field.key());
        }
    }

    /** Whether a record that was complete may not be so with the field's new kind. */
    private boolean mayBreak(Field before, Field field) {
        var answer = answer(field.id());
        return FieldStorage.of(before.kind()) != FieldStorage.COLUMN
                || FieldStorage.of(field.kind()) != FieldStorage.COLUMN
                || answer.unconverted() + answer.outside() > 0
                || !answer.breaches().isEmpty()
                // they may look at the value
                || conditions(is).stream().anyMatch(each -> !each.equals(Condition.ALWAYS));
    }

    /** A kind without the fields within it, which speak for themselves. */
    private static Kind own(Kind kind) {
        return switch (kind) {
            case Kind.FieldGroup _ -> Kind.FieldGroup.PLAIN;
            case Kind.Repeater rows ->
                new Kind.Repeater(List.of(), rows.minRows(), rows.maxRows(), rows.rowName(), rows.shown());
            case Kind.Plain _, Kind.Reference _, Kind.Note _ -> kind;
        };
    }

    /** Whether the table that it stands in is itself made anew, with everything in it. */
    private boolean withinNewTable(Field field) {
        var table = is.home(field.id()).table();
        return !table.isEmpty()
                && (was.field(table).isEmpty()
                        || !Planner.convertible(was, is, table)
                        || withinNewTable(is.field(table).orElseThrow()));
    }

    private void added(Field field) {
        switch (FieldStorage.of(field.kind())) {
            case NOT -> {}
            case TABLE -> addedTable(field);
            case COLUMN -> addedColumn(field);
        }
    }

    private void addedTable(Field field) {
        var back = comingBack(field);
        if (back.isPresent()) {
            add(
                    new Step.RestoreOwn(is.id(), field.id(), back.get().held()),
                    0,
                    "Bring back the values of " + field.label());
            checks = true;
        } else {
            add(new Step.AddTable(is.id(), field.id()), 0, "Make a table for " + field.label());
        }
        long lacking = answer("").records() - back.map(Offer::values).orElse(0L);
        if (field.required() && lacking > 0 && is.home(field.id()).table().isEmpty()) {
            askRequired(field, lacking);
        }
    }

    private void addedColumn(Field field) {
        add(new Step.AddColumn(is.id(), field.id()), 0, "Add a column for " + field.label());
        var back = comingBack(field);
        long unconverted = back.map(Offer::unconverted).orElse(0L);
        if (unconverted > 0) {
            askUnconverted(field, unconverted, back.get().examples());
        }
        long records = answer(field.id()).records();
        long lacking = records - back.map(Offer::values).orElse(0L) + unconverted;
        var fill = field.required() && lacking > 0 ? askRequired(field, lacking) : "";
        if (back.isPresent()) {
            add(
                    new Step.CopyColumn(is.id(), field.id(), fill, back.get().held()),
                    records,
                    "Bring back the held values of " + field.label()
                            + (fill.isEmpty() ? "" : ", empty ones filled with " + fill));
            checks = true;
        } else if (!fill.isEmpty()) {
            add(new Step.CopyColumn(is.id(), field.id(), fill, ""), records, "Fill " + field.label() + " with " + fill);
        }
        turn(is, field, Step.ColumnAction.TAKE, "");
    }

    /** What is held for a field that comes back, where the architect wants it back. */
    private Optional<Offer> comingBack(Field field) {
        var offer = answer(field.id()).held();
        if (offer.isEmpty()) {
            return Optional.empty();
        }
        if (!offer.get().fits()) {
            findings.add(Finding.of(
                    Code.PLAN_HELD_DIFFERS,
                    Place.field(is.id(), field.id(), ""),
                    field.label(),
                    offer.get().values()));
            return Optional.empty();
        }
        var decision = ask(
                Code.PLAN_HELD_VALUES,
                field,
                Decision.Topic.HELD_VALUES,
                offer.get().values(),
                Planner.BACK_OR_NOT,
                field.label(),
                offer.get().values());
        return PlanQuestion.isBack(decision) ? offer : Optional.empty();
    }

    private void askUnconverted(Field field, long values, List<String> examples) {
        ask(
                Code.PLAN_VALUES_UNCONVERTED,
                field,
                Decision.Topic.UNCONVERTED,
                values,
                List.of(Decision.Action.SET_ASIDE),
                field.label(),
                values,
                field.kind().code().replace('_', ' '),
                String.join("; ", examples));
    }

    /** One that stands elsewhere or is kept in another way: the old values are held, if there are any somebody must see to it. */
    private void replaced(Field before, Field field) {
        long filled = answer(field.id()).filled();
        if (filled > 0) {
            findings.add(Finding.of(
                    Code.PLAN_NOT_CARRIED,
                    Place.field(is.id(), field.id(), ""),
                    field.label(),
                    filled,
                    words(before.kind()),
                    words(field.kind())));
        }
        hold(before);
        if (!withinNewTable(field)) {
            added(field);
        }
    }

    private static String words(Kind kind) {
        return (kind.amount().many() ? "several of kind " : "") + kind.code().replace('_', ' ');
    }

    private void changed(Field before, Field field) {
        var answer = answer(field.id());
        var rewriting = new Conversion(before, field, null).changes() || answer.unconverted() > 0;
        if (answer.unconverted() > 0) {
            askUnconverted(field, answer.unconverted(), answer.unconvertedExamples());
        }
        if (answer.altered() > 0) {
            findings.add(Finding.of(
                    Code.PLAN_VALUES_ALTERED,
                    Place.field(is.id(), field.id(), ""),
                    field.label(),
                    answer.altered(),
                    String.join("; ", answer.alteredExamples())));
        }
        var fill = tightened(before, field, answer);
        if (rewriting || !fill.isEmpty()) {
            add(new Step.AddColumn(is.id(), field.id()), 0, "Add a column beside for " + field.label());
            add(
                    new Step.CopyColumn(is.id(), field.id(), fill, ""),
                    answer.records(),
                    "Copy " + field.label() + (rewriting ? ", converted" : "")
                            + (fill.isEmpty() ? "" : ", empty ones filled with " + fill));
            turn(is, field, Step.ColumnAction.HOLD, ids.next('h'));
            turn(is, field, Step.ColumnAction.TAKE, "");
        } else if (FieldStorage.of(field.kind()) == FieldStorage.TABLE) {
            renames |= !before.key().equals(field.key());
        } else if (!SwitchSentences.name(was, field.id()).equals(SwitchSentences.name(is, field.id()))) {
            turn(is, field, Step.ColumnAction.RENAME, "");
        }
    }

    /** Says what is stored that the definitions no longer allow; it stays until somebody changes it. */
    private void breaches(Field field, Answer answer) {
        answer.breaches().forEach((breach, count) -> {
            var place = Place.field(is.id(), field.id(), "");
            findings.add(
                    switch (breach) {
                        case TWICE -> Finding.of(Code.PLAN_VALUES_TWICE, place, field.label(), count);
                        case TOO_MANY -> Finding.of(Code.PLAN_TOO_MANY, place, field.label(), count);
                        case FORMATTING -> Finding.of(Code.PLAN_FORMATTING_LEFT, place, field.label(), count);
                        case TARGET -> Finding.of(Code.PLAN_LINKS_OUTSIDE, place, field.label(), count);
                        case PARENT -> throw new IllegalStateException("A field has no parents");
                    });
        });
    }

    /** Asks what becomes of values that are now outside the limits, or missing; the value to fill with, or empty. */
    private String tightened(Field before, Field field, Answer answer) {
        breaches(field, answer);
        if (answer.outside() > 0) {
            ask(
                    Code.PLAN_VALUES_OUTSIDE,
                    field,
                    Decision.Topic.OUTSIDE_LIMITS,
                    answer.outside(),
                    List.of(Decision.Action.LEAVE),
                    field.label(),
                    answer.outside(),
                    String.join("; ", answer.outsideExamples()));
        }
        long lacking = answer.empty() + answer.unconverted();
        return field.required() && lacking > 0 && (!before.required() || answer.unconverted() > 0)
                ? askRequired(field, lacking)
                : "";
    }

    private void removed(Field field) {
        if (FieldStorage.of(field.kind()) == FieldStorage.NOT || withinRemovedTable(field)) {
            return;
        }
        checks = true;
        long filled = answer(field.id()).filled();
        if (filled > 0) {
            findings.add(
                    Finding.of(Code.PLAN_VALUES_HELD, Place.field(is.id(), field.id(), ""), field.label(), filled));
        }
        hold(field);
    }

    private boolean withinRemovedTable(Field field) {
        var table = was.home(field.id()).table();
        return !table.isEmpty()
                && (is.field(table).isEmpty()
                        || !Planner.convertible(was, is, table)
                        || withinRemovedTable(was.field(table).orElseThrow()));
    }

    private void hold(Field before) {
        switch (FieldStorage.of(before.kind())) {
            case NOT -> {}
            case COLUMN -> {
                if (!withinRemovedTable(before)) {
                    turn(was, before, Step.ColumnAction.HOLD, ids.next('h'));
                }
            }
            case TABLE -> {
                if (!withinRemovedTable(before)) {
                    add(
                            new Step.HoldOwn(is.id(), before.id(), ids.next('h')),
                            0,
                            "Hold the values of " + before.label());
                }
            }
        }
    }

    /** A field with a table of its own has its column there. */
    private void turn(Holder holder, Field field, Step.ColumnAction act, String held) {
        // an index stays with its column, and a field that was converted or filled has another one
        boolean listed = indexed(is).stream().flatMap(HolderPlan::ids).anyMatch(field.id()::equals);
        if (act == Step.ColumnAction.TAKE && listed && FieldStorage.of(field.kind()) == FieldStorage.COLUMN) {
            add(new Step.IndexColumn(is.id(), field.id()), 0, "Make lists quick that show " + field.label());
        }
        var table = FieldStorage.of(field.kind()) == FieldStorage.TABLE
                ? field.id()
                : holder.home(field.id()).table();
        turns.computeIfAbsent(table, _ -> new ArrayList<>()).add(new Step.ColumnSwitch(act, field.id(), held));
    }

    /** The value to fill with, or empty. */
    private String askRequired(Field field, long lacking) {
        boolean fillable = FieldStorage.of(field.kind()) == FieldStorage.COLUMN
                && !(field.kind() instanceof Kind.Image)
                && !(field.kind() instanceof Kind.File);
        var choices = fillable ? List.of(Decision.Action.FILL, Decision.Action.LEAVE) : List.of(Decision.Action.LEAVE);
        var decision = ask(
                Code.PLAN_REQUIRED_EMPTY,
                field,
                Decision.Topic.REQUIRED_EMPTY,
                lacking,
                choices,
                field.label(),
                lacking,
                is.singular());
        if (decision.isEmpty() || decision.get().answer() != Decision.Action.FILL) {
            return "";
        }
        var value = decision.get().value();
        var parsed = Values.parse(field, value);
        if (parsed.value().isEmpty()) {
            var why = parsed.findings().stream()
                    .map(Finding::sentence)
                    .findFirst()
                    .orElse("It is empty.");
            findings.add(Finding.of(Code.PLAN_FILL_INVALID, Place.field(is.id(), field.id(), ""), field.label(), why));
        }
        return value;
    }

    private Optional<Decision> ask(
            Code code,
            Field field,
            Decision.Topic about,
            long rows,
            List<Decision.Action> choices,
            Object... arguments) {
        var decision = PlanQuestion.decided(decisions, field.id(), about, choices);
        var finding = Finding.of(code, Place.field(is.id(), field.id(), ""), arguments);
        asks.add(new PlanQuestion(finding, is.id(), field.id(), about, rows, choices, decision));
        return decision;
    }

    private Answer answer(String fieldId) {
        return answers.getOrDefault(new Question(is.id(), fieldId), Answer.NONE);
    }

    private void add(Step step, long rows, String sentence) {
        steps.add(new Plan.PlannedStep(step, rows, sentence));
    }
}

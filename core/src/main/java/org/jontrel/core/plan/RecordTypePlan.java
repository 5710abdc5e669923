package org.jontrel.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import java.util.stream.Stream;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.move.MoveRules;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Breach;
import org.jontrel.core.plan.fact.Offer;
import org.jontrel.core.record.Conversion;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;

/** The part of a plan that concerns one content type, taxonomy or site values that was there before and stays. */
final class RecordTypePlan {
    private final RecordType was;
    private final RecordType is;
    private final Ids ids;
    private final FieldQuestions questions;
    private final List<Plan.PlannedStep> steps;
    private final List<Finding> findings;
    /** By the table they belong to: empty for the records' own, or the id of the field that has one. */
    private final SequencedMap<String, List<Step.ColumnSwitch>> turns = new LinkedHashMap<>();

    private final PlannedMoves moves;
    private final PlannedRecords records;
    private boolean renames;
    /** Whether some complete record may no longer be complete. */
    private boolean checks;
    /** Whether some incomplete record may have become complete. */
    private boolean eases;

    RecordTypePlan(
            RecordType was,
            RecordType is,
            Ids ids,
            FieldQuestions questions,
            PlannedMoves moves,
            PlannedRecords records,
            List<Plan.PlannedStep> steps,
            List<Finding> findings) {
        this.was = was;
        this.is = is;
        this.ids = ids;
        this.questions = questions;
        this.moves = moves;
        this.records = records;
        this.steps = steps;
        this.findings = findings;
    }

    void change() {
        renames = !was.key().equals(is.key());
        checks = !conditions(was).equals(conditions(is));
        is.byId().values().forEach(this::field);
        was.byId().values().stream()
                .filter(field -> is.field(field.id()).isEmpty())
                .forEach(this::removed);
        steps.addAll(moves.steps());
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
        long strays = questions.answer("").breaches().getOrDefault(Breach.PARENT, 0L);
        if (strays > 0) {
            findings.add(Finding.of(Code.PLAN_PARENTS_LEFT, Place.definition(is.id(), "nested"), is.plural(), strays));
            checks = true;
        }
        if (!indexed(was).equals(indexed(is))) {
            add(new Step.Indexes(is.id()), 0, "Make lists of " + is.plural() + " quick");
        }
        long records = questions.answer("").records();
        if (checks && records > 0) {
            add(new Step.CheckRecords(is.id()), records, "Find which " + is.plural() + " satisfy the definition");
        } else if (eases && records > 0) {
            add(
                    new Step.CheckRecords(is.id(), Step.Among.INCOMPLETE),
                    0,
                    "Find which incomplete " + is.plural() + " satisfy the definition now");
        }
    }

    private static List<Object> conditions(RecordType recordType) {
        var all = new ArrayList<Object>();
        recordType.groups().forEach(group -> all.add(group.showWhen()));
        recordType.byId().values().forEach(field -> all.add(field.showWhen()));
        return all;
    }

    /** What the indexes of a record type follow from. */
    private static List<Object> indexed(RecordType recordType) {
        var unique = recordType.byId().values().stream()
                .filter(field -> field.kind() instanceof Kind.Text text && text.unique())
                .map(Field::id)
                .toList();
        return recordType.definition() instanceof ContentType type
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
            steps.addAll(records.rows(is, field));
            if (!MovePlan.withinNewTable(was, is, field)) {
                if (!comesOfRecords(field)) {
                    moves.sources(field);
                }
                placed(field);
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
            tightened(before.get(), field, questions.answer(field.id()));
            renames |= !before.get().key().equals(field.key());
        }
    }

    /** Whether a record that was complete may not be so with the field's new kind. */
    private boolean mayBreak(Field before, Field field) {
        var answer = questions.answer(field.id());
        return FieldStorage.of(before.kind()) != FieldStorage.COLUMN
                || FieldStorage.of(field.kind()) != FieldStorage.COLUMN
                || answer.unconverted() + answer.aside() + answer.outside() > 0
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

    private void added(Field field) {
        switch (FieldStorage.of(field.kind())) {
            case NOT -> {}
            case TABLE -> addedTable(field);
            case COLUMN -> addedColumn(field);
        }
    }

    private void addedTable(Field field) {
        var back = questions.comingBack(field);
        if (back.isPresent()) {
            add(
                    new Step.RestoreOwn(is.id(), field.id(), back.get().held()),
                    0,
                    "Bring back the values of " + field.label());
            checks = true;
        } else {
            add(new Step.AddTable(is.id(), field.id()), 0, "Make a table for " + field.label());
        }
        long lacking = questions.answer("").records() - back.map(Offer::values).orElse(0L);
        if (field.required() && lacking > 0 && is.home(field.id()).table().isEmpty()) {
            questions.required(field, lacking);
        }
    }

    private void addedColumn(Field field) {
        add(new Step.AddColumn(is.id(), field.id()), 0, "Add a column for " + field.label());
        var back = questions.comingBack(field);
        long unconverted =
                back.map(offer -> offer.unconverted() + offer.aside()).orElse(0L);
        var corrections = back.map(
                        offer -> questions.unconverted(field, offer.unconverted(), offer.aside(), offer.examples()))
                .orElse(Map.of());
        long records = questions.answer(field.id()).records();
        long lacking = records - back.map(Offer::values).orElse(0L) + unconverted;
        var fill = field.required() && lacking > 0 ? questions.required(field, lacking) : "";
        moves.formula(field);
        if (back.isPresent()) {
            add(
                    new Step.CopyColumn(is.id(), field.id(), fill, back.get().held(), corrections),
                    records,
                    "Bring back the held values of " + field.label()
                            + (fill.isEmpty() ? "" : ", empty ones filled with " + fill));
            checks = true;
        } else if (!fill.isEmpty()) {
            add(new Step.CopyColumn(is.id(), field.id(), fill, ""), records, "Fill " + field.label() + " with " + fill);
        }
        turn(is, field, Step.ColumnAction.TAKE, "");
    }

    /** One that stands elsewhere or is kept in another way: its values are taken there where a rule says how. */
    private void replaced(Field before, Field field) {
        long filled = questions.answer(field.id()).filled();
        if (filled > 0 && !MoveRules.carries(before, field)) {
            findings.add(Finding.of(
                    Code.PLAN_NOT_CARRIED,
                    Place.field(is.id(), field.id(), ""),
                    field.label(),
                    filled,
                    words(before.kind()),
                    words(field.kind())));
        }
        hold(before);
        if (!MovePlan.withinNewTable(was, is, field)) {
            placed(field);
        }
    }

    /** A field that is new in its place: with the values that come to it from elsewhere, or empty. */
    private void placed(Field field) {
        boolean nowhere = FieldStorage.of(field.kind()) == FieldStorage.NOT;
        if (nowhere || !comesOfRecords(field) && !moves.take(field)) {
            added(field);
            return;
        }
        checks = true;
        if (FieldStorage.of(field.kind()) == FieldStorage.TABLE) {
            add(new Step.AddTableBeside(is.id(), field.id()), 0, "Make a table beside for " + field.label());
            add(new Step.TakeTable(is.id(), field.id()), 0, "Take the table of " + field.label() + " into use");
        } else {
            add(new Step.AddColumn(is.id(), field.id()), 0, "Add a column for " + field.label());
            turn(is, field, Step.ColumnAction.TAKE, "");
        }
    }

    /** Whether the step that makes rows of records, or records of rows, writes its values. */
    private boolean comesOfRecords(Field field) {
        return records.records().links(is.id(), field.id())
                || records.records().filling(is.id(), field.id()).isPresent();
    }

    private static String words(Kind kind) {
        return (kind.amount().many() ? "several of kind " : "") + kind.code().replace('_', ' ');
    }

    private void changed(Field before, Field field) {
        var answer = questions.answer(field.id());
        var rewriting = new Conversion(before, field, null).changes() || answer.unconverted() + answer.aside() > 0;
        var corrections = rewriting
                ? questions.unconverted(field, answer.unconverted(), answer.aside(), answer.unconvertedExamples())
                : Map.<String, String>of();
        if (answer.altered() > 0) {
            findings.add(Finding.of(
                    Code.PLAN_VALUES_ALTERED,
                    Place.field(is.id(), field.id(), ""),
                    field.label(),
                    answer.altered(),
                    String.join("; ", answer.alteredExamples())));
        }
        questions.ofMoves().unit(before, field, answer.filled());
        var fill = tightened(before, field, answer);
        if (rewriting || !fill.isEmpty()) {
            add(new Step.AddColumn(is.id(), field.id()), 0, "Add a column beside for " + field.label());
            add(
                    new Step.CopyColumn(is.id(), field.id(), fill, "", corrections),
                    answer.records(),
                    "Copy " + field.label() + (rewriting ? ", converted" : "")
                            + corrected(corrections)
                            + (fill.isEmpty() ? "" : ", empty ones filled with " + fill));
            turn(is, field, Step.ColumnAction.HOLD, ids.next('h'));
            turn(is, field, Step.ColumnAction.TAKE, "");
        } else if (FieldStorage.of(field.kind()) == FieldStorage.TABLE) {
            renames |= !before.key().equals(field.key());
        } else if (!SwitchSentences.name(was, field.id()).equals(SwitchSentences.name(is, field.id()))) {
            turn(is, field, Step.ColumnAction.RENAME, "");
        }
    }

    private static String corrected(Map<String, String> corrections) {
        long values = corrections.values().stream().filter(to -> !to.isEmpty()).count();
        return values == 0 ? "" : ", " + values + " corrected";
    }

    /** Asks what becomes of values that are now outside the limits, or missing; the value to fill with, or empty. */
    private String tightened(Field before, Field field, Answer answer) {
        questions.breaches(field, answer);
        questions.outside(field, answer);
        long lacking = answer.lacking();
        if (!field.required() || lacking == 0 || before.required() && lacking == answer.empty()) {
            return "";
        }
        moves.formula(field);
        return questions.required(field, lacking);
    }

    private void removed(Field field) {
        if (FieldStorage.of(field.kind()) == FieldStorage.NOT || withinRemovedTable(field)) {
            return;
        }
        checks = true;
        long filled = questions.answer(field.id()).filled();
        if (filled > 0 && !moves.takeFrom(field) && !records.records().takes(was.id(), field.id())) {
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
    private void turn(RecordType recordType, Field field, Step.ColumnAction act, String held) {
        // an index stays with its column, and a field that was converted or filled has another one
        boolean listed = indexed(is).stream().flatMap(RecordTypePlan::ids).anyMatch(field.id()::equals);
        if (act == Step.ColumnAction.TAKE && listed && FieldStorage.of(field.kind()) == FieldStorage.COLUMN) {
            add(new Step.IndexColumn(is.id(), field.id()), 0, "Make lists quick that show " + field.label());
        }
        var table = FieldStorage.of(field.kind()) == FieldStorage.TABLE
                ? field.id()
                : recordType.home(field.id()).table();
        turns.computeIfAbsent(table, _ -> new ArrayList<>()).add(new Step.ColumnSwitch(act, field.id(), held));
    }

    private void add(Step step, long rows, String sentence) {
        steps.add(new Plan.PlannedStep(step, rows, sentence));
    }
}

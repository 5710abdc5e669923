package org.jontrel.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Ids;
import org.jontrel.core.model.Model;

/**
 * Finds what must be done to a site to bring it from one model to another: first its questions, then, with the answers
 * and the architect's decisions, the steps. It never guesses: what needs a person is an {@link Ask}.
 */
public final class Planner {
    private final Ids ids;

    /** @param ids gives names under which values are held */
    public Planner(Ids ids) {
        this.ids = ids;
    }

    /** What {@link #plan} needs to know; in a fixed order. */
    public List<Question> questions(Model from, Model to) {
        var questions = new ArrayList<Question>();
        for (var was : from.types()) {
            questions.add(new Question(was.id(), ""));
            to.type(was.id()).ifPresent(is -> {
                is.allFields()
                        .filter(field -> was.field(field.id())
                                .map(before -> !before.equals(field))
                                .orElse(field.required()))
                        .forEach(field -> questions.add(new Question(was.id(), field.id())));
                was.allFields()
                        .filter(field -> is.field(field.id()).isEmpty())
                        .forEach(field -> questions.add(new Question(was.id(), field.id())));
            });
        }
        return questions;
    }

    /** The plan; questions without an answer count as no records. */
    public Plan plan(Model from, Model to, Map<Question, Answer> answers, List<Decision> decisions) {
        var planning = new Planning(answers, decisions);
        for (var is : to.types()) {
            from.type(is.id()).ifPresentOrElse(was -> planning.change(was, is), () -> planning.create(is));
        }
        from.types().stream().filter(was -> to.type(was.id()).isEmpty()).forEach(planning::remove);
        planning.findings.addAll(Holdable.findings(to));
        planning.steps.sort(Comparator.comparing(planned -> planned.step().phase()));
        planning.findings.sort(Finding.WORST_FIRST);
        return new Plan(planning.steps, planning.asks, planning.findings);
    }

    private final class Planning {
        private final Map<Question, Answer> answers;
        private final List<Decision> decisions;
        private final List<Plan.PlannedStep> steps = new ArrayList<>();
        private final List<Ask> asks = new ArrayList<>();
        private final List<Finding> findings = new ArrayList<>();

        Planning(Map<Question, Answer> answers, List<Decision> decisions) {
            this.answers = answers;
            this.decisions = decisions;
        }

        void create(ContentType type) {
            add(new Step.CreateTable(type.id()), 0, "Make a table for " + type.plural());
        }

        void remove(ContentType type) {
            long records = answer(type, "").records();
            if (records > 0) {
                findings.add(
                        Finding.of(Code.PLAN_RECORDS_HELD, Place.definition(type.id(), ""), type.singular(), records));
            }
            add(new Step.HoldTable(type.id(), ids.next('h')), records, "Hold all records of " + type.singular());
        }

        void change(ContentType was, ContentType is) {
            var turns = new ArrayList<Step.Turn>();
            boolean check = false;
            for (var field : is.allFields().toList()) {
                var before = was.field(field.id());
                if (before.isEmpty()) {
                    addField(is, field, turns);
                    check |= field.required();
                } else {
                    changeField(is, before.get(), field, turns);
                    check |= field.required() != before.get().required()
                            || !field.kind().equals(before.get().kind());
                }
            }
            for (var field : was.allFields().toList()) {
                if (is.field(field.id()).isEmpty()) {
                    removeField(is, field, turns);
                    check |= field.required();
                }
            }
            long records = answer(is, "").records();
            if (!turns.isEmpty()) {
                add(new Step.SwitchColumns(is.id(), turns), 0, Turns.sentence(was, is, turns));
            }
            if (!was.key().equals(is.key())) {
                add(
                        new Step.RenameTable(is.id(), was.key(), is.key()),
                        0,
                        "Rename the table " + was.key() + " to " + is.key());
            }
            if (!was.path().equals(is.path())) {
                findings.add(Finding.of(
                        Code.PLAN_ADDRESS_CHANGES,
                        Place.definition(is.id(), "path"),
                        is.plural(),
                        was.path(),
                        is.path()));
                add(
                        new Step.Redirect(is.id(), was.path(), is.path()),
                        0,
                        "Redirect " + was.path() + " to " + is.path());
            }
            if (check && records > 0) {
                add(new Step.CheckRecords(is.id()), records, "Find which " + is.plural() + " satisfy the definition");
            }
        }

        private void addField(ContentType type, Field field, List<Step.Turn> turns) {
            add(new Step.AddColumn(type.id(), field.id()), 0, "Add a column for " + field.label());
            long records = answer(type, field.id()).records();
            if (field.required() && records > 0) {
                var fill = askRequired(type, field, records);
                if (!fill.isEmpty()) {
                    add(
                            new Step.CopyColumn(type.id(), field.id(), fill),
                            records,
                            "Fill " + field.label() + " with " + fill);
                }
            }
            turns.add(new Step.Turn(Step.Act.TAKE, field.id(), ""));
        }

        private void changeField(ContentType type, Field was, Field is, List<Step.Turn> turns) {
            var answer = answer(type, is.id());
            var rewriting = new org.jontrel.core.value.Conversion(was, is, null).changes();
            if (answer.unconverted() > 0) {
                ask(
                        Code.PLAN_VALUES_UNCONVERTED,
                        type,
                        is,
                        Decision.About.UNCONVERTED,
                        answer.unconverted(),
                        List.of(Decision.Answer.SET_ASIDE),
                        is.label(),
                        answer.unconverted(),
                        is.kind().code().replace('_', ' '),
                        String.join("; ", answer.unconvertedExamples()));
            }
            if (answer.outside() > 0) {
                ask(
                        Code.PLAN_VALUES_OUTSIDE,
                        type,
                        is,
                        Decision.About.OUTSIDE_LIMITS,
                        answer.outside(),
                        List.of(Decision.Answer.LEAVE),
                        is.label(),
                        answer.outside(),
                        String.join("; ", answer.outsideExamples()));
            }
            var fill = "";
            long lacking = answer.empty() + answer.unconverted();
            if (is.required() && lacking > 0 && (!was.required() || answer.unconverted() > 0)) {
                fill = askRequired(type, is, lacking);
            }
            if (rewriting || !fill.isEmpty()) {
                add(new Step.AddColumn(type.id(), is.id()), 0, "Add a column beside for " + is.label());
                add(
                        new Step.CopyColumn(type.id(), is.id(), fill),
                        answer.records(),
                        "Copy " + is.label() + (rewriting ? ", converted" : "")
                                + (fill.isEmpty() ? "" : ", empty ones filled with " + fill));
                turns.add(new Step.Turn(Step.Act.HOLD, is.id(), ids.next('h')));
                turns.add(new Step.Turn(Step.Act.TAKE, is.id(), ""));
            } else if (!was.key().equals(is.key())) {
                turns.add(new Step.Turn(Step.Act.RENAME, is.id(), ""));
            }
        }

        private void removeField(ContentType type, Field field, List<Step.Turn> turns) {
            long filled = answer(type, field.id()).filled();
            if (filled > 0) {
                findings.add(Finding.of(
                        Code.PLAN_VALUES_HELD, Place.field(type.id(), field.id(), ""), field.label(), filled));
            }
            turns.add(new Step.Turn(Step.Act.HOLD, field.id(), ids.next('h')));
        }

        /** The value to fill with, or empty. */
        private String askRequired(ContentType type, Field field, long lacking) {
            var choices = field.kind() instanceof org.jontrel.core.model.Kind.Image
                    ? List.of(Decision.Answer.LEAVE)
                    : List.of(Decision.Answer.FILL, Decision.Answer.LEAVE);
            var decision = ask(
                    Code.PLAN_REQUIRED_EMPTY,
                    type,
                    field,
                    Decision.About.REQUIRED_EMPTY,
                    lacking,
                    choices,
                    field.label(),
                    lacking,
                    type.singular());
            if (decision.isEmpty() || decision.get().answer() != Decision.Answer.FILL) {
                return "";
            }
            var value = decision.get().value();
            var parsed = org.jontrel.core.value.Values.parse(field, value);
            if (parsed.value().isEmpty()) {
                var why = parsed.findings().stream()
                        .map(Finding::sentence)
                        .findFirst()
                        .orElse("It is empty.");
                findings.add(
                        Finding.of(Code.PLAN_FILL_INVALID, Place.field(type.id(), field.id(), ""), field.label(), why));
            }
            return value;
        }

        private Optional<Decision> ask(
                Code code,
                ContentType type,
                Field field,
                Decision.About about,
                long rows,
                List<Decision.Answer> choices,
                Object... arguments) {
            var decision = decisions.stream()
                    .filter(d -> d.fieldId().equals(field.id()) && d.about() == about && choices.contains(d.answer()))
                    .reduce((_, last) -> last);
            var finding = Finding.of(code, Place.field(type.id(), field.id(), ""), arguments);
            asks.add(new Ask(finding, type.id(), field.id(), about, rows, choices, decision));
            return decision;
        }

        private Answer answer(ContentType type, String fieldId) {
            return answers.getOrDefault(new Question(type.id(), fieldId), Answer.NONE);
        }

        private void add(Step step, long rows, String sentence) {
            steps.add(new Plan.PlannedStep(step, rows, sentence));
        }
    }
}

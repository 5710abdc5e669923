package org.jontrel.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jontrel.core.Samples;
import org.jontrel.core.code.Decision;
import org.jontrel.core.compare.Change;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.finding.Code;
import org.jontrel.core.generated.Models;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Head;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Offer;
import org.jontrel.core.plan.fact.Question;
import org.testng.annotations.Test;

public class PlannerTest {
    private static final String TYPE = Samples.MOORING.id();
    private static final Field DEPTH =
            new Field("fdepth", "depth", "Depth", "", true, new Kind.Numeric(1, null, null, "m"));
    private final Planner planner = new Planner(new Ids(new Random(7)));

    private static Model withDepth() {
        var fields = new ArrayList<>(Samples.MOORING.fields().toList());
        fields.add(DEPTH);
        return Samples.withFields(fields);
    }

    private Plan plan(Model to, Answer answer, Decision... decisions) {
        Map<Question, Answer> answers = new HashMap<>();
        planner.questions(Samples.MODEL, to).forEach(question -> answers.put(question, answer));
        return planner.plan(Samples.MODEL, to, answers, List.of(decisions));
    }

    private static List<String> kinds(Plan plan) {
        return plan.steps().stream()
                .map(planned -> planned.step().getClass().getSimpleName())
                .toList();
    }

    @Test
    public void wordingAloneNeedsNoStep() {
        var plan = plan(
                Samples.with(Samples.NOTE.id(), f -> f.withLabel("Remarks")),
                new Answer(10, 0, 0, 0, List.of(), List.of()));
        assertEquals(plan.steps(), List.of());
        assertTrue(plan.runnable());
    }

    /** Whatever layouts, parts, listings and looks come and go: the comparison says so, and there is nothing to ask or do. */
    @Test
    public void pagesDoNothingToADatabase() {
        int seen = 0;
        for (long seed = 1; seed <= 120; seed++) {
            var laidOut = new Models(seed).model();
            var bare = new Model(laidOut.definitions().stream()
                    .filter(definition -> !definition.isOfPages())
                    .toList());
            for (var pair : List.of(List.of(bare, laidOut), List.of(laidOut, bare))) {
                var changes = Comparison.of(pair.getFirst(), pair.getLast()).changes();
                assertTrue(changes.stream().allMatch(Change::ofPages), "seed " + seed + ": " + changes);
                assertEquals(planner.questions(pair.getFirst(), pair.getLast()), List.of(), "seed " + seed);
                var plan = planner.plan(pair.getFirst(), pair.getLast(), Map.of(), List.of());
                assertEquals(plan.steps(), List.of(), "seed " + seed);
                assertTrue(plan.runnable());
                seen += changes.size();
            }
        }
        assertTrue(seen > 100, "changes of pages: " + seen);
        var other = Samples.MODEL.with(
                Samples.MOORING.withHead(new Head("{title}", "", "", "Place", List.of(), true, Condition.ALWAYS)));
        var changes = Comparison.of(Samples.MODEL, other).changes();
        assertFalse(changes.isEmpty());
        assertTrue(changes.stream().allMatch(Change::ofPages), changes.toString());
        var renamed = Comparison.of(Samples.MODEL, Samples.with(Samples.NOTE.id(), f -> f.withKey("remarks")));
        assertTrue(renamed.changes().stream().noneMatch(Change::ofPages));
    }

    @Test
    public void aRenameIsOneInstantStep() {
        var plan = plan(
                Samples.with(Samples.NOTE.id(), f -> f.withKey("remarks")),
                new Answer(10, 0, 0, 0, List.of(), List.of()));
        assertEquals(kinds(plan), List.of("SwitchColumns"));
        assertTrue(plan.steps().getFirst().step().instant());
        assertEquals(plan.steps().getFirst().sentence(), "Moorings: rename note to remarks");
    }

    @Test
    public void aRequiredFieldAsksOnlyWhereThereAreRecords() {
        assertEquals(plan(withDepth(), Answer.NONE).asks(), List.of());
        var asked = plan(withDepth(), new Answer(34, 34, 0, 0, List.of(), List.of()));
        assertFalse(asked.runnable());
        assertEquals(asked.asks().getFirst().rows(), 34);
        assertEquals(asked.asks().getFirst().finding().code(), Code.PLAN_REQUIRED_EMPTY);
        var filled = plan(
                withDepth(),
                new Answer(34, 34, 0, 0, List.of(), List.of()),
                new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, "2"));
        assertTrue(filled.runnable());
        assertEquals(kinds(filled), List.of("AddColumn", "CopyColumn", "SwitchColumns", "CheckRecords"));
        var left = plan(
                withDepth(),
                new Answer(34, 34, 0, 0, List.of(), List.of()),
                new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.LEAVE, ""));
        assertEquals(kinds(left), List.of("AddColumn", "SwitchColumns", "CheckRecords"));
    }

    @Test
    public void anAnswerToAnotherQuestionDoesNotCount() {
        var plan = plan(
                withDepth(),
                new Answer(1, 1, 0, 0, List.of(), List.of()),
                new Decision("fdepth", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, ""));
        assertFalse(plan.runnable());
    }

    @Test
    public void theLaterOfTwoAnswersStands() {
        var plan = plan(
                withDepth(),
                new Answer(1, 1, 0, 0, List.of(), List.of()),
                new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, "nonsense"),
                new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, "2"));
        assertTrue(plan.runnable());
    }

    @Test
    public void aFillThatDoesNotFitBlocks() {
        var plan = plan(
                withDepth(),
                new Answer(1, 1, 0, 0, List.of(), List.of()),
                new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, ""));
        assertEquals(plan.findings().getFirst().code(), Code.PLAN_FILL_INVALID);
        assertFalse(plan.runnable());
    }

    @Test
    public void aChangeOfKindKeepsTheOldColumn() {
        var to = Samples.with(Samples.NAME.id(), f -> f.withKind(new Kind.Numeric(2, null, null, "m")));
        var plan = plan(to, new Answer(10, 1, 3, 0, List.of("8 ft 6 in"), List.of()));
        assertEquals(kinds(plan), List.of("AddColumn", "CopyColumn", "SwitchColumns", "CheckRecords", "RenewWords"));
        var turns = ((Step.SwitchColumns) plan.steps().get(2).step()).turns();
        assertEquals(
                turns.stream().map(Step.ColumnSwitch::act).toList(),
                List.of(Step.ColumnAction.HOLD, Step.ColumnAction.TAKE));
        assertEquals(plan.asks().getFirst().finding().code(), Code.PLAN_VALUES_UNCONVERTED);
        assertTrue(plan.asks().getFirst().finding().sentence().contains("8 ft 6 in"));
        assertEquals(plan.asks().getFirst().choices(), List.of(Decision.Action.CORRECT, Decision.Action.SET_ASIDE));
    }

    @Test
    public void removalsSayHowMuchIsHeld() {
        var plan = plan(Model.EMPTY, new Answer(12, 0, 0, 0, List.of(), List.of()));
        assertEquals(plan.findings().getFirst().code(), Code.PLAN_RECORDS_HELD);
        assertEquals(kinds(plan), List.of("HoldTable"));
        assertTrue(plan.runnable());
    }

    private static final Answer SOME = new Answer(10, 10, 0, 0, List.of(), List.of());

    private Plan withHeld(Offer offer, Decision.Action answer) {
        return plan(
                withDepth(),
                SOME.offering(java.util.Optional.of(offer)),
                new Decision("fdepth", Decision.Topic.HELD_VALUES, answer, ""),
                new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.LEAVE, ""),
                new Decision("fdepth", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, ""));
    }

    @Test
    public void heldValuesComeBackWhereTheyAreWanted() {
        var offer = new Offer("hdepth", 4, 0, 1, List.of("deep"), true);
        var back = withHeld(offer, Decision.Action.BRING_BACK);
        assertTrue(back.runnable());
        assertEquals(back.steps().get(1).step(), new Step.CopyColumn(TYPE, "fdepth", "", "hdepth"));
        assertEquals(back.steps().get(1).sentence(), "Bring back the held values of Depth");
        assertEquals(
                back.asks().stream().map(ask -> ask.about() + " " + ask.rows()).toList(),
                List.of("HELD_VALUES 4", "UNCONVERTED 1", "REQUIRED_EMPTY 7"));
        var left = withHeld(offer, Decision.Action.LEAVE);
        assertEquals(kinds(left), List.of("AddColumn", "SwitchColumns", "CheckRecords"));
        assertEquals(left.asks().getLast().rows(), 10);
        var other = withHeld(new Offer("hdepth", 4, 0, 0, List.of(), false), Decision.Action.BRING_BACK);
        assertEquals(other.findings().getFirst().code(), Code.PLAN_HELD_DIFFERS);
        assertEquals(kinds(other), List.of("AddColumn", "SwitchColumns", "CheckRecords"));
    }

    private Plan addedType(Offer offer, Decision.Action answer) {
        var answers = Map.of(new Question(TYPE, ""), Answer.NONE.offering(java.util.Optional.of(offer)));
        return planner.plan(
                Model.EMPTY,
                Samples.MODEL,
                answers,
                List.of(new Decision(TYPE, Decision.Topic.HELD_VALUES, answer, "")));
    }

    @Test
    public void heldRecordsComeBackWhereTheDefinitionDoes() {
        var offer = new Offer("hmooring", 12, 0, 0, List.of(), true);
        assertEquals(kinds(addedType(offer, Decision.Action.BRING_BACK)).getFirst(), "RestoreTable");
        assertEquals(kinds(addedType(offer, Decision.Action.LEAVE)).getFirst(), "CreateTable");
        var other = addedType(new Offer("hmooring", 12, 0, 0, List.of(), false), Decision.Action.BRING_BACK);
        assertEquals(kinds(other).getFirst(), "CreateTable");
        assertEquals(other.findings().getFirst().code(), Code.PLAN_HELD_DIFFERS);
    }

    @Test
    public void whatIsAskedOfASiteIsWhatValuesHaveAPartIn() {
        var added = planner.questions(Samples.MODEL, withDepth());
        assertEquals(added, List.of(new Question(TYPE, ""), new Question(TYPE, "fdepth")));
        assertEquals(planner.questions(withDepth(), Samples.MODEL), added);
        assertEquals(planner.questions(Model.EMPTY, Samples.MODEL), List.of(new Question(TYPE, "")));
        assertEquals(planner.questions(Samples.MODEL, Samples.MODEL), List.of());
        var worded = Samples.with(Samples.NOTE.id(), f -> f.withLabel("Remarks"));
        assertEquals(planner.questions(Samples.MODEL, worded), List.of(new Question(TYPE, "")));
    }

    @Test
    public void anAddressThatAnotherTakesIsSaid() {
        var other = Samples.type("tother", "berth", Samples.NOTE);
        var moved = Samples.MOORING.withNames(Samples.MOORING.key(), "places");
        var plan = planner.plan(
                new Model(List.of(Samples.MOORING, other)),
                new Model(List.of(moved, other.withNames(other.key(), Samples.MOORING.path()))),
                Map.of(),
                List.of());
        var taken = plan.findings().stream()
                .filter(finding -> finding.code() == Code.PLAN_ADDRESS_TAKEN)
                .toList();
        assertEquals(taken.size(), 1);
        assertEquals(taken.getFirst().place().definition(), TYPE);
        assertEquals(kinds(plan), List.of("Redirect", "Redirect"));
        var more = plan.with(taken);
        assertEquals(more.findings().size(), plan.findings().size() + 1);
        assertEquals(more.steps(), plan.steps());
    }
}

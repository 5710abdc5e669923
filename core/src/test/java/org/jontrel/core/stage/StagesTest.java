package org.jontrel.core.stage;

import static org.testng.Assert.assertEquals;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.jontrel.core.move.RecordProposals;
import org.jontrel.core.stage.Stages.ReleaseOnWay;
import org.testng.annotations.Test;

/** Which releases are reached in one run, and whose answers stand there. */
public class StagesTest {
    private static final Field RISE = new Field("frise", "rise", "Rise", "", false, Kind.Text.PLAIN);
    private static final Field DEPTH = new Field("fdepth", "depth", "Depth", "", false, Kind.Text.PLAIN);
    private static final Kind NUMBER = new Kind.Numeric(2, null, null, "m");

    private static Model model(Field... fields) {
        var group = new Group("g1", "Facts", "", List.of(fields));
        return new Model(List.of(new ContentType(
                "tlock", "lock", "Lock", "Locks", "", "", "locks", Map.of(), List.of(Part.TITLE), List.of(group))));
    }

    private static Model elsewhere(Model model) {
        var type = model.types().getFirst();
        return model.with(type.withNames(type.key(), "elsewhere"));
    }

    private static List<String> stops(Model installed, ReleaseOnWay... way) {
        return Stages.of(installed, List.of(way)).stream()
                .map(Stages.Stage::version)
                .toList();
    }

    private static ReleaseOnWay release(String version, Model model, Decision... decisions) {
        return new ReleaseOnWay(version, model, List.of(decisions));
    }

    @Test
    public void whatTouchesDifferentFieldsIsOneRun() {
        var way = new ReleaseOnWay[] {
            release("2.0.0", model(RISE.withKind(NUMBER), DEPTH)),
            release(
                    "3.0.0",
                    model(RISE.withKind(NUMBER).withKey("rise_m").withLabel("Rise, m"), DEPTH.withRequired(true)))
        };
        assertEquals(stops(model(RISE, DEPTH), way), List.of("3.0.0"));
    }

    @Test
    public void aFieldThatChangesTwiceIsTakenThroughBothReleases() {
        var way = new ReleaseOnWay[] {
            release("2.0.0", model(RISE.withKind(NUMBER))), release("3.0.0", model(RISE.withKind(Kind.YesNo.PLAIN)))
        };
        assertEquals(stops(model(RISE), way), List.of("2.0.0", "3.0.0"));
    }

    /** What goes in one release is not offered to what comes in another under the same key. */
    @Test
    public void fieldsThatGoAndOthersThatComeLaterStayApart() {
        var way =
                new ReleaseOnWay[] {release("2.0.0", model(RISE)), release("3.0.0", model(RISE, DEPTH.withId("fnew1")))
                };
        assertEquals(stops(model(RISE, DEPTH), way), List.of("2.0.0", "3.0.0"));
        way[1] = release(
                "3.0.0", model(RISE, DEPTH.withId("fnew1").withKey("width").withLabel("Width")));
        assertEquals(stops(model(RISE, DEPTH), way), List.of("3.0.0"));
    }

    /** Rows that go later are no records of a type that came before. */
    @Test
    public void aTypeAndRowsThatGoLaterStayApart() {
        var rows = new Kind.Repeater(List.of(RISE, DEPTH), null, null, "", Kind.Repeater.RowStyle.CARDS);
        var gates = new Field("fgates", "gates", "Gates", "", false, rows);
        var link = new Field(
                "flink",
                "gate_list",
                "Gates",
                "",
                false,
                new Kind.Relation(Set.of("tgate"), new Kind.Amount(true, null, null), true, false, null));
        var gate = new ContentType(
                "tgate",
                "gate",
                "Gate",
                "Gates",
                "",
                "",
                "gates",
                Map.of(),
                List.of(Part.TITLE),
                List.of(new Group("g2", "Facts", "", List.of(RISE.withId("fr2"), DEPTH.withId("fd2")))));
        var both = model(gates, link).with(gate);
        var gone = model(link).with(gate);
        assertEquals(stops(model(gates), release("2.0.0", both), release("3.0.0", gone)), List.of("2.0.0", "3.0.0"));
        assertEquals(new RecordProposals(model(gates), gone).to("tgate").size(), 1);
    }

    /** A formula reads the values as they are before its own release. */
    @Test
    public void anAnswerThatReadsWhatChangedBeforeBeginsARun() {
        var formula = new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, "{rise}");
        var after = model(RISE.withKind(NUMBER), DEPTH.withRequired(true));
        var way = new ReleaseOnWay[] {release("2.0.0", model(RISE.withKind(NUMBER))), release("3.0.0", after, formula)};
        assertEquals(stops(model(RISE), way), List.of("2.0.0", "3.0.0"));
        way[1] = release("3.0.0", after, new Decision("fdepth", formula.about(), formula.answer(), "{title}"));
        assertEquals(stops(model(RISE), way), List.of("3.0.0"));
        way[0] = release("2.0.0", model(RISE.withKey("old_rise")));
        way[1] = release(
                "3.0.0",
                model(RISE.withKey("old_rise"), DEPTH.withRequired(true)),
                new Decision("fdepth", formula.about(), formula.answer(), "{old_rise}"));
        assertEquals(stops(model(RISE), way), List.of("2.0.0", "3.0.0"), "it has another name there");
    }

    /** A type whose records are only reached in another way gives the same values. */
    @Test
    public void anAnswerThatNamesATypeReadsItsValues() {
        var moved = elsewhere(model(RISE));
        var after = elsewhere(model(RISE, DEPTH.withRequired(true)));
        var answer = new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, "{lock}");
        var way = new ReleaseOnWay[] {release("2.0.0", moved), release("3.0.0", after, answer)};
        assertEquals(stops(model(RISE), way), List.of("3.0.0"));
    }

    @Test
    public void theAnswersOfTheReleaseThatTouchesAFieldStand() {
        var fill = new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, "1");
        var leave = new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.LEAVE, "");
        var aside = new Decision("frise", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, "");
        var stage = Stages.of(
                        model(RISE, DEPTH),
                        List.of(
                                release("2.0.0", model(RISE, DEPTH.withRequired(true)), fill),
                                release("3.0.0", model(RISE.withKind(NUMBER), DEPTH.withRequired(true)), leave, aside)))
                .getFirst();
        assertEquals(stage.decisions(), List.of(fill, aside));
    }

    /** An answer to one change is none to the next, though field and question are the same. */
    @Test
    public void anAnswerIsOfItsReleaseAlone() {
        var aside = new Decision("frise", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, "");
        var stages = Stages.of(
                model(RISE),
                List.of(
                        release("2.0.0", model(RISE.withKind(NUMBER)), aside),
                        release("3.0.0", model(RISE.withKind(Kind.YesNo.PLAIN)))));
        assertEquals(stages.getFirst().decisions(), List.of(aside));
        assertEquals(stages.getLast().decisions(), List.of());
    }

    /** Every release is passed, in order, and the last one is reached. */
    @Test
    public void theWayEndsWhereItIsToEnd() {
        var chain = new ArrayList<ReleaseOnWay>();
        for (int i = 2; i < 9; i++) {
            chain.add(release(i + ".0.0", model(RISE.withKind(i % 3 == 0 ? NUMBER : Kind.Text.PLAIN), DEPTH)));
        }
        var stages = Stages.of(model(RISE, DEPTH), chain);
        assertEquals(stages.getLast().version(), "8.0.0");
        assertEquals(Stages.between(stages), List.of("3.0.0", "5.0.0", "6.0.0"));
        assertEquals(Stages.of(model(RISE), List.of()), List.of());
    }

    /** Much follows records that become those of another type, or could. */
    @Test
    public void aReleaseThatMergesTypesStandsAlone() {
        var gate = new ContentType(
                "tgate",
                "gate",
                "Gate",
                "Gates",
                "",
                "",
                "gates",
                Map.of(),
                List.of(Part.TITLE),
                List.of(new Group("g2", "Facts", "", List.of(RISE.withId("fgate_rise")))));
        var move = new Decision("tgate", Decision.Topic.RECORD_TYPE, Decision.Action.MOVE, "lock");
        var installed = model(RISE).with(gate);
        var more = DEPTH.withKey("more").withId("fmore");
        for (var decisions : List.of(new Decision[] {move}, new Decision[0])) {
            var way = new ReleaseOnWay[] {
                release("2.0.0", model(RISE), decisions), release("3.0.0", model(RISE, more)),
            };
            assertEquals(stops(installed, way), List.of("2.0.0", "3.0.0"));
        }
    }
}

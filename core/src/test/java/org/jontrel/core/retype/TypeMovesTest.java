package org.jontrel.core.retype;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.recordtype.RecordType;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Which records become those of another type, as answers say it. */
public class TypeMovesTest {
    private static final Kind SORT = new Kind.Choice(
            List.of(new Kind.Option("ol", "lock", "Lock", false), new Kind.Option("ow", "weir", "Weir", false)));
    private static final ContentType STRUCTURE = type(
            "structure",
            field("structure", "sort", SORT),
            field("structure", "lifts", new Kind.YesNo("Moves", "Fixed")),
            field("structure", "name", Kind.Text.PLAIN),
            field("structure", "weight", Kind.Text.PLAIN));
    private static final ContentType LOCK = type("lock", field("lock", "weight", Kind.Text.PLAIN));
    private static final ContentType BRIDGE =
            type("bridge", field("bridge", "weight", Kind.Text.PLAIN), field("bridge", "load", Kind.Text.PLAIN));
    private static final ContentType VISIT = type(
            "visit",
            field("visit", "of", new Kind.Relation(Set.of("tstructure"), Kind.Amount.ONE, false, false, null)));
    private static final Model BEFORE = new Model(List.of(STRUCTURE, VISIT));
    private static final Model SPLIT = new Model(List.of(STRUCTURE, LOCK, VISIT));

    private static Field field(String type, String key, Kind kind) {
        return new Field("f" + type + "_" + key, key, key, "", false, kind);
    }

    private static ContentType type(String key, Field... fields) {
        var name = key.substring(0, 1).toUpperCase() + key.substring(1);
        return new ContentType(
                "t" + key,
                key,
                name,
                name + "s",
                "",
                "",
                key + "s",
                Map.of(),
                List.of(Part.TITLE),
                List.of(new Group("g" + key, name, "", List.of(fields))));
    }

    private static RecordType recordType() {
        return RecordType.of(BEFORE, STRUCTURE).orElseThrow();
    }

    private static Decision move(String id, String value) {
        return new Decision(id, Decision.Topic.RECORD_TYPE, Decision.Action.MOVE, value);
    }

    @DataProvider
    public Object[][] conditions() {
        return new Object[][] {
            {"sort = lock", Map.of("fstructure_sort", "lock"), true},
            {"sort = Lock or weir", Map.of("fstructure_sort", "weir"), true},
            {"sort = lock", Map.of("fstructure_sort", "weir"), false},
            {"sort = lock", Map.of(), false},
            {"sort != lock", Map.of("fstructure_sort", "weir"), true},
            {"sort != lock", Map.of(), true},
            {"sort!=lock", Map.of("fstructure_sort", "lock"), false},
            {"lifts = yes", Map.of("fstructure_lifts", true), true},
            {"lifts = moves", Map.of("fstructure_lifts", true), true},
            {"lifts = Fixed", Map.of("fstructure_lifts", true), false},
            {"lifts = no", Map.of("fstructure_lifts", false), true},
            {"name = Old mill", Map.of("fstructure_name", "old mill "), true},
            {"name = Old mill", Map.of("fstructure_name", "old mills"), false},
        };
    }

    @Test(dataProvider = "conditions")
    public void aConditionIsDecidedAsPeopleReadIt(String text, Map<String, Object> record, boolean holds) {
        var condition = TypeCondition.read(text, recordType()).orElseThrow();
        assertEquals(condition.holds(recordType(), record, NameLookup.NONE), holds);
    }

    @DataProvider
    public Object[][] nonsense() {
        return new Object[][] {{""}, {"sort"}, {"sort = "}, {"sort = bridge"}, {"lifts = perhaps"}, {"kind = lock"}};
    }

    @Test(dataProvider = "nonsense")
    public void whatNothingCanBeIsNoCondition(String text) {
        assertEquals(TypeCondition.read(text, recordType()), Optional.empty());
    }

    @Test
    public void anOptionOfItsNameSaysWhichRecordsANewTypeHas() {
        var types = new TypeMoves(BEFORE, SPLIT, List.of());
        var likely = types.likely("tlock").orElseThrow();
        assertEquals(likely.answer(), "structure where sort = lock");
        assertEquals(likely.way().matched().get("fstructure_weight"), "flock_weight");
        assertEquals(likely.way().matched().get("part_title"), "part_title");
        assertTrue(types.isEmpty(), "nothing is decided");
        assertEquals(types.members(), Set.of());
    }

    @Test
    public void whatLeadsToThemIsMadeAnewToo() {
        var types = new TypeMoves(BEFORE, SPLIT, List.of(move("tlock", "structure where sort = lock")));
        assertEquals(types.members(), Set.of("tstructure", "tlock", "tvisit"));
        var ways = types.ways("tstructure");
        assertEquals(ways.stream().map(TypeMove::to).toList(), List.of("tlock", "tstructure"));
        assertEquals(types.ways("tvisit").stream().map(TypeMove::stays).toList(), List.of(true));
        assertFalse(types.isUnknown("tlock"));
    }

    @DataProvider
    public Object[][] unknown() {
        return new Object[][] {
            // which of the records it would be is not said
            {"structure"},
            {"structure where sort = bridge"},
            {"structure where kind = lock"},
            {"visit where sort = lock"},
            {"structure where sort = lock with load = weight"},
            {"structure where sort = lock with weight"},
            {"Structure where sort = lock"},
            {""}
        };
    }

    @Test(dataProvider = "unknown")
    public void whatCannotBeIsTold(String answer) {
        var types = new TypeMoves(BEFORE, SPLIT, List.of(move("tlock", answer)));
        assertTrue(types.isUnknown("tlock"));
        assertEquals(types.members(), Set.of());
    }

    @Test
    public void fieldsOfOtherKeysAreMatchedByHand() {
        var after = new Model(List.of(STRUCTURE, BRIDGE, VISIT));
        var answer = "structure where lifts = yes with load = name, title = sort";
        var types = new TypeMoves(BEFORE, after, List.of(move("tbridge", answer)));
        assertEquals(
                types.decided("tbridge").orElseThrow().way().matched(),
                Map.of(
                        "fstructure_name", "fbridge_load",
                        "fstructure_sort", "part_title",
                        "fstructure_weight", "fbridge_weight"));
    }

    @Test
    public void recordsOfATypeThatGoesBecomeThoseOfTheMostAlike() {
        var after = new Model(List.of(LOCK, BRIDGE));
        var before = new Model(List.of(
                LOCK,
                BRIDGE,
                type("gate", field("gate", "weight", Kind.Text.PLAIN), field("gate", "load", Kind.Text.PLAIN))));
        var types = new TypeMoves(before, after, List.of());
        assertEquals(
                types.possible().get("tgate").stream().map(TypeProposal::answer).toList(), List.of("bridge", "lock"));
        types = new TypeMoves(before, after, List.of(move("tgate", "lock")));
        assertEquals(types.ways("tgate").getFirst().to(), "tlock");
        assertEquals(types.ways("tlock").stream().map(TypeMove::stays).toList(), List.of(true));
        assertEquals(
                types.were().stream().map(RecordType::key).toList(),
                List.of("lock", "gate"),
                "records that stay come first");
    }

    @Test
    public void aTypeThatHasNothingOfItIsNotProposed() {
        var strange = type("strange", field("strange", "colour", Kind.Colour.PLAIN));
        var types = new TypeMoves(new Model(List.of(LOCK, strange)), new Model(List.of(LOCK)), List.of());
        assertEquals(types.possible(), Map.of());
        assertEquals(types.asked(), Set.of());
        // and can be answered all the same
        types = new TypeMoves(
                new Model(List.of(LOCK, strange)), new Model(List.of(LOCK)), List.of(move("tstrange", "lock")));
        assertEquals(types.ways("tstrange").getFirst().matched(), Map.of("part_title", "part_title"));
        assertEquals(types.asked(), Set.of("tstrange"));
    }

    /** That both have a title says nothing, unless neither has anything else. */
    @Test
    public void typesWithoutFieldsAreLikeEachOtherOnly() {
        var tag = type("tag");
        var types = new TypeMoves(new Model(List.of(LOCK, tag)), new Model(List.of(LOCK)), List.of());
        assertEquals(types.asked(), Set.of());
        var mark = type("mark");
        types = new TypeMoves(new Model(List.of(mark, tag)), new Model(List.of(mark)), List.of());
        assertEquals(types.likely("ttag").orElseThrow().answer(), "mark");
    }

    @Test
    public void anAnswerForATypeThatStaysIsToAnotherQuestion() {
        var types = new TypeMoves(BEFORE, BEFORE, List.of(move("tvisit", "structure")));
        assertEquals(types.asked(), Set.of());
        assertFalse(types.isUnknown("tvisit"));
        assertEquals(types.members(), Set.of());
    }
}

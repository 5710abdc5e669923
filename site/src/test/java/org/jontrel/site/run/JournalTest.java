package org.jontrel.site.run;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.jontrel.core.move.Move;
import org.jontrel.core.move.RecordMove;
import org.jontrel.core.plan.Step;
import org.jontrel.core.retype.TypeCondition;
import org.jontrel.core.retype.TypeMove;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is in a journal stays readable. */
public class JournalTest {
    private static final Step SWITCH = new Step.SwitchColumns(
            "tmooring",
            "",
            List.of(
                    new Step.ColumnSwitch(Step.ColumnAction.HOLD, "frise", "h1"),
                    new Step.ColumnSwitch(Step.ColumnAction.TAKE, "frise", "")));

    @DataProvider
    public Object[][] steps() {
        return Arrays.stream(Step.class.getPermittedSubclasses())
                .map(kind -> new Object[] {kind})
                .toArray(Object[][]::new);
    }

    private static final RecordMove RULE = new RecordMove(
            "tnote",
            "frows",
            "flink",
            true,
            Map.of("fa", "fb"),
            "{a}",
            true,
            "h1",
            List.of(Move.own("fb", List.of("fa"))));

    private static final TypeMove WAY = new TypeMove(
            "tberth",
            "tmooring",
            new TypeCondition("fkind", List.of("gate"), true),
            Map.of("fa", "fb"),
            List.of(Move.own("fb", List.of("fa"))));

    /** A step of each kind, made of what its record wants. */
    private static Step made(Class<?> kind) throws ReflectiveOperationException {
        var parts = kind.getRecordComponents();
        var values = Arrays.stream(parts)
                .map(part -> part.getType().isEnum()
                        ? part.getType().getEnumConstants()[1]
                        : part.getType() == boolean.class
                                ? (Object) true
                                : part.getType() == List.class
                                        ? List.of()
                                        : part.getType() == Map.class
                                                ? Map.of("about 12", "12")
                                                : part.getType() == RecordMove.class ? RULE : (Object) part.getName())
                .toArray();
        var types = Arrays.stream(parts).map(part -> part.getType()).toArray(Class[]::new);
        if (kind == Step.RetypeRecords.class) {
            return new Step.RetypeRecords("tberth", List.of(WAY));
        }
        var constructor = kind.getDeclaredConstructor(types);
        constructor.setAccessible(true);
        return (Step) constructor.newInstance(values);
    }

    @Test(dataProvider = "steps")
    public void eachStepReadsBack(Class<?> kind) throws ReflectiveOperationException {
        var step = made(kind);
        var text = Journal.text(step);
        assertTrue(text.matches("\\{\"do\":\"[a-z_]+\",.*"), text);
        assertEquals(Journal.step(text), step);
    }

    @Test
    public void turnsReadBack() {
        assertEquals(Journal.step(Journal.text(SWITCH)), SWITCH);
    }

    /** As earlier versions wrote them, also without what came later. */
    @Test
    public void earlierJournalsRead() {
        assertEquals(
                Journal.step("{\"do\":\"CopyColumn\",\"holderId\":\"t\",\"fieldId\":\"f\",\"fill\":\"2\"}"),
                new Step.CopyColumn("t", "f", "2", ""));
        assertEquals(
                Journal.step("{\"do\":\"SwitchColumns\",\"holderId\":\"tmooring\",\"table\":\"\",\"turns\":["
                        + "{\"act\":\"HOLD\",\"fieldId\":\"frise\",\"held\":\"h1\"},"
                        + "{\"act\":\"TAKE\",\"fieldId\":\"frise\",\"held\":\"\"}]}"),
                SWITCH);
        assertEquals(
                Journal.step("{\"do\":\"check_records\",\"holderId\":\"t\"}"),
                new Step.CheckRecords("t", Step.Among.ALL));
    }

    /** A rename in the code must not change what stands in the journals of sites. */
    @Test
    public void theStoredNamesStay() {
        assertEquals(
                Journal.text(new Step.CopyColumn("t", "f", "2", "")),
                "{\"do\":\"copy_column\",\"holderId\":\"t\",\"fieldId\":\"f\",\"fill\":\"2\",\"held\":\"\"}");
        assertEquals(
                Journal.text(new Step.CheckRecords("t", Step.Among.ALL)),
                "{\"do\":\"check_records\",\"holderId\":\"t\",\"among\":\"ALL\"}");
        var move = new Step.MoveValues("t", List.of(Move.own("f", List.of("g")).taking(Move.Take.JOINED, ", ")));
        assertEquals(
                Journal.text(move),
                "{\"do\":\"move_values\",\"holderId\":\"t\",\"moves\":[{\"target\":\"f\",\"how\":\"OWN\",\"sources\":[\"g\"],"
                        + "\"take\":\"JOINED\",\"between\":\", \",\"fill\":\"\",\"makes\":\"\",\"makesAll\":false,\"levels\":\"\","
                        + "\"match\":\"\",\"corrections\":{}}]}");
        assertEquals(Journal.step(Journal.text(move)), move);
        // an earlier version knew neither levels nor matches
        var before = Journal.text(move).replace("\"levels\":\"\",\"match\":\"\",", "");
        assertEquals(Journal.step(before), move);
    }

    @Test
    public void whatALaterVersionWroteIsSaid() {
        var thrown = expectThrows(IllegalStateException.class, () -> Journal.step("{\"do\":\"split_type\"}"));
        assertTrue(thrown.getMessage().contains("split_type"), thrown.getMessage());
    }
}

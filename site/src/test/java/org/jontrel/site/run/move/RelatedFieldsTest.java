package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.Test;

/** A field goes, and one of the records at the other end of a relation takes its values. */
public class RelatedFieldsTest extends TypesCase {
    private static final String PERSON = "tperson";
    private static final Field KEEPER = own(
            MOORING,
            "keeper",
            new Kind.Relation(
                    Set.of(PERSON),
                    Kind.Amount.ONE,
                    false,
                    false,
                    new Kind.Inverse("ikeeps", "keeps", "Keeps", true, true)));
    private static final Field PHONE = own(PERSON, "phone", Kind.Text.PLAIN);
    private static final Field LENGTH = own(MOORING, "length", Kind.Text.PLAIN);
    private static final Model BEFORE = model(place(KEEPER, LENGTH), person(PHONE));
    private long ida;
    private long bo;
    private long bank;
    private long quay;

    private static ContentType place(Field... fields) {
        return type(MOORING, Set.of(), fields);
    }

    private static ContentType person(Field... fields) {
        return type(PERSON, Set.of(), fields);
    }

    private static Decision take(String field, String value) {
        return decide(field, Decision.Topic.SOURCES, Decision.Action.GATHER, value);
    }

    private void records() {
        test.install("1.0.0", BEFORE);
        ida = save(PERSON, "Ida", Map.of("phone", "01 23"));
        bo = save(PERSON, "Bo", Map.of());
        bank = save(MOORING, "Bank", Map.of("keeper", link(PERSON, ida), "length", "12"));
        quay = save(MOORING, "Quay", Map.of("keeper", link(PERSON, ida), "length", "9"));
        save(MOORING, "Pier", Map.of("keeper", link(PERSON, bo)));
        save(MOORING, "Lone", Map.of());
    }

    @Test
    public void aFieldComesFromWhereARelationLeads() throws SQLException {
        records();
        var after = model(place(KEEPER, LENGTH, own(MOORING, "phone", Kind.Text.PLAIN)), person());
        var ask = plan(after).asks().getFirst();
        assertEquals(ask.finding().code(), Code.PLAN_SOURCES);
        assertEquals(ask.proposed(), "keeper.phone");
        assertEquals(
                ask.finding().sentence(),
                "Phone is new, and keeper.phone goes with 2 values. Say whether Phone takes them over.");
        var answer = take("fmooring_phone", "keeper.phone");
        assertTrue(plan(after, answer).runnable());
        assertEquals(
                plan(after, take("fmooring_phone", "keeper.fax")).findings().stream()
                        .map(each -> each.code())
                        .filter(each -> each == Code.PLAN_SOURCE_UNKNOWN)
                        .toList(),
                List.of(Code.PLAN_SOURCE_UNKNOWN));
        var samples = test.site()
                .runs()
                .samples(new Runs.RunTarget("2.0.0", after, List.of(answer)), Duration.ofMinutes(1), 9);
        assertTrue(samples.toString().contains("fmooring_phone=01 23"), samples.toString());
        expect(after, null, answer);
        test.install(
                "2.0.0",
                after,
                answer,
                decide("fmooring_phone", Decision.Topic.HELD_VALUES, Decision.Action.LEAVE, ""));
        assertEquals(find(MOORING, bank).orElseThrow().values().get("fmooring_phone"), "01 23");
        assertEquals(find(MOORING, quay).orElseThrow().values().get("fmooring_phone"), "01 23");
    }

    @Test
    public void whereSeveralMeetItIsAsked() throws SQLException {
        records();
        var size = own(PERSON, "length", new Kind.Numeric(0, null, null, "m"));
        var after = model(place(KEEPER), person(PHONE, size));
        var answer = take("fperson_length", "keeps.length");
        var plan = plan(after, answer);
        assertFalse(plan.runnable());
        var several = plan.asks().stream()
                .filter(each -> each.about() == Decision.Topic.SEVERAL_VALUES)
                .findFirst()
                .orElseThrow();
        assertEquals(several.rows(), 1);
        var last = decide("fperson_length", Decision.Topic.SEVERAL_VALUES, Decision.Action.LAST, "");
        expect(after, null, answer, last);
        test.install(
                "2.0.0",
                after,
                answer,
                last,
                decide("fperson_length", Decision.Topic.HELD_VALUES, Decision.Action.LEAVE, ""));
        assertEquals(String.valueOf(find(PERSON, ida).orElseThrow().values().get("fperson_length")), "9");
        assertEquals(find(PERSON, bo).orElseThrow().values().get("fperson_length"), null);
    }

    @Test
    public void whatIsSavedMeanwhileGoesAlong() {
        records();
        var size = own(PERSON, "lengths", new Kind.Choice(OPTIONS, "", MANY, Kind.Choice.PLAIN.shown()));
        var after = model(
                place(KEEPER, LENGTH, own(MOORING, "phone", Kind.Text.PLAIN)),
                person(own(PERSON, "length", Kind.Text.PLAIN), size));
        int[] times = {0};
        var answers = List.of(
                take("fmooring_phone", "keeper.phone"),
                take("fperson_length", "keeps.length"),
                decide("fperson_length", Decision.Topic.SEVERAL_VALUES, Decision.Action.JOIN, "; "));
        TestSite.run(test.site().runs().start(new Runs.RunTarget("2.0.0", after, answers), "anna", _ -> {
            if (test.site().installed().version().equals("1.0.0") && times[0]++ < 9) {
                try {
                    test.edit(PERSON, ida, Map.of("title", "Ida", "phone", "0" + times[0]));
                    test.edit(PERSON, bo, Map.of("title", "Bo", "phone", "9" + times[0]));
                    var keeper = times[0] % 2 == 0 ? ida : bo;
                    test.edit(MOORING, quay, Map.of("title", "Quay", "keeper", link(PERSON, keeper), "length", "7"));
                } catch (AssertionError e) {
                    assertTrue(e.getMessage().startsWith("Closed"), e.getMessage());
                    times[0] = 100;
                }
            }
        }));
        var keeper = find(MOORING, quay).orElseThrow().values().get("fmooring_keeper");
        boolean withIda = keeper.toString().contains(String.valueOf(ida));
        var phone = String.valueOf(find(MOORING, quay).orElseThrow().values().get("fmooring_phone"));
        assertTrue(phone.startsWith(withIda ? "0" : "9"), phone + " of " + keeper);
        assertEquals(find(PERSON, ida).orElseThrow().values().get("fperson_length"), withIda ? "12; 7" : "12");
        assertEquals(find(PERSON, bo).orElseThrow().values().get("fperson_length"), withIda ? null : "7");
    }
}

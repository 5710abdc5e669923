package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;

import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.value.Link;
import org.jontrel.site.testing.Moorings;
import org.testng.annotations.Test;

/** Texts that become relations in a run, with records made for names that none has. */
public class MovedNamesTest extends NamesCase {
    @Test
    public void eachNameBecomesOneRecordOfANewType() throws SQLException {
        start(text("owner"));
        draft("A", "Ada Byrne");
        save("B", Map.of("owner", "ada byrne "));
        draft("C", "Tom Crane");
        save("D", Map.of());
        assertFalse(plan(owned(Kind.Amount.ONE)).runnable(), "nobody has said what becomes of the names");
        expect(owned(Kind.Amount.ONE), null, MAKE);
        test.undo(test.last());
        assertEquals(titles(), List.of("Ada Byrne", "Tom Crane"));
        assertEquals(owners("A"), List.of("Ada Byrne"));
        assertEquals(owners("B"), List.of("Ada Byrne"));
        assertEquals(owners("D"), List.of());
        assertEquals(contact("Ada Byrne").state(), RecordState.PUBLISHED, "a published mooring leads to it");
        assertEquals(contact("Tom Crane").state(), RecordState.DRAFT, "only a draft names it");
        assertEquals(contact("Ada Byrne").slug(), "ada-byrne");
    }

    @Test
    public void whatIsThereIsFoundAndTheRestIsMade() throws SQLException {
        test.install("1.0.0", with(Moorings.model(text("owner"))));
        test.save(CONTACT, Map.of("title", "Ada Byrne"));
        test.save(CONTACT, Map.of("title", "Harbour Office"));
        test.save(CONTACT, Map.of("title", "Twins"));
        test.save(CONTACT, Map.of("title", "Twins"));
        save("A", Map.of("owner", "ADA BYRNE"));
        save("B", Map.of("owner", "harbour-office"));
        save("C", Map.of("owner", "Tom Crane; Ada Byrne"));
        save("D", Map.of("owner", "twins"));
        var split = decide("fowner", Decision.Topic.SPLIT_TEXTS, Decision.Action.SPLIT, ";");
        var before = values();
        assertEquals(
                plan(owned(MANY), MAKE, split).findings().stream()
                        .filter(each -> each.code() == Code.PLAN_NAMES_UNMADE)
                        .map(Finding::sentence)
                        .toList(),
                List.of(
                        "1 value of Owner is a name that several have already, or that is too long for one: nothing is made"
                                + " for it, and it stays held. Correct it to say what is meant; an address says it too."));
        test.install("2.0.0", owned(MANY), MAKE, split);
        var run = test.last();
        test.undo(run);
        assertEquals(values(), before);
        assertEquals(titles(), List.of("Ada Byrne", "Harbour Office", "Twins", "Twins"));
        test.undo(test.last());
        assertEquals(owners("A"), List.of("Ada Byrne"));
        assertEquals(owners("B"), List.of("Harbour Office"), "an address names a record too");
        assertEquals(owners("C"), List.of("Tom Crane", "Ada Byrne"));
        assertEquals(owners("D"), List.of(), "no third of this name is made");
        assertEquals(titles(), List.of("Ada Byrne", "Harbour Office", "Tom Crane", "Twins", "Twins"));
    }

    @Test
    public void whatPeopleAddToSuchARecordStaysWhenTheRunIsUndone() {
        test.install("1.0.0", with(Moorings.model(text("owner")), other("phone", Kind.Phone.PLAIN)));
        long a = save("A", Map.of("owner", "Ada Byrne"));
        save("B", Map.of("owner", "Tom Crane"));
        var to = with(Moorings.model(relation("owner", CONTACT, Kind.Amount.ONE)), other("phone", Kind.Phone.PLAIN));
        test.install("2.0.0", to, MAKE);
        var run = test.last();
        long ada = contact("Ada Byrne").id();
        test.edit(CONTACT, ada, Map.of("title", "Ada Byrne", "phone", "+44 20 7946 0000"));
        test.edit(
                "tmooring",
                a,
                Map.of("title", "A", "owner", contact("Tom Crane").id()));
        test.undo(run);
        assertEquals(titles(), List.of("Ada Byrne"), "nobody has touched the other");
        assertEquals(values(), Map.of("A", "{owner=Tom Crane}", "B", "{owner=Tom Crane}"));
        test.undo(test.last());
        assertEquals(titles(), List.of("Ada Byrne", "Tom Crane"));
        assertEquals(owners("A"), List.of("Tom Crane"));
    }

    @Test
    public void whatSomebodyLeadsToMeanwhileStaysWhenTheRunIsUndone() {
        var friend = relation("friend", CONTACT, Kind.Amount.ONE);
        test.install("1.0.0", with(Moorings.model(text("owner"), friend)));
        long a = save("A", Map.of("owner", "Ada Byrne"));
        save("B", Map.of("owner", "Tom Crane"));
        test.install("2.0.0", with(Moorings.model(relation("owner", CONTACT, Kind.Amount.ONE), friend)), MAKE);
        long tom = contact("Tom Crane").id();
        test.edit("tmooring", a, Map.of("title", "A", "friend", tom));
        test.undo(test.last());
        assertEquals(titles(), List.of("Tom Crane"));
        assertEquals(
                test.site().records().byId("tmooring", a).orElseThrow().values().get("ffriend"),
                new Link(CONTACT, tom));
    }
}

package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.plan.PlanQuestion;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.Test;

/** Texts that become relations in a run, with records made for names that none has. */
public class MovedNamesTest extends RecordsCase {
    private static final Decision MAKE = decide("fowner", Decision.Topic.UNCONVERTED, Decision.Action.MAKE, "");

    private static Model owned(Kind.Amount amount) {
        return with(Moorings.model(relation("owner", CONTACT, amount)));
    }

    /** The titles that a mooring's owner leads to. */
    private List<String> owners(String title) {
        var value = test.site().records().all("tmooring", 100).stream()
                .filter(each -> each.title().equals(title))
                .findFirst()
                .orElseThrow()
                .values()
                .get("fowner");
        var links = Optional.ofNullable(value)
                .map(each -> each instanceof List<?> several ? several : List.of(each))
                .orElse(List.of());
        return links.stream()
                .map(each -> test.site()
                        .records()
                        .byId(CONTACT, ((Link) each).id())
                        .orElseThrow()
                        .title())
                .toList();
    }

    private List<String> titles() {
        return contacts().stream().map(each -> each.title()).sorted().toList();
    }

    private void draft(String title, String owner) {
        TestSite.stored(test.site()
                .records()
                .save(Write.fresh("tmooring", RecordState.DRAFT, Map.of("title", title, "owner", owner), "ben")));
    }

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

    private PlanQuestion namesAsked(Decision... decisions) {
        return plan(owned(Kind.Amount.ONE), decisions).asks().stream()
                .filter(each -> each.about() == Decision.Topic.UNCONVERTED)
                .findFirst()
                .orElseThrow();
    }

    /** Whoever makes records of names need not make one of each. */
    @Test
    public void namesThatAreSetAsideBecomeNothing() {
        start(text("owner"));
        save("A", Map.of("owner", "Ada Byrne"));
        save("B", Map.of("owner", "unknown"));
        var names = List.of(new Decision.Correction("unknown", ""));
        var make = new Decision("fowner", Decision.Topic.UNCONVERTED, Decision.Action.MAKE, "", names);
        test.install("2.0.0", owned(Kind.Amount.ONE), make);
        assertEquals(titles(), List.of("Ada Byrne"));
        assertEquals(owners("B"), List.of());
        test.undo(test.last());
        assertEquals(values(), Map.of("A", "{owner=Ada Byrne}", "B", "{owner=unknown}"));
        var seen = new Decision(
                "fowner",
                Decision.Topic.UNCONVERTED,
                Decision.Action.CORRECT,
                "",
                List.of(names.getFirst(), new Decision.Correction("Ada Byrne", "")));
        assertTrue(namesAsked(seen).decision().isPresent());
        save("C", Map.of("owner", "Tom Crane"));
        assertTrue(namesAsked(seen).decision().isEmpty(), "nobody has seen him");
    }

    @Test
    public void nothingIsMadeWhereRecordsCouldBeOfSeveralTypes() {
        test.install("1.0.0", with(Moorings.model(text("owner"))));
        save("A", Map.of("owner", "Ada Byrne"));
        var both = new Kind.Relation(Set.of(CONTACT, "tmooring"), Kind.Amount.ONE, true, false, null);
        var to = with(Moorings.model(field("owner", both)));
        var ask = plan(to, MAKE).asks().getFirst();
        assertEquals(ask.choices(), List.of(Decision.Action.CORRECT, Decision.Action.SET_ASIDE));
        assertTrue(ask.decision().isEmpty());
        Field of = relation("owner", CONTACT, Kind.Amount.ONE);
        assertEquals(
                plan(with(Moorings.model(of)), MAKE).asks().getFirst().choices().getFirst(), Decision.Action.MAKE);
    }
}

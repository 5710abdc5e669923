package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.run.RunView;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Dump;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.Test;

/** Rows and groups that become records of a type of their own, and records that become rows. */
public class MovedRecordsTest extends RecordsCase {
    @Test
    public void rowsBecomeRecords() throws SQLException {
        start(ROWS, text("note"));
        long a = save("A", Map.of("contacts", List.of(row("Ida", "Warden"), row("Bo", "Owner"), Map.of("phone", "x"))));
        save("B", Map.of("contacts", List.of(row("Ida", "Guest")), "note", "n"));
        save("C", Map.of("note", "nobody"));
        var plan = plan(linked());
        var ask = plan.asks().getFirst();
        assertEquals(ask.finding().code(), Code.PLAN_RECORDS_MADE);
        assertEquals(ask.proposed(), "mooring.contacts");
        assertEquals(ask.rows(), 4);
        assertTrue(
                plan(linked(), decide(CONTACT, Decision.Topic.RECORDS, Decision.Action.GATHER, "mooring.note"))
                        .findings()
                        .stream()
                        .map(Finding::code)
                        .toList()
                        .contains(Code.PLAN_RECORDS_UNKNOWN));
        var untitled = decide("part_title", Decision.Topic.REQUIRED_EMPTY, Decision.Action.LEAVE, "");
        var aside = decide("cphone", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, "");
        assertTrue(plan(linked(), GATHER, untitled, aside).runnable());
        expect(linked(), null, GATHER, untitled, aside);
        var again = decide(CONTACT, Decision.Topic.HELD_VALUES, Decision.Action.LEAVE, "");
        test.install("2.0.0", linked(), GATHER, untitled, aside, again);
        assertEquals(linksOf(a), List.of("Ida", "Bo", ""));
        var slugs = contacts().stream().map(StoredRecord::slug).sorted().toList();
        assertEquals(slugs, List.of("bo", "ida", "ida-2", "untitled"));
        assertEquals(contact("Bo").values().get("crole"), "Owner");
    }

    @Test
    public void whatIsEnteredInRecordsGoesBackToRows() throws SQLException {
        start(ROWS, text("note"));
        long a = save("A", Map.of("contacts", List.of(row("Ida", "Warden"), row("Bo", "Owner"))));
        long b = save("B", Map.of("contacts", List.of(row("Cy", "Guest"))));
        test.install("2.0.0", linked(), GATHER);
        var run = test.last();
        test.edit(CONTACT, contact("Bo").id(), Map.of("title", "Bodo", "role", "Owner"));
        var ann = test.save(CONTACT, Map.of("title", "Ann", "role", "Cook"));
        var ida = contact("Ida").id();
        test.edit(
                "tmooring",
                b,
                Map.of(
                        "title",
                        "B",
                        "contacts_of",
                        List.of(Map.of("type", CONTACT, "id", ann.id()), Map.of("type", CONTACT, "id", ida))));
        var newer = Dump.of(test.source());
        var findings = test.site().runs().undoPlan(run.id()).orElseThrow().findings();
        assertEquals(
                findings.stream().map(Finding::sentence).toList(),
                List.of(
                        "Contacts changed since in 1 record in a way that the older definitions cannot say."
                                + " What was there before comes back; the newer is held.",
                        "Contacts changed since in 2 records, and the older definitions can say it."
                                + " They are carried over."));
        test.undo(run);
        assertEquals(
                values(),
                Map.of(
                        "A", "{contacts=[{name=Ida, role=Warden}, {name=Bodo, role=Owner}]}",
                        "B", "{contacts=[{name=Ann, role=Cook}, {name=Ida, role=Warden}]}"));
        test.undo(test.last());
        assertEquals(Dump.of(test.source()), newer);
        // and what is entered in rows meanwhile goes forth to records
        test.undo(run);
        test.edit("tmooring", a, Map.of("title", "A", "contacts", List.of(same(a, "Ida", "Boss"), row("Eve", "New"))));
        test.undo(test.last());
        assertEquals(linksOf(a), List.of("Ida", "Eve"));
        assertEquals(linksOf(b), List.of("Ann", "Ida"));
        // what both lead to stays as it is for the other
        assertEquals(
                contacts().stream()
                        .filter(each -> each.title().equals("Ida"))
                        .map(each -> each.values().get("crole"))
                        .sorted()
                        .toList(),
                List.of("Boss", "Warden"));
    }

    @Test
    public void recordsBecomeRows() throws SQLException {
        test.install("1.0.0", linked());
        var ida = test.save(CONTACT, Map.of("title", "Ida", "role", "Warden", "phone", "0123 456789"));
        var bo = test.save(CONTACT, Map.of("title", "Bo"));
        test.save(CONTACT, Map.of("title", "Nobody's"));
        long a = save(
                "A",
                Map.of(
                        "contacts_of",
                        List.of(Map.of("type", CONTACT, "id", bo.id()), Map.of("type", CONTACT, "id", ida.id()))));
        save("B", Map.of("contacts_of", List.of(Map.of("type", CONTACT, "id", ida.id()))));
        var model = Moorings.model(ROWS, text("note"));
        var ask = plan(model).asks().getFirst();
        assertEquals(ask.finding().code(), Code.PLAN_ROWS_MADE);
        assertEquals(ask.proposed(), "contact");
        var gather = decide("fcontacts", Decision.Topic.RECORDS, Decision.Action.GATHER, "contact");
        expect(
                model,
                Map.of(
                        "A", "{contacts=[{name=Bo}, {name=Ida, role=Warden, phone=0123 456789}]}",
                        "B", "{contacts=[{name=Ida, role=Warden, phone=0123 456789}]}"),
                gather);
        test.install(
                "2.0.0", model, gather, decide("fcontacts", Decision.Topic.HELD_VALUES, Decision.Action.LEAVE, ""));
        test.edit("tmooring", a, Map.of("title", "A", "contacts", List.of(row("Bo", "Cook"))));
        test.undo(test.last());
        assertEquals(linksOf(a), List.of("Bo"));
        assertEquals(contact("Bo").values().get("crole"), "Cook");
        assertEquals(test.last().kind(), RunView.RunKind.UNDO);
    }

    @Test
    public void titlesComeOfFormulas() throws SQLException {
        start(ROWS, text("note"));
        save("A", Map.of("contacts", List.of(row("Ida", "Warden"), Map.of("role", "Cook"))));
        var titled = decide(
                CONTACT, Decision.Topic.RECORDS, Decision.Action.GATHER, "mooring.contacts titled {role} at {mooring}");
        var wrong = decide(CONTACT, Decision.Topic.RECORDS, Decision.Action.GATHER, "mooring.contacts titled {nobody}");
        assertTrue(plan(linked(), wrong).findings().stream()
                .map(Finding::code)
                .toList()
                .contains(Code.PLAN_FILL_INVALID));
        var again = decide(CONTACT, Decision.Topic.HELD_VALUES, Decision.Action.LEAVE, "");
        test.install("2.0.0", linked(), titled);
        assertEquals(
                contacts().stream().map(StoredRecord::title).sorted().toList(), List.of("Cook at A", "Warden at A"));
        test.undo(test.last());
        // only where a row has no name
        var fill = decide("part_title", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, "{role}?");
        test.install("2.0.0", linked(), GATHER, fill, again);
        assertEquals(contacts().stream().map(StoredRecord::title).sorted().toList(), List.of("Cook?", "Ida"));
    }

    @Test
    public void rowsMayStayHeldAndDraftsAreTold() throws SQLException {
        start(ROWS, text("note"));
        save("A", Map.of("contacts", List.of(row("Ida", "Warden"))));
        var leave = decide(CONTACT, Decision.Topic.RECORDS, Decision.Action.LEAVE, "");
        var plan = plan(linked(), leave);
        assertEquals(plan.findings().getFirst().code(), Code.PLAN_VALUES_HELD);
        test.install("2.0.0", linked(), GATHER);
        var ida = contact("Ida");
        TestSite.stored(test.site()
                .records()
                .save(Write.change(CONTACT, ida, Map.of(), false, "ben").withState(RecordState.DRAFT)));
        var back = test.site().runs().plan(new Runs.RunTarget("3.0.0", Moorings.model(ROWS, text("note")), List.of()));
        assertTrue(back.findings().stream().map(Finding::code).toList().contains(Code.PLAN_ROWS_HIDDEN));
    }

    /** What the new definitions allow but once, or not so often, is told before. */
    @Test
    public void limitsAreTold() {
        start(ROWS, text("note"));
        save("A", Map.of("contacts", List.of(row("Ida", "Warden"), row("Bo", "Warden"), row("Cy", "Cook"))));
        var once = new Kind.Text(null, null, "", "", "", "", true);
        var two = relation("contacts_of", CONTACT, new Kind.Amount(true, null, 2));
        var model = with(Moorings.model(two, text("note")), other("role", once));
        assertEquals(
                plan(model, GATHER).findings().stream()
                        .filter(each -> each.code() == Code.PLAN_VALUES_TWICE || each.code() == Code.PLAN_TOO_MANY)
                        .map(each -> each.code() + " " + each.arguments())
                        .sorted()
                        .toList(),
                List.of("PLAN_TOO_MANY [Contacts, 1]", "PLAN_VALUES_TWICE [Role, 1]"));
    }
}

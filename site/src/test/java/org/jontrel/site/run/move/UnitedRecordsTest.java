package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.testing.Dump;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.Test;

/** Rows that say the same and become one record. */
public class UnitedRecordsTest extends RecordsCase {
    private static final Decision UNITE =
            decide(CONTACT, Decision.Topic.RECORDS, Decision.Action.UNITE, "mooring.contacts");

    private List<String> said() {
        return contacts().stream()
                .map(each -> each.title() + ", " + each.values().get("crole"))
                .sorted()
                .toList();
    }

    private long draft(String title, Object... contacts) {
        var raw = Map.of("title", title, "contacts", List.of(contacts));
        return TestSite.stored(test.site().records().save(Write.fresh("tmooring", RecordState.DRAFT, raw, "ben")))
                .id();
    }

    @Test
    public void rowsThatSayTheSameBecomeOneRecord() throws SQLException {
        start(ROWS, text("note"));
        long a = draft("A", row("Ida", "Warden"), row("Bo", "Owner"), row("ida ", "warden"));
        long b = save("B", Map.of("contacts", List.of(row("IDA", "Warden"), row("Ida", "Guest")), "note", "n"));
        save("C", Map.of("note", "nobody"));
        var plan = plan(linked());
        assertEquals(plan.asks().getFirst().choices().getFirst(), Decision.Action.UNITE, "what is likely comes first");
        assertTrue(
                sentences(plan.findings())
                        .contains("2 of what becomes Contacts say the same as another."
                                + " To make one record of all that say the same, answer so."),
                sentences(plan.findings()).toString());
        plan = plan(linked(), UNITE);
        assertTrue(plan.runnable());
        assertEquals(
                sentences(plan.findings()).getFirst(),
                "1 of the Contacts has a title that another has, with other values. It becomes a record of its own.");
        expect(linked(), null, UNITE);
        test.undo(test.last());
        assertEquals(said(), List.of("Bo, Owner", "Ida, Guest", "Ida, Warden"));
        assertEquals(linksOf(a), List.of("Ida", "Bo"));
        assertEquals(linksOf(b), List.of("IDA", "Ida").stream().map(_ -> "Ida").toList());
        assertEquals(
                contacts().stream()
                        .filter(each -> "Warden".equals(each.values().get("crole")))
                        .map(StoredRecord::state)
                        .toList(),
                List.of(RecordState.PUBLISHED),
                "a published mooring leads to it");
        assertEquals(contact("Bo").state(), RecordState.DRAFT);
    }

    private static List<String> sentences(List<Finding> findings) {
        return findings.stream().map(Finding::sentence).toList();
    }

    @Test
    public void fieldsNamedAfterTheTypeBecomeItsRecords() throws SQLException {
        start(text("contact"), text("contact_phone"), text("note"));
        long a = save("A", Map.of("contact", "Ida", "contact_phone", "0123 456789"));
        long b = save("B", Map.of("contact", "ida", "contact_phone", "0123 456789", "note", "n"));
        long c = save("C", Map.of("note", "nobody"));
        var to = with(
                Moorings.model(relation("contact_of", CONTACT, Kind.Amount.ONE), text("note")),
                other("phone", Kind.Text.PLAIN));
        var ask = plan(to).asks().getFirst();
        assertEquals(ask.proposed(), "mooring", "the title has a field");
        var unite = decide(CONTACT, Decision.Topic.RECORDS, Decision.Action.UNITE, ask.proposed());
        expect(to, null, unite);
        test.undo(test.last());
        assertEquals(contacts().size(), 1);
        assertEquals(contact("Ida").values().get("cphone"), "0123 456789");
        for (long each : List.of(a, b)) {
            assertEquals(
                    test.site()
                            .records()
                            .byId("tmooring", each)
                            .orElseThrow()
                            .values()
                            .get("fcontact_of"),
                    new Link(CONTACT, contact("Ida").id()));
        }
        assertEquals(
                test.site().records().byId("tmooring", c).orElseThrow().values().get("fcontact_of"), null);
    }

    @Test
    public void whatIsEnteredInOneRecordGoesBackToAllItsRows() throws SQLException {
        start(ROWS, text("note"));
        save("A", Map.of("contacts", List.of(row("Ida", "Warden"), row("Bo", "Owner"), row("Ida", "Warden"))));
        save("B", Map.of("contacts", List.of(row("ida", "Warden"), row("Cy", "Guest"))));
        test.install("2.0.0", linked(), UNITE);
        var run = test.last();
        test.edit(CONTACT, contact("Ida").id(), Map.of("title", "Ida", "role", "Boss"));
        var newer = Dump.of(test.source());
        test.undo(run);
        assertEquals(
                values(),
                Map.of(
                        "A", "{contacts=[{name=Ida, role=Boss}, {name=Bo, role=Owner}, {name=Ida, role=Boss}]}",
                        "B", "{contacts=[{name=ida, role=Boss}, {name=Cy, role=Guest}]}"));
        test.undo(test.last());
        assertEquals(Dump.of(test.source()), newer);
    }

    @Test
    public void whatIsEnteredInRowsMeanwhileGoesForth() {
        start(ROWS, text("note"));
        long a = save("A", Map.of("contacts", List.of(row("Ida", "Warden"), row("Bo", "Owner"))));
        long b = save("B", Map.of("contacts", List.of(row("Ida", "Warden"), row("Cy", "Guest"))));
        test.install("2.0.0", linked(), UNITE);
        var run = test.last();
        var bo = contact("Bo").id();
        test.undo(run);
        // one becomes what is there, one another than it was, one is new in both, one is gone
        test.edit(
                "tmooring",
                a,
                Map.of(
                        "title",
                        "A",
                        "contacts",
                        List.of(row("Cy", "Guest"), same(a, "Bo", "Chief"), row("Eve", "New"))));
        test.edit("tmooring", b, Map.of("title", "B", "contacts", List.of(row("Cy", "Guest"), row("eve", "new"))));
        test.undo(test.last());
        assertEquals(said(), List.of("Bo, Chief", "Cy, Guest", "Eve, New"));
        assertEquals(contact("Bo").id(), bo);
        assertEquals(linksOf(a), List.of("Cy", "Bo", "Eve"));
        assertEquals(linksOf(b), List.of("Cy", "Eve"));
    }

    @Test
    public void whatIsSavedWhileTheRunIsUnderWayIsUnitedToo() {
        start(ROWS, text("note"));
        long a = draft("A", row("Ida", "Warden"), row("Bo", "Owner"));
        long b = save("B", Map.of("contacts", List.of(row("Ida", "Warden"))));
        int[] round = {0};
        meanwhile(
                linked(),
                () -> {
                    var one = round[0] % 2 == 0 ? row("Cy", "Guest") : row("Ida", "Warden");
                    test.edit("tmooring", b, Map.of("title", "B", "contacts", List.of(one)));
                    test.edit("tmooring", a, Map.of("title", "A", "contacts", List.of(row("Ida", "Warden"))));
                    round[0]++;
                },
                UNITE);
        boolean elsewhere = round[0] % 2 == 1;
        assertEquals(said(), elsewhere ? List.of("Cy, Guest", "Ida, Warden") : List.of("Ida, Warden"));
        assertEquals(
                contact("Ida").state(),
                elsewhere ? RecordState.DRAFT : RecordState.PUBLISHED,
                "as visible as what leads to it by now");
        assertEquals(linksOf(a), List.of("Ida"));
        assertEquals(linksOf(b), elsewhere ? List.of("Cy") : List.of("Ida"));
    }

    /** A title that named one mooring would be wrong for the others. */
    @Test
    public void titlesSayNothingOfWhatTheRowsAreIn() {
        start(rows("contacts", text("role"), text("phone")), text("note"));
        save("A", Map.of("contacts", List.of(Map.of("role", "Warden", "phone", "0123"))));
        save("B", Map.of("contacts", List.of(Map.of("role", "warden", "phone", "0123"))));
        var to = with(
                Moorings.model(LINKS, text("note")), other("role", Kind.Text.PLAIN), other("phone", Kind.Text.PLAIN));
        assertEquals(plan(to).asks().getFirst().proposed(), "mooring.contacts");
        var wrong = decide(CONTACT, Decision.Topic.RECORDS, Decision.Action.UNITE, "mooring.contacts titled {mooring}");
        assertTrue(sentences(plan(to, wrong).findings())
                .contains("One Contact stands for rows of several Moorings, and its title would name one of them."
                        + " Leave {mooring} out of the template for titles, and name fields of the row instead."));
        assertFalse(plan(to, wrong).runnable());
        var right = decide(CONTACT, Decision.Topic.RECORDS, Decision.Action.UNITE, "mooring.contacts titled {role}");
        test.install("2.0.0", to, right);
        assertEquals(contacts().stream().map(StoredRecord::title).toList(), List.of("Warden"));
    }
}

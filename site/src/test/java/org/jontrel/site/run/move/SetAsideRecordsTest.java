package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Kind;
import org.jontrel.site.testing.Moorings;
import org.testng.annotations.Test;

/** What a run between rows and records could not take over, and what is entered beside it. */
public class SetAsideRecordsTest extends RecordsCase {
    /** What a run set aside is in nothing but the held rows: no edit of what it made goes over it. */
    @Test
    public void whatWasSetAsideComesBackBesideWhatWasEntered() throws SQLException {
        start(ROWS, text("note"));
        long a = save("A", Map.of("contacts", List.of(Map.of("name", "Ida", "role", "Warden", "phone", "x"))));
        var aside = decide("cphone", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, "");
        test.install("2.0.0", linked(), GATHER, aside);
        var run = test.last();
        test.edit(CONTACT, contact("Ida").id(), Map.of("role", "Boss"));
        test.undo(run);
        assertEquals(values(), Map.of("A", "{contacts=[{name=Ida, role=Boss, phone=x}]}"));
        test.undo(test.last());
        // a number where there was one that could not go along: what was there comes back
        test.edit(CONTACT, contact("Ida").id(), Map.of("phone", "0123 456789"));
        test.undo(run);
        assertEquals(values(), Map.of("A", "{contacts=[{name=Ida, role=Boss, phone=x}]}"));
        assertEquals(test.site().records().byId("tmooring", a).orElseThrow().title(), "A");
    }

    /** The other way round, and what belongs to nothing is told. */
    @Test
    public void recordsKeepWhatNoRowCouldSay() throws SQLException {
        var text = other("phone", Kind.Text.PLAIN);
        test.install("1.0.0", with(Moorings.model(LINKS), other("role", Kind.Text.PLAIN), text));
        var ida = test.save(CONTACT, Map.of("title", "Ida", "role", "Warden", "phone", "ask at the inn"));
        test.save(CONTACT, Map.of("title", "Nobody's"));
        long a = save("A", Map.of("contacts_of", List.of(Map.of("type", CONTACT, "id", ida.id()))));
        var rows = rows("contacts", text("name"), text("role"), field("phone", Kind.Phone.PLAIN));
        var gather = decide("fcontacts", Decision.Topic.RECORDS, Decision.Action.GATHER, "contact");
        var aside = decide("fphone", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, "");
        var plan = plan(Moorings.model(rows), gather, aside);
        assertTrue(plan.findings().stream()
                .anyMatch(each -> each.code() == Code.PLAN_RECORDS_HELD
                        && each.arguments().contains("1")));
        test.install("2.0.0", Moorings.model(rows), gather, aside);
        test.edit("tmooring", a, Map.of("title", "A", "contacts", List.of(same(a, "Ida", "Boss"))));
        test.undo(test.last());
        assertEquals(contact("Ida").values().get("crole"), "Boss");
        assertEquals(contact("Ida").values().get("cphone"), "ask at the inn");
    }
}

package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;

import java.sql.SQLException;
import java.util.Map;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.Link;
import org.jontrel.site.testing.Moorings;
import org.testng.annotations.Test;

/** Groups and fields that become records of a type of their own. */
public class MovedGroupsTest extends RecordsCase {
    @Test
    public void aGroupBecomesRecordsThatLeadBack() throws SQLException {
        start(group("skipper", text("role"), text("phone")), text("note"));
        save("A", Map.of("skipper", Map.of("role", "One", "phone", "1234567")));
        save("B", Map.of("note", "none"));
        var model = with(
                Moorings.model(text("note")),
                other("role", Kind.Text.PLAIN),
                other("phone", Kind.Text.PLAIN),
                relation("of", "tmooring", Kind.Amount.ONE));
        var gather = decide(CONTACT, Decision.Topic.RECORDS, Decision.Action.GATHER, "");
        var proposed = plan(model).asks().getFirst().proposed();
        assertEquals(proposed, "mooring.skipper titled {mooring}");
        gather = decide(CONTACT, Decision.Topic.RECORDS, Decision.Action.GATHER, proposed);
        expect(model, Map.of("A", "{}", "B", "{note=none}"), gather);
        var again = decide(CONTACT, Decision.Topic.HELD_VALUES, Decision.Action.LEAVE, "");
        test.install("2.0.0", model, gather, again);
        assertEquals(contact("A").values().get("cphone"), "1234567");
        assertEquals(((Link) contact("A").values().get("fof")).type(), "tmooring");
    }

    @Test
    public void aRelationWithinAGroupThatLeadsBackComesFromNoField() throws SQLException {
        var mine = relation("of", "tmooring", Kind.Amount.ONE);
        start(text("role"), text("phone"), group("place", mine, text("street")), text("note"));
        long b = save("B", Map.of("note", "n"));
        save(
                "A",
                Map.of(
                        "role",
                        "Warden",
                        "phone",
                        "0123456",
                        "place",
                        Map.of("of", Map.of("type", "tmooring", "id", b), "street", "Quay")));
        var model = with(
                Moorings.model(text("note")),
                other("role", Kind.Text.PLAIN),
                other("phone", Kind.Text.PLAIN),
                group("place", mine.withId("cof"), text("street").withId("cstreet"))
                        .withId("cplace"));
        var gather = decide(CONTACT, Decision.Topic.RECORDS, Decision.Action.GATHER, "mooring titled {mooring}");
        expect(model, Map.of("B", "{note=n}", "A", "{}"), gather);
    }
}

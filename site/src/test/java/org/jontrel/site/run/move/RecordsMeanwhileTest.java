package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;

import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Kind;
import org.jontrel.site.testing.Dump;
import org.jontrel.site.testing.Moorings;
import org.testng.annotations.Test;

/** Rows become records, and records rows, while people save them. */
public class RecordsMeanwhileTest extends RecordsCase {
    @Test
    public void rowsThatAreSavedMeanwhileBecomeRecords() throws SQLException {
        start(ROWS, text("note"));
        long a = save("A", Map.of("contacts", List.of(row("Ida", "Warden"), row("Bo", "Owner"))));
        save("B", Map.of("contacts", List.of(row("Cy", "Guest"))));
        var before = Dump.of(test.source());
        int[] round = {0};
        meanwhile(
                linked(),
                () -> {
                    var rows = new ArrayList<Object>(List.of(same(a, "Ida", "Warden " + (round[0] + 1))));
                    if (round[0] % 2 == 1) {
                        rows.addFirst(row("New " + (round[0] + 1), "Here"));
                    }
                    test.edit("tmooring", a, Map.of("title", "A", "contacts", rows));
                    round[0]++;
                },
                GATHER);
        var last = round[0] % 2 == 0 ? List.of("New " + round[0], "Ida") : List.of("Ida");
        assertEquals(linksOf(a), last);
        assertEquals(contact("Ida").values().get("crole"), "Warden " + round[0]);
        // nothing is left of what was there in between
        assertEquals(contacts().size(), last.size() + 1);
        test.undo(test.last());
        assertEquals(Dump.of(test.source()).get("mooring__contacts").size(), last.size() + 1);
        assertEquals(Dump.of(test.source()).keySet(), before.keySet());
    }

    @Test
    public void recordsThatAreSavedMeanwhileBecomeRows() throws SQLException {
        var back = relation("of", "tmooring", Kind.Amount.ONE);
        test.install("1.0.0", with(Moorings.model(text("note")), other("role", Kind.Text.PLAIN), back));
        long a = save("A", Map.of());
        long b = save("B", Map.of());
        var ida =
                test.save(CONTACT, Map.of("title", "Ida", "role", "Warden", "of", Map.of("type", "tmooring", "id", a)));
        int[] round = {0};
        meanwhile(
                Moorings.model(ROWS, text("note")),
                // from one mooring to the other and back
                () -> {
                    var of = Map.of("type", "tmooring", "id", round[0] % 2 == 1 ? a : b);
                    test.edit(CONTACT, ida.id(), Map.of("title", "Ida " + (round[0] + 1), "of", of));
                    round[0]++;
                },
                decide("fcontacts", Decision.Topic.RECORDS, Decision.Action.GATHER, "contact"));
        var rows = "{contacts=[{name=Ida " + round[0] + (round[0] % 2 == 0 ? ", role=Warden" : "") + "}]}";
        assertEquals(
                values().get(round[0] % 2 == 0 ? "A" : "B").toString().replace(", role=Warden", ""),
                rows.replace(", role=Warden", ""));
        assertEquals(values().get(round[0] % 2 == 0 ? "B" : "A"), "{}");
        test.undo(test.last());
        assertEquals(contact("Ida " + round[0]).id(), ida.id());
    }
}

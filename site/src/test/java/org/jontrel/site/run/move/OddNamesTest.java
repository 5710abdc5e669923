package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.plan.PlanQuestion;
import org.jontrel.site.testing.Moorings;
import org.testng.annotations.Test;

/** Names that nobody would invent, or that nothing is to be made for. */
public class OddNamesTest extends NamesCase {
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

    /** Names as nobody would invent them. */
    @Test
    public void oddNamesAreMadeOrStayHeld() {
        start(text("owner"));
        var names = List.of(
                "é",
                "e",
                "E ",
                "???",
                "records",
                "Record",
                "🚤",
                "a\u200bb",
                "ab",
                "O'Neill & \"Co\" <b>",
                "x".repeat(200),
                "y".repeat(201),
                "0",
                "-1",
                "null",
                "'; DROP TABLE mooring; --",
                "ﬀ",
                "ß",
                "ẞ");
        for (int at = 0; at < names.size(); at++) {
            save("M" + at, Map.of("owner", names.get(at)));
        }
        var before = values();
        test.install("2.0.0", owned(Kind.Amount.ONE), MAKE);
        for (int at = 0; at < names.size(); at++) {
            var name = names.get(at);
            var found = owners("M" + at);
            if (name.length() > 200) {
                assertEquals(found, List.of(), "no title is so long");
            } else {
                assertEquals(found.size(), 1, name);
                assertTrue(found.getFirst().equalsIgnoreCase(name.strip()), name + " is " + found);
            }
        }
        var slugs = contacts().stream().map(each -> each.slug()).toList();
        assertEquals(Set.copyOf(slugs).size(), slugs.size(), slugs.toString());
        test.undo(test.last());
        assertEquals(values(), before);
        test.undo(test.last());
        assertEquals(owners("M0"), List.of("é"));
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

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
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.site.testing.Dump;
import org.testng.annotations.Test;

/** Records of a content type that goes become those of one that stays, or of a new one. */
public class MergedTypesTest extends TypesCase {
    private static final Model APART = model(mooring(), berth(), inspection(MOORING, BERTH));
    private static final Model ONE = model(mooring(own(MOORING, "depth", Kind.Text.PLAIN)), inspection(MOORING));
    private long bank;
    private long quay;
    private long pier;
    private long look;
    private long below;

    private void records() {
        test.install("1.0.0", APART);
        bank = save(MOORING, "Bank", Map.of("length", "12"));
        quay = save(
                BERTH,
                "Quay",
                Map.of("length", "8", "contacts", List.of(Map.of("name", "Ida")), "tags", List.of("a", "b")));
        pier = save(BERTH, "Bank", Map.of("length", "9"));
        look = save(
                INSPECTION,
                "Look",
                Map.of("of", link(BERTH, quay), "near", List.of(link(MOORING, bank), link(BERTH, pier))));
        below = under(INSPECTION, "Below", new Link(BERTH, quay));
    }

    @Test
    public void recordsBecomeThoseOfATypeThatStays() throws SQLException {
        records();
        var plan = plan(ONE);
        var ask = plan.asks().getFirst();
        assertEquals(ask.finding().code(), Code.PLAN_TYPE_GOES);
        assertEquals(ask.rows(), 2);
        assertEquals(ask.proposed(), "mooring");
        assertFalse(plan.runnable());
        assertEquals(
                ask.finding().sentence(),
                "Berths go with 2 records. They could become Moorings, which have the same fields."
                        + " Say whether they do; else they are held.");
        plan = plan(ONE, MERGE);
        assertTrue(plan.runnable(), plan.findings().toString());
        assertEquals(
                plan.findings().stream()
                        .filter(each -> each.code() == Code.PLAN_SLUGS_TAKEN)
                        .map(Finding::sentence)
                        .toList(),
                List.of(
                        "1 of the Berths has an address that one of the Moorings has. It gets a number behind it, and the"
                                + " old address leads there. Change one of both before, if it is to be called otherwise."));
        expect(ONE, null, MERGE);
        test.install("2.0.0", ONE, MERGE);
        assertEquals(told(MOORING, quay), "quay published {title=Quay, length=8, contacts=[{name=Ida}], tags=[a, b]}");
        assertEquals(told(MOORING, pier), "bank-2 published {title=Bank, length=9}");
        assertEquals(told(MOORING, bank), "bank published {title=Bank, length=12}");
        var values = find(INSPECTION, look).orElseThrow().values();
        assertEquals(values.get("finspection_of"), new Link(MOORING, quay));
        assertEquals(values.get("finspection_near"), List.of(new Link(MOORING, bank), new Link(MOORING, pier)));
        assertEquals(find(INSPECTION, below).orElseThrow().parent(), Optional.of(new Link(MOORING, quay)));
        // old addresses lead to where the records are now
        assertEquals(test.site().redirected("berths").map(RecordType::path), Optional.of("moorings"));
        assertEquals(address("berths", "quay"), "moorings/quay");
        assertEquals(address("berths", "bank"), "moorings/bank-2");
        assertEquals(
                test.site()
                        .records()
                        .byAddress(MOORING, "bank")
                        .orElseThrow()
                        .record()
                        .id(),
                bank);
        test.undo(test.last());
        assertEquals(told(BERTH, pier), "bank published {title=Bank, length=9}");
        assertEquals(address("moorings", "bank-2"), "berths/bank");
    }

    private String address(String path, String below) {
        return test.site()
                .moved(path, below)
                .map(each -> each.type().path() + "/" + each.address())
                .orElse("nowhere");
    }

    @Test
    public void whatIsEnteredSinceGoesBackToBoth() throws SQLException {
        records();
        test.install("2.0.0", ONE, MERGE);
        var run = test.last();
        test.edit(
                MOORING,
                quay,
                Map.of(
                        "title",
                        "Quay wall",
                        "length",
                        "8.5",
                        "tags",
                        List.of("b"),
                        "contacts",
                        List.of(),
                        "depth",
                        "3"));
        test.edit(MOORING, bank, Map.of("title", "Bank", "length", "13"));
        var fresh = save(MOORING, "Fresh", Map.of("length", "1"));
        test.site()
                .records()
                .remove(MOORING, pier, find(MOORING, pier).orElseThrow().version(), "ben");
        test.edit(INSPECTION, look, Map.of("title", "Look", "of", link(MOORING, fresh)));
        var newer = Dump.of(test.source());
        var findings = test.site().runs().undoPlan(run.id()).orElseThrow().findings();
        assertEquals(
                findings.stream().map(Finding::sentence).toList(),
                List.of(
                        "Moorings changed since in 1 record in a way that the older definitions cannot say."
                                + " What was there before comes back; the newer is held.",
                        "Inspections changed since in 1 record, and the older definitions can say it."
                                + " It is carried over.",
                        "Moorings changed since in 3 records, and the older definitions can say it."
                                + " They are carried over."));
        test.undo(run);
        assertEquals(told(BERTH, quay), "quay published {title=Quay wall, length=8.5, tags=[b]}");
        assertEquals(told(BERTH, pier), "none");
        assertEquals(told(MOORING, bank), "bank published {title=Bank, length=13}");
        assertEquals(told(MOORING, fresh), "fresh published {title=Fresh, length=1}");
        assertEquals(find(INSPECTION, look).orElseThrow().values().get("finspection_of"), new Link(MOORING, fresh));
        test.undo(test.last());
        assertEquals(Dump.of(test.source()), newer);
        test.undo(run);
        test.edit(BERTH, quay, Map.of("title", "Quay", "length", "7"));
        test.undo(test.last());
        assertEquals(told(MOORING, quay), "quay published {title=Quay, length=7, tags=[b], depth=3}");
    }

    @Test
    public void aTypeThatTakesTheirPlaceHasTheRecordsOfBoth() throws SQLException {
        records();
        var place = type(
                "tplace",
                Set.of(),
                own("tplace", "size", Kind.Text.PLAIN),
                own("tplace", "tags", new Kind.Choice(OPTIONS, "", MANY, Kind.Choice.PLAIN.shown())));
        var model = model(place, inspection("tplace"));
        var first = decide(MOORING, Decision.Topic.RECORD_TYPE, Decision.Action.MOVE, "place with size = length");
        var second = decide(BERTH, Decision.Topic.RECORD_TYPE, Decision.Action.MOVE, "place with size = length");
        var plan = plan(model, first, second);
        assertTrue(plan.runnable(), plan.findings().toString());
        assertTrue(
                plan.findings().stream()
                        .map(Finding::sentence)
                        .toList()
                        .toString()
                        .contains("Contacts"),
                plan.findings().toString());
        for (var wrong :
                List.of("place with size = width", "place with width = length", "place where length", "quay", "")) {
            var answer = decide(BERTH, Decision.Topic.RECORD_TYPE, Decision.Action.MOVE, wrong);
            assertTrue(
                    plan(model, first, answer).findings().stream()
                            .anyMatch(each -> each.code() == Code.PLAN_TYPE_UNKNOWN),
                    wrong);
        }
        expect(model, null, first, second);
        test.install("2.0.0", model, first, second);
        assertEquals(told("tplace", quay), "quay published {title=Quay, size=8, tags=[a, b]}");
        // of two with one address, that of the type whose key comes first keeps it
        assertEquals(told("tplace", bank), "bank-2 published {title=Bank, size=12}");
        assertEquals(told("tplace", pier), "bank published {title=Bank, size=9}");
    }
}

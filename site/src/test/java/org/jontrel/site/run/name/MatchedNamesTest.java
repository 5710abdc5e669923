package org.jontrel.site.run.name;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.jontrel.core.value.Link;
import org.jontrel.site.run.move.MovesCase;
import org.jontrel.site.testing.Dump;
import org.jontrel.site.testing.Moorings;
import org.testng.annotations.Test;

/** Texts and numbers become relations to records that another field than the title knows by them. */
public class MatchedNamesTest extends MovesCase {
    private static final String PERSON = "tperson";
    private static final Field NUMBER = field("number", Kind.Numeric.PLAIN);
    private static final Decision BY_CODE = match("code");
    private static final Decision ASIDE = decide("fowner", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, "");

    private static Decision match(String key) {
        return decide("fowner", Decision.Topic.MATCHED_BY, Decision.Action.MATCH, key);
    }

    private static Model with(Field owner) {
        var all = new ArrayList<Definition>(Moorings.model(owner).definitions());
        all.add(new ContentType(
                PERSON,
                "person",
                "Person",
                "People",
                "",
                "",
                "people",
                Map.of(),
                List.of(Part.TITLE),
                List.of(new Group("gperson", "Facts", "", List.of(text("code"), NUMBER)))));
        return new Model(all);
    }

    private static Field relation() {
        return field("owner", new Kind.Relation(Set.of(PERSON), Kind.Amount.ONE, false, false, null));
    }

    private long person(String title, String code, String number) {
        return test.save(PERSON, Map.of("title", title, "code", code, "number", number))
                .id();
    }

    private Map<String, Object> owners() {
        var all = new LinkedHashMap<String, Object>();
        for (var record : test.site().records().all("tmooring", 100)) {
            all.put(record.title(), record.values().get("fowner") instanceof Link link ? link.id() : "none");
        }
        return all;
    }

    @Test
    public void namesAreFoundByTheFieldThatSaysThem() throws SQLException {
        test.install("1.0.0", with(text("owner")));
        long ada = person("Ada", "K-12", "1");
        long tom = person("Tom", "k-13 ", "2");
        long eve = person("Eve", "K-14", "3");
        person("Ben", "K-15", "4");
        person("Ben", "K-15", "5");
        save("A", Map.of("owner", "k-12"));
        save("B", Map.of("owner", "K-13"));
        save("C", Map.of("owner", "Eve"));
        save("D", Map.of("owner", "K-15"));
        var to = with(relation());
        var asks = plan(to).asks();
        assertEquals(
                asks.stream().map(ask -> ask.finding().code()).toList(),
                List.of(Code.PLAN_NAMES_MATCHED, Code.PLAN_VALUES_UNCONVERTED));
        assertEquals(asks.getFirst().proposed(), "code");
        assertEquals(asks.getFirst().rows(), 2);
        assertEquals(asks.getLast().rows(), 3);
        var decided = plan(to, BY_CODE).asks();
        assertEquals(decided.getFirst().rows(), 2, "those that it finds");
        assertTrue(decided.getFirst().decision().isPresent());
        assertEquals(decided.getLast().rows(), 1, "two are called K-15");
        var before = Dump.of(test.source());
        test.install("2.0.0", to, BY_CODE, ASIDE);
        var found = Map.<String, Object>of("A", ada, "B", tom, "C", eve, "D", "none");
        assertEquals(owners(), found);
        var run = test.last();
        test.undo(run);
        assertEquals(Dump.of(test.source()), before);
        test.undo(test.last());
        assertEquals(owners(), found);
        test.undo(run);
        assertEquals(Dump.of(test.source()), before);
    }

    /** What was entered since says by its code what it leads to. */
    @Test
    public void undoWritesWhatTheFieldSays() {
        test.install("1.0.0", with(text("owner")));
        long ada = person("Ada", "K-12", "1");
        long tom = person("Tom", "K-13", "2");
        long a = save("A", Map.of("owner", "K-12"));
        test.install("2.0.0", with(relation()), BY_CODE);
        assertEquals(owners(), Map.of("A", ada));
        test.edit("tmooring", a, Map.of("title", "A", "owner", Map.of("type", PERSON, "id", tom)));
        test.undo(test.last());
        assertEquals(values(), Map.of("A", "{owner=K-13}"));
    }

    @Test
    public void numbersAreFoundAsPeopleWriteThem() {
        test.install("1.0.0", with(field("owner", Kind.Numeric.PLAIN)));
        long ada = person("Ada", "K-12", "1012");
        save("A", Map.of("owner", "1012"));
        save("B", Map.of("owner", "77"));
        assertEquals(plan(with(relation())).asks().getFirst().proposed(), "number");
        test.install("2.0.0", with(relation()), match("number"), ASIDE);
        assertEquals(owners(), Map.of("A", ada, "B", "none"));
    }

    /** Nobody is asked where few names are found so, or titles have them. */
    @Test
    public void onlyWhatHelpsIsAsked() {
        test.install("1.0.0", with(text("owner")));
        person("Ada", "K-12", "1");
        save("A", Map.of("owner", "Ada"));
        save("B", Map.of("owner", "K-12"));
        save("C", Map.of("owner", "unknown"));
        save("D", Map.of("owner", "somebody"));
        assertTrue(plan(with(relation())).asks().stream().noneMatch(ask -> ask.about() == Decision.Topic.MATCHED_BY));
        var odd = plan(with(relation()), match("nothing"));
        assertEquals(
                odd.findings().stream()
                        .map(each -> each.code())
                        .filter(Code.PLAN_MATCH_UNKNOWN::equals)
                        .count(),
                1);
    }
}

package org.jontrel.site.record;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.Test;

/** A condition and its opposite list every record once, also those that say nothing of it. */
public class OppositesTest {
    private static final Field WOODS = new Field(
            "fwoods",
            "woods",
            "Woods",
            "",
            false,
            new Kind.Choice(
                    List.of(new Kind.Option("oash", "ash", "Ash", false)),
                    "",
                    new Kind.Amount(true, null, null),
                    Kind.Choice.PLAIN.shown()));
    private static final Field POSTS = new Field(
            "fposts",
            "posts",
            "Posts",
            "",
            false,
            new Kind.Repeater(
                    List.of(new Field("fname", "name", "Name", "", false, Kind.Text.PLAIN)),
                    null,
                    null,
                    "",
                    Kind.Repeater.RowStyle.CARDS));

    private static List<Condition> conditions() {
        var all = new ArrayList<Condition>();
        for (var test : List.of(
                Condition.Test.IS,
                Condition.Test.IS_NOT,
                Condition.Test.ABOVE,
                Condition.Test.AT_LEAST,
                Condition.Test.BELOW,
                Condition.Test.AT_MOST)) {
            all.add(new Condition.FieldIs("flength", test, List.of("12")));
            all.add(new Condition.FieldIs("fsince", test, List.of("2026-05-01")));
        }
        for (var test : List.of(Condition.Test.IS, Condition.Test.IS_NOT, Condition.Test.HAS)) {
            all.add(new Condition.FieldIs("frise", test, List.of("steep")));
        }
        for (var test : List.of(Condition.Test.IS, Condition.Test.IS_NOT)) {
            all.add(new Condition.FieldIs("fstate", test, List.of("good")));
            all.add(new Condition.FieldIs("fopen", test, List.of("true")));
            all.add(new Condition.FieldIs("fwoods", test, List.of("ash")));
            all.add(new Condition.FieldIs("fname", test, List.of("P1")));
        }
        for (var field : List.of("flength", "frise", "fstate", "fopen", "fwoods", "fposts", "fname")) {
            all.add(new Condition.FieldIs(field, Condition.Test.FILLED, List.of("true")));
            all.add(new Condition.FieldIs(field, Condition.Test.FILLED, List.of("false")));
        }
        all.add(new Condition.FieldIs("own_publish_at", Condition.Test.ABOVE, List.of("2026-05-01T00:00")));
        return all;
    }

    @Test
    public void eachRecordIsOnOneSide() {
        try (var test = TestSite.open()) {
            test.install(
                    "1.0.0",
                    Moorings.model(
                            Moorings.LENGTH,
                            Moorings.RISE,
                            Moorings.STATE,
                            Moorings.OPEN,
                            Moorings.SINCE,
                            WOODS,
                            POSTS));
            test.save(
                    "tmooring",
                    Map.of(
                            "title",
                            "Full",
                            "length",
                            "12",
                            "rise",
                            "steep",
                            "state",
                            "good",
                            "open",
                            true,
                            "since",
                            "2026-05-01",
                            "woods",
                            List.of("ash"),
                            "posts",
                            List.of(Map.of("name", "P1"))));
            test.save(
                    "tmooring",
                    Map.of("title", "Other", "length", "13", "rise", "none", "state", "poor", "open", false));
            test.save("tmooring", Map.of("title", "Empty"));
            var all = conditions();
            for (int at = 0; at < all.size(); at++) {
                var some = all.get(at);
                var other = all.get((at * 7 + 3) % all.size());
                holds(test, some);
                holds(test, new Condition.Not(some));
                holds(test, new Condition.All(List.of(some, new Condition.Not(other))));
                holds(test, new Condition.Any(List.of(new Condition.Not(some), other)));
            }
            assertTrue(all.size() > 30, all.size() + " conditions");
        }
    }

    private static void holds(TestSite test, Condition condition) {
        long here = count(test, condition);
        assertEquals(here + count(test, new Condition.Not(condition)), 3, condition.toString());
    }

    private static long count(TestSite test, Condition condition) {
        return test.site()
                .records()
                .count("tmooring", ListQuery.ALL.where(condition))
                .records();
    }
}

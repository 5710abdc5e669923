package org.jontrel.site.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Plan;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;

/** A site with moorings whose rise is a text, and is to be a number. */
abstract class CorrectionsCase {
    static final Model NUMBERS =
            Moorings.with(Moorings.RISE, field -> field.withKind(new Kind.Numeric(1, null, null, "")));
    TestSite test;

    @BeforeMethod
    public final void open() {
        test = TestSite.open();
        test.install("1.0.0", Moorings.standard());
        for (var rise : List.of("about 12", "3", "about 12", "perhaps")) {
            test.save("tmooring", Map.of("title", rise, "rise", rise));
        }
    }

    @AfterMethod
    public final void close() {
        test.close();
    }

    static Decision correct(Decision.Action rest, String... pairs) {
        var corrections = new ArrayList<Decision.Correction>();
        for (int i = 0; i < pairs.length; i += 2) {
            corrections.add(new Decision.Correction(pairs[i], pairs[i + 1]));
        }
        return new Decision("frise", Decision.Topic.UNCONVERTED, rest, "", corrections);
    }

    Plan plan(Decision... decisions) {
        return test.site().runs().plan(new Runs.RunTarget("2.0.0", NUMBERS, List.of(decisions)));
    }

    /** By title and id, so that equal ones are told apart. */
    Map<String, String> rises() {
        var all = new TreeMap<String, String>();
        test.site()
                .records()
                .all("tmooring", 10)
                .forEach(record ->
                        all.put(record.slug(), String.valueOf(record.values().get("frise"))));
        return all;
    }
}

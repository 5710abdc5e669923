package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;

import java.sql.SQLException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Plan;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Dump;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;

/** A site with moorings whose values change their place. */
public abstract class MovesCase {
    protected static final List<Kind.Option> OPTIONS =
            List.of(new Kind.Option("oa", "a", "Ash", false), new Kind.Option("ob", "b", "Birch", false));
    protected static final Kind.Amount MANY = new Kind.Amount(true, null, null);
    protected static final Kind ONE_WOOD = choice(Kind.Amount.ONE);
    protected static final Kind MANY_WOODS = choice(MANY);
    protected TestSite test;

    @BeforeMethod
    public final void open() {
        test = TestSite.open();
    }

    @AfterMethod
    public final void close() {
        test.close();
    }

    protected static Kind choice(Kind.Amount amount) {
        return new Kind.Choice(OPTIONS, "", amount, Kind.Choice.PLAIN.shown());
    }

    protected static Field field(String key, Kind kind) {
        return new Field("f" + key, key, key.substring(0, 1).toUpperCase() + key.substring(1), "", false, kind);
    }

    protected static Field text(String key) {
        return field(key, Kind.Text.PLAIN);
    }

    protected static Field rows(String key, Field... fields) {
        return field(key, new Kind.Repeater(List.of(fields), null, null, "", Kind.Repeater.RowStyle.CARDS));
    }

    protected static Field group(String key, Field... fields) {
        return field(key, new Kind.FieldGroup(List.of(fields)));
    }

    protected void start(Field... fields) {
        test.install("1.0.0", Moorings.model(fields));
    }

    protected long save(String title, Map<String, ?> raw) {
        var all = new LinkedHashMap<String, Object>(raw);
        all.put("title", title);
        return test.save("tmooring", all).id();
    }

    protected Plan plan(Model model, Decision... decisions) {
        return test.site().runs().plan(new Runs.RunTarget("2.0.0", model, List.of(decisions)));
    }

    /** All values as JSON has them, without the ids of rows, by title. */
    protected Map<String, Object> values() {
        var all = new LinkedHashMap<String, Object>();
        var model = test.site().installed().model();
        var fields = RecordType.of(model, model.definition("tmooring").orElseThrow())
                .orElseThrow()
                .fields()
                .skip(1)
                .toList();
        test.site()
                .records()
                .all("tmooring", 100)
                .forEach(record -> all.put(
                        String.valueOf(record.values().get("part_title")),
                        String.valueOf(Values.wire(fields, record.values()))
                                .replaceAll(", _row=[0-9]+|_row=[0-9]+,? ?", "")));
        return all;
    }

    protected static Decision decide(String field, Decision.Topic about, Decision.Action action, String value) {
        return new Decision(field, about, action, value);
    }

    /** Runs to a model, expects these values, undoes, and expects what was there to the last byte; and all of it again. */
    protected void expect(Model model, Map<String, String> expected, Decision... decisions) throws SQLException {
        var before = Dump.of(test.source());
        test.install("2.0.0", model, decisions);
        if (expected != null) {
            assertEquals(values(), expected);
        }
        var after = Dump.of(test.source());
        var run = test.last();
        test.undo(run);
        assertEquals(Dump.of(test.source()), before);
        test.undo(test.last());
        assertEquals(Dump.of(test.source()), after);
        test.undo(run);
        assertEquals(Dump.of(test.source()), before);
    }
}

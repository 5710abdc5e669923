package org.jontrel.e2e;

import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.jontrel.site.testing.TestDatabase;
import org.testng.annotations.Test;

/**
 * How quick the modelling desk feels with 300 types of 20 fields, by the browser's own marks: from a key to the paint that
 * shows it, and from a click on a definition to the paint of its sheet. Prints figures and asserts none; run by
 * {@code ./jontrel bench desk}.
 */
public class DeskBenchmark {
    private static final int TYPES = 300;
    private static final int FIELDS = 20;
    private static final int TIMES = 60;
    private static final int EDITS = 10;
    /** Milliseconds after which an edit is stored and everything on the screen shows it. */
    private static final int SETTLED = 2_500;

    /** Notes the time from an event to the end of the frame that follows it. */
    private static final String WATCH = """
            kind => {
              window.marks = [];
              document.addEventListener(kind, () => {
                const begun = performance.now();
                requestAnimationFrame(() => {
                  const channel = new MessageChannel();
                  channel.port1.onmessage = () => window.marks.push(performance.now() - begun);
                  channel.port2.postMessage(0);
                });
              }, true);
            }""";

    @Test
    public void measure() {
        try (var desk = new Desk()) {
            desk.api.post("/api/workspaces", Map.of("title", "Large"));
            desk.api.post("/api/workspaces/large/draft/take", Map.of("definitions", Desk.definitions(large())));
            var page = desk.page;
            desk.anna.open("/w/large/model");
            page.getByLabel("Label of field 1", new com.microsoft.playwright.Page.GetByLabelOptions().setExact(true))
                    .click();
            page.evaluate(WATCH, "keydown");
            for (int i = 0; i < TIMES; i++) {
                page.keyboard().press("x");
                page.waitForTimeout(60);
            }
            report("key to paint", page.evaluate("window.marks"));
            // folded, as it begins
            page.evaluate("localStorage.setItem('jontrel.names', 'false')");
            page.reload();
            page.getByLabel("Label of field 1", new com.microsoft.playwright.Page.GetByLabelOptions().setExact(true))
                    .waitFor();
            page.evaluate("""
                    rows => {
                      window.marks = [];
                      window.whole = [];
                      document.addEventListener('click', event => {
                        const name = event.target.closest('a')?.querySelector('.name')?.textContent;
                        const begun = performance.now();
                        const painted = marks => {
                          const channel = new MessageChannel();
                          channel.port1.onmessage = () => marks.push(performance.now() - begun);
                          channel.port2.postMessage(0);
                        };
                        const isNamed = () => document.querySelector('.sheet h1')?.textContent === name;
                        const isWhole = () => document.querySelectorAll('.sheet [data-row]').length === rows;
                        const look = (is, marks) => requestAnimationFrame(() => is() ? painted(marks) : look(is, marks));
                        look(isNamed, window.marks);
                        look(() => isNamed() && isWhole(), window.whole);
                      }, true);
                    }""", FIELDS);
            for (int i = 0; i < TIMES / 2; i++) {
                desk.outline("Type " + (i * 7 % TYPES)).click();
                page.waitForTimeout(250);
            }
            report("opening a definition", page.evaluate("window.marks"));
            report("until all its rows are painted", page.evaluate("window.whole"));
            cost(desk);
        }
    }

    /** What edits cost: each is typed, stored, and answered to everything on the screen that shows the draft. */
    private static void cost(Desk desk) {
        var page = desk.page;
        page.getByLabel("Label of field 1", new com.microsoft.playwright.Page.GetByLabelOptions().setExact(true))
                .click();
        edit(page);
        var requests = new AtomicInteger();
        page.onRequest(request -> {
            if (request.url().contains("/api/")) {
                requests.incrementAndGet();
            }
        });
        var quietBefore = Counters.read();
        page.waitForTimeout(EDITS * SETTLED);
        var quiet = Counters.read().since(quietBefore);
        requests.set(0);
        var before = Counters.read();
        for (int i = 0; i < EDITS; i++) {
            edit(page);
        }
        var cost = Counters.read().since(before).since(quiet);
        System.out.printf(
                "an edit: %d requests, %d statements, %d kB sent by the database%n",
                requests.get() / EDITS, cost.statements() / EDITS, (cost.bytes() >> 10) / EDITS);
    }

    private static void edit(com.microsoft.playwright.Page page) {
        page.keyboard().press("x");
        page.waitForTimeout(SETTLED);
    }

    /** What the whole database server did, which nobody else uses. */
    private record Counters(long statements, long bytes) {
        static Counters read() {
            return new Counters(status("Questions"), status("Bytes_sent"));
        }

        private static long status(String name) {
            try (var source = TestDatabase.shared().source("information_schema");
                    var connection = source.getConnection();
                    var statement = connection.createStatement();
                    var row = statement.executeQuery("SHOW GLOBAL STATUS LIKE '" + name + "'")) {
                row.next();
                return row.getLong(2);
            } catch (SQLException e) {
                throw new IllegalStateException(e);
            }
        }

        Counters since(Counters before) {
            return new Counters(statements - before.statements(), bytes - before.bytes());
        }
    }

    private static void report(String what, Object marks) {
        var times = ((List<?>) marks)
                .stream()
                        .mapToDouble(each -> ((Number) each).doubleValue())
                        .sorted()
                        .toArray();
        System.out.printf(
                "%s: median %.0f ms, 95 %% within %.0f ms, of %d%n",
                what, times[times.length / 2], times[(int) (times.length * 0.95)], times.length);
    }

    private static Model large() {
        var types = new ArrayList<ContentType>();
        for (int i = 0; i < TYPES; i++) {
            var fields = new ArrayList<Field>();
            for (int f = 0; f < FIELDS; f++) {
                Kind kind = f % 3 == 0 ? new Kind.LongText(500, 4) : f % 3 == 1 ? Kind.YesNo.PLAIN : Kind.Numeric.PLAIN;
                fields.add(new Field("f" + i + "x" + f, "field_" + f, "Field " + f, "", f % 5 == 0, kind));
            }
            types.add(new ContentType(
                    "t" + i + "xx",
                    "type_" + i,
                    "Type " + i,
                    "Types " + i,
                    "",
                    "",
                    "types-" + i,
                    Map.of(),
                    List.of(Part.TITLE),
                    List.of(new Group("g" + i + "xx", "Details", "", fields))));
        }
        return new Model(types);
    }
}

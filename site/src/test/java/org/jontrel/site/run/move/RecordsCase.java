package org.jontrel.site.run.move;

import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.Row;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestSite;

/** A site with moorings whose contacts are rows, a group or records. */
abstract class RecordsCase extends MovesCase {
    static final String CONTACT = "tcontact";
    private static final int MOST = 12;
    static final Field LINKS = relation("contacts_of", CONTACT, MANY);
    static final Field ROWS = rows("contacts", text("name"), text("role"), text("phone"));

    static Field relation(String key, String to, Kind.Amount amount) {
        return field(key, new Kind.Relation(Set.of(to), amount, true, false, null));
    }

    static Field other(String key, Kind kind) {
        return field(key, kind).withId("c" + key);
    }

    static Model with(Model model, Field... fields) {
        var all = new ArrayList<Definition>(model.definitions());
        all.add(new ContentType(
                CONTACT,
                "contact",
                "Contact",
                "Contacts",
                "",
                "",
                "contacts",
                Map.of(),
                List.of(Part.TITLE),
                List.of(new Group("gcontact", "Contact", "", List.of(fields)))));
        return new Model(all);
    }

    /** A mooring with contacts in rows becomes one that leads to contacts. */
    static Model linked() {
        return with(
                Moorings.model(LINKS, text("note")), other("role", Kind.Text.PLAIN), other("phone", Kind.Phone.PLAIN));
    }

    static final Decision GATHER = decide(CONTACT, Decision.Topic.RECORDS, Decision.Action.GATHER, "mooring.contacts");

    static Map<String, Object> row(String name, String role) {
        return Map.of("name", name, "role", role);
    }

    List<StoredRecord> contacts() {
        return test.site().records().all(CONTACT, 100);
    }

    StoredRecord contact(String title) {
        return contacts().stream()
                .filter(each -> each.title().equals(title))
                .findFirst()
                .orElseThrow();
    }

    /** The row with this name of a mooring, with another role. */
    Map<String, Object> same(long mooring, String name, String role) {
        var values =
                test.site().records().byId("tmooring", mooring).orElseThrow().values();
        long id = ((List<?>) values.get(ROWS.id()))
                .stream()
                        .map(Row.class::cast)
                        .filter(each -> each.values().containsValue(name))
                        .findFirst()
                        .orElseThrow()
                        .id();
        return Map.of("_row", id, "name", name, "role", role);
    }

    Object linksOf(long mooring) {
        var links = test.site()
                .records()
                .byId("tmooring", mooring)
                .orElseThrow()
                .values()
                .get(LINKS.id());
        return contacts(links);
    }

    /** The titles of the contacts that a value leads to; none for {@code null}. */
    List<String> contacts(Object value) {
        var links = value instanceof List<?> several
                ? several
                : Stream.ofNullable(value).toList();
        return links.stream()
                .map(each -> test.site()
                        .records()
                        .byId(CONTACT, ((Link) each).id())
                        .orElseThrow()
                        .title())
                .toList();
    }

    /** What is typed while a run is under way goes along: at every step of it somebody saves. */
    void meanwhile(Model model, Runnable saving, Decision... decisions) {
        var target = new Runs.RunTarget("2.0.0", model, List.of(decisions));
        int[] times = {0};
        TestSite.run(test.site().runs().start(target, "anna", _ -> {
            // while records are still what they were
            if (test.site().installed().version().equals("1.0.0") && times[0]++ < MOST) {
                try {
                    saving.run();
                } catch (AssertionError e) {
                    assertTrue(e.getMessage().startsWith("Closed"), e.getMessage());
                    times[0] = MOST;
                }
            }
        }));
        assertTrue(times[0] > 4, "saved so often: " + times[0]);
    }
}

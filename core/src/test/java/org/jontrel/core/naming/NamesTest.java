package org.jontrel.core.naming;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.jontrel.core.model.ContentType;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class NamesTest {
    @DataProvider
    public Object[][] labels() {
        return new Object[][] {
            {"Rise of the lock", "rise_of_the_lock"},
            {"  Größe (m²) ", "grosse_m2"},
            {"Keeper's cottage", "keepers_cottage"},
            {"2nd gate", "n_2nd_gate"},
            {"😀", "field"},
            {"", "field"},
            {"Ærø Łódź", "aero_lodz"},
            {"a".repeat(60), "a".repeat(40)},
            {"one two three four five six seven eight nine", "one_two_three_four_five_six_seven_eight"},
        };
    }

    @Test(dataProvider = "labels")
    public void keysDeriveFromLabels(String label, String key) {
        assertEquals(Keys.fromLabel(label), key);
        assertTrue(Keys.isKey(Keys.fromLabel(label)));
    }

    @DataProvider
    public Object[][] nouns() {
        return new Object[][] {
            {"Mooring", "Moorings"},
            {"Stoppage notice", "Stoppage notices"},
            {"Work party", "Work parties"},
            {"Person", "People"},
            {"Heritage boat", "Heritage boats"},
            {"Batch", "Batches"},
            {"PDF", "PDFs"},
            {"Rope", "Ropes"},
            {"Clapper of brass", "Clappers of brass"},
            {"Point of interest", "Points of interest"},
            {"Friend from abroad", "Friends from abroad"},
            {"Sign in", "Sign ins"},
            {"Walk in clinic", "Walk in clinics"},
            {"How to guide", "How to guides"},
            {"Of" + " ".repeat(200_000) + "brass", "Of" + " ".repeat(200_000) + "brasses"},
        };
    }

    @Test(dataProvider = "nouns")
    public void pluralsDeriveFromSingulars(String singular, String plural) {
        assertEquals(Nouns.plural(singular), plural);
    }

    @Test
    public void everythingDerivesFromOneNounAndCanBeReplaced() {
        var type = Nouns.type(" Work party ", new Ids(new Random(1)));
        assertEquals(
                List.of(type.singular(), type.plural(), type.key(), type.path()),
                List.of("Work party", "Work parties", "work_party", "work-parties"));
        assertEquals(Wording.ADD.of(type), "Add work party");
        assertEquals(Wording.EMPTY.of(type), "No work parties yet");
        assertEquals(Wording.SEARCH.derive("GPS fix", "GPS fixes"), "Search GPS fixes");
        var replaced = new ContentType(
                "tx", "k", "A", "B", "", "", "p", Map.of("add", "Sign up a party"), List.of(), List.of());
        assertEquals(Wording.ADD.of(replaced), "Sign up a party");
    }

    @Test
    public void freeKeysMeetNoTakenOneAndStayShort() {
        assertEquals(Keys.free("rise", Set.of("rise", "rise_2")), "rise_3");
        assertEquals(Keys.free("a".repeat(40), Set.of("a".repeat(40))).length(), 40);
    }

    @Test
    public void idsAreValidAndDiffer() {
        var ids = Ids.secure();
        var made = java.util.stream.Stream.generate(() -> ids.next('f'))
                .limit(1_000)
                .distinct()
                .toList();
        assertEquals(made.size(), 1_000);
        assertTrue(made.stream().allMatch(Ids::isId));
    }

    @Test
    public void anotherLanguageIsAFileOfPatterns() {
        var dutch = java.util.Locale.of("nl");
        assertEquals(Wording.ADD.derive("Sluis", "Sluizen", dutch), "Sluis toevoegen");
        assertEquals(Wording.EMPTY.derive("Sluis", "Sluizen", dutch), "Nog geen sluizen");
        assertEquals(Wording.EMPTY.derive("Lock", "Locks", java.util.Locale.of("cy")), "No locks yet");
        for (var wording : Wording.values()) {
            assertFalse(wording.derive("Sluis", "Sluizen", dutch).contains("{"), wording.code());
        }
    }
}

package org.jontrel.core.merge;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import org.jontrel.core.Examples;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.compare.Sentences;
import org.jontrel.core.model.Model;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Two people's edits of the seed bank's files, over the whole language. */
public class LanguageMergeTest {
    private static final Model BASE = Examples.seedBank();
    private static final String ACCESSION = "types/accession.yaml";
    private static final String ORIGIN = "taxonomies/origin.yaml";

    private static Model side(String file, String before, String after) {
        return Examples.seedBank(BASE, Map.of(file, Examples.edited(file, before, after)));
    }

    @DataProvider
    public Object[][] together() {
        return new Object[][] {
            {
                "a limit here, a target there",
                side(ACCESSION, "many: true, max_count: 6, ordered", "many: true, max_count: 9, ordered"),
                side(ACCESSION, "kind: relation, to: [person], many", "kind: relation, to: [person, trip], many")
            },
            {
                "a term here, another there",
                side(ORIGIN, "{key: hollin_fell,", "{key: low_moor, label: Low Moor}, {key: hollin_fell,"),
                side(ORIGIN, "  - {key: saltings", "  - {key: dunes, label: The Dunes}\n  - {key: saltings")
            },
            {
                "a field within rows here, their order there",
                side(ACCESSION, "- {key: tray, label: Tray,", "- {key: tray, label: Tray number,"),
                side(
                        ACCESSION,
                        "- {key: begun, label: Begun, kind: date, required: true}\n          - {key: checked_at, label: Checked at, kind: time, earliest: \"06:00\", latest: \"20:00\"}",
                        "- {key: checked_at, label: Checked at, kind: time, earliest: \"06:00\", latest: \"20:00\"}\n          - {key: begun, label: Begun, kind: date, required: true}")
            },
            {
                "a listing's order here, its limit there",
                side("listings/latest.yaml", ", {field: title}]", "]"),
                side("listings/latest.yaml", "limit: 20", "limit: 40")
            },
            {
                "an entry of the wordings each",
                side(ACCESSION, "wordings: {add: Enter an accession,", "wordings: {add: Record an accession,"),
                side(ACCESSION, "untitled: Unnumbered accession", "untitled: Accession without a number")
            },
            {
                "a target each",
                side(ACCESSION, "width: half, to: [vault]", "width: half, to: [trip, vault]"),
                side(ACCESSION, "width: half, to: [vault]", "width: half, to: [species, vault]")
            },
        };
    }

    @Test(dataProvider = "together")
    public void independentEditsGoTogether(String what, Model ours, Model theirs) {
        var merged = Merge.merge(BASE, ours, theirs);
        assertEquals(merged.clashes(), List.of(), what);
        var done = sentences(merged.model());
        if (!what.equals("a target each")) {
            assertTrue(done.containsAll(sentences(ours)) && done.containsAll(sentences(theirs)), done.toString());
        } else {
            assertEquals(
                    done,
                    List.of(
                            "Accession: field Vault of Storage: to changed from “Vault” to “Collecting trip, Species, Vault”"));
        }
        assertEquals(Merge.merge(BASE, theirs, ours).model(), merged.model(), what);
    }

    private static List<String> sentences(Model after) {
        return Comparison.of(BASE, after).changes().stream().map(Sentences::of).toList();
    }

    @DataProvider
    public Object[][] clashes() {
        return new Object[][] {
            {
                side(
                        ACCESSION,
                        "label: Habitat, kind: term, taxonomy: habitat",
                        "label: Habitat, kind: term, taxonomy: trait"),
                side(
                        ACCESSION,
                        "label: Habitat, kind: term, taxonomy: habitat",
                        "label: Habitat, kind: term, taxonomy: origin"),
                "Accession: field Habitat: taxonomy was “Habitat”; ours makes it “Trait”, theirs “Origin”. Choose one."
            },
            {
                side(ACCESSION, "show_when: {field: wild, is: false}", "show_when: {field: wild, is: true}"),
                side(ACCESSION, "show_when: {field: wild, is: false}", "show_when: {field: wild, filled: false}"),
                "Accession: field Donor garden: show when was “Collected from the wild is from cultivation”; ours makes it"
                        + " “Collected from the wild is from the wild”, theirs “Collected from the wild is empty”. Choose one."
            },
            {
                side(ORIGIN, "tint: '#7f6b4c'", "tint: '#000000'"),
                side(ORIGIN, "tint: '#7f6b4c'", "tint: '#ffffff'"),
                "Origin: term The Saltings: values Colour on the map was “#7f6b4c”; ours makes it “#000000”, theirs"
                        + " “#ffffff”. Choose one."
            },
        };
    }

    @Test(dataProvider = "clashes")
    public void clashesShowAllThreeInWords(Model ours, Model theirs, String sentence) {
        var merged = Merge.merge(BASE, ours, theirs);
        assertEquals(merged.clashes().stream().map(Clash::sentence).toList(), List.of(sentence));
        assertEquals(merged.model(), ours, "until then ours");
    }

    @Test
    public void aListThatOneRemovesAndTheOtherUsesIsAClash() {
        var ours = Examples.seedBank(
                BASE,
                Map.of(
                        "lists/causes.yaml",
                        "",
                        ACCESSION,
                        Examples.edited(ACCESSION, ", list: causes}", ", options: [{key: other, label: Other}]}")));
        var theirs = side(
                "types/trip.yaml",
                "- {key: ends,",
                "- {key: failure, label: Failure, kind: choice, list: causes}\n      - {key: ends,");
        var merged = Merge.merge(BASE, ours, theirs);
        assertEquals(merged.clashes().size(), 1, merged.clashes().toString());
        assertTrue(
                merged.clashes().getFirst().sentence().contains("choice list"),
                merged.clashes().toString());
    }
}

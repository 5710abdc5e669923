package org.jontrel.core.compare;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.Examples;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Model;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Edits of the seed bank's files, and what comparison says of them: one row an edit, over the whole language. */
public class LanguageComparisonTest {
    private static final Model BEFORE = Examples.seedBank();
    private static final String ACCESSION = "types/accession.yaml";

    private static Map<String, String> edit(String... filesAndTexts) {
        var files = new HashMap<String, String>();
        for (int i = 0; i < filesAndTexts.length; i += 3) {
            files.put(filesAndTexts[i], Examples.edited(filesAndTexts[i], filesAndTexts[i + 1], filesAndTexts[i + 2]));
        }
        return files;
    }

    @DataProvider
    public Object[][] edits() {
        return new Object[][] {
            {
                edit(ACCESSION, "- {use: trait, add_terms: true}\n", ""),
                List.of("Accession: taxonomy in use Trait removed"),
                Advice.MAJOR
            },
            {
                edit(ACCESSION, "{use: origin, required: true, max: 1}", "{use: origin, required: true, max: 3}"),
                List.of("Accession: taxonomy in use Origin: max changed from “1” to “3”"),
                Advice.MINOR
            },
            {
                edit(ACCESSION, "index: {order: received, descending: true, page_size: 50}", "index: {page_size: 50}"),
                List.of(
                        "Content type Accession: index order changed from “Received on” to “Title”",
                        "Content type Accession: index descending switched off"),
                Advice.PATCH
            },
            {
                edit(ACCESSION, "many: true, max_count: 6, ordered: true", "ordered: false"),
                List.of(
                        "Accession: field Collectors: many switched off",
                        "Accession: field Collectors: max count removed (was “6”)",
                        "Accession: field Collectors: ordered switched off"),
                Advice.MAJOR
            },
            {
                edit(ACCESSION, "width: half, to: [vault]", "width: half, to: [person, vault]"),
                List.of("Accession: field Vault of Storage: to changed from “Vault” to “Person, Vault”"),
                Advice.MINOR
            },
            {
                edit(
                        ACCESSION,
                        "label: Habitat, kind: term, taxonomy: habitat",
                        "label: Habitat, kind: term, taxonomy: trait"),
                List.of("Accession: field Habitat: taxonomy changed from “Habitat” to “Trait”"),
                Advice.MAJOR
            },
            {
                edit(ACCESSION, "show_when: {field: wild, is: false}, prefix", "prefix"),
                List.of(
                        "Accession: field Donor garden: show when removed (was “Collected from the wild is from cultivation”)"),
                Advice.MINOR
            },
            {
                edit("taxonomies/origin.yaml", "parents_in_address: true\n", ""),
                List.of("Taxonomy Origin: parents in address switched off"),
                Advice.MINOR
            },
            {
                edit("taxonomies/origin.yaml", "tint: '#7f6b4c'", "tint: '#000000'"),
                List.of("Origin: term The Saltings: values Colour on the map changed from “#7f6b4c” to “#000000”"),
                Advice.MINOR
            },
            {
                edit(
                        "taxonomies/origin.yaml",
                        ", {key: cawder_edge, label: Cawder Edge}]",
                        "]\n  - {key: cawder_edge, label: Cawder Edge}"),
                List.of("Origin: term Cawder Edge moved from North Fells to Origin"),
                Advice.MAJOR
            },
            {
                edit("lists/causes.yaml", "{key: dead, label: Dead}", "{key: dead, label: Dead, retired: true}"),
                List.of("Causes of failure: option Dead: retired switched on"),
                Advice.MINOR
            },
            {
                edit("types/vault.yaml", "under: [vault]", "under: [vault], parents_in_address: true"),
                List.of(),
                Advice.PATCH
            },
            {
                edit(
                        "types/vault.yaml",
                        "nested: {under: [vault]}\n",
                        "",
                        "layouts/accession_page.yaml",
                        "Seed is given",
                        "Seeds are given"),
                List.of(
                        "Content type Vault: nested under removed (was “Vault”)",
                        "Page of an accession: block text: text changed from “Seed is given to growers on request.” to “Seeds are given to growers on request.”"),
                Advice.MAJOR
            },
            {
                edit("listings/latest.yaml", "limit: 20", "limit: 30"),
                List.of("Listing Latest accessions: limit changed from “20” to “30”"),
                Advice.PATCH
            },
            {
                edit("values/opening.yaml", "max_length: 140", "max_length: 100"),
                List.of("Opening and contact: field Notice on every page: max length changed from “140” to “100”"),
                Advice.MAJOR
            },
        };
    }

    @Test(dataProvider = "edits")
    public void everyEditIsSaidInTheWordsOfTheModel(Map<String, String> files, List<String> said, Advice advice) {
        var after = Examples.seedBank(BEFORE, files);
        var comparison = Comparison.of(BEFORE, after);
        assertEquals(comparison.changes().stream().map(Sentences::of).toList(), said);
        assertEquals(comparison.advice(), advice);
        assertEquals(comparison.applyTo(BEFORE), after);
        assertEquals(Comparison.of(after, BEFORE).applyTo(after), BEFORE);
    }

    @Test
    public void intoARepeaterIsAwayAndOutOfAGroupIsSaidToo() {
        var moved =
                "{key: purity, label: Purity, kind: number, help: Five marks for pure seed., min: 0, max: 5, shown: marks}";
        var text = Examples.edited(ACCESSION, "      - " + moved + "\n", "")
                .replace("          - {key: begun,", "          - " + moved + "\n          - {key: begun,");
        var change = Comparison.of(BEFORE, Examples.seedBank(BEFORE, Map.of(ACCESSION, text)))
                .changes()
                .getFirst();
        assertTrue(change instanceof Change.Moved, change.toString());
        assertEquals(((Change.Moved) change).distance(), Change.Moved.Distance.AWAY);
        assertEquals(change.advice(), Advice.MAJOR);
        assertEquals(
                Sentences.of(change),
                "Accession: field Purity of Germination tests moved from The lot to Germination tests");
    }

    @Test
    public void anOwnGroupMadeSharedIsOneChangeAndLosesNoValue() {
        var shared = """
                key: climate
                title: Climate
                fields:
                """
                + Examples.edited("types/vault.yaml", "      - {key", "  - {key")
                        .lines()
                        .filter(line -> line.startsWith("  - {key"))
                        .collect(Collectors.joining("\n", "", "\n"));
        var vault = Examples.edited("types/vault.yaml", "  - title: Climate", "  - use: climate");
        vault = vault.substring(0, vault.indexOf("    fields:"));
        // ids are kept, as the interface keeps them when a group is made shared
        var given = new HashMap<String, String>();
        BEFORE.typeByKey("vault").orElseThrow().fields().forEach(field -> given.put(field.key(), field.id()));
        for (var each : given.entrySet()) {
            shared = shared.replace(
                    "{key: " + each.getKey() + ",", "{id: " + each.getValue() + ", key: " + each.getKey() + ",");
        }
        shared = shared.replace(", show_when: {parent: [vault]}", "");
        var after = Examples.seedBank(BEFORE, Map.of("groups/climate.yaml", shared, "types/vault.yaml", vault));
        var comparison = Comparison.of(BEFORE, after);
        assertTrue(
                comparison.changes().stream().anyMatch(Change.Shared.class::isInstance),
                ComparisonReport.text(comparison));
        assertTrue(
                comparison.changes().stream()
                        .filter(Change.Moved.class::isInstance)
                        .allMatch(change -> change.advice() == Advice.PATCH),
                ComparisonReport.text(comparison));
        assertTrue(Comparison.of(after, BEFORE).changes().stream().anyMatch(Change.Owned.class::isInstance));
        assertEquals(Comparison.of(after, BEFORE).applyTo(after), BEFORE);
    }

    @Test
    public void likelyRenamesAreAskedAndNeverAssumed() {
        var after = Examples.seedBank(
                BEFORE,
                edit(
                        "types/trip.yaml",
                        "{key: log, label: Log,",
                        "{key: logbook, label: Log book,",
                        ACCESSION,
                        "{key: altitude, label: Altitude,",
                        "{key: colour_of_sky, label: Colour of the sky,"));
        var comparison = Comparison.of(BEFORE, after);
        assertEquals(
                comparison.changes().stream()
                        .filter(Change.Removed.class::isInstance)
                        .count(),
                2);
        var known = ids(BEFORE);
        Set<String> given = ids(after);
        given.removeAll(known);
        var renames = LikelyRenames.renames(comparison, given);
        assertEquals(renames.size(), 1, renames.toString());
        assertEquals(renames.getFirst().was(), "log");
        assertTrue(
                renames.getFirst().sentence().contains("was: log"),
                renames.getFirst().sentence());
        assertEquals(
                LikelyRenames.renames(comparison, Set.of()), List.of(), "ids that a file gives are never asked about");
    }

    private static Set<String> ids(Model model) {
        var ids = new java.util.HashSet<String>();
        for (var definition : model.definitions()) {
            ids.add(definition.id());
            Things.within(definition, thing -> ids.add(Things.shape(thing).id(thing)));
        }
        return ids;
    }

    @Test
    public void whatAListingMentionsReachesLayouts() {
        var change = Comparison.of(
                        BEFORE, Examples.seedBank(BEFORE, edit(ACCESSION, "label: Quantity,", "label: Weight,")))
                .changes()
                .getFirst();
        assertTrue(change.reach().contains(Reach.LAYOUTS));
        var other = Comparison.of(BEFORE, Examples.seedBank(BEFORE, edit(ACCESSION, "label: Purity,", "label: Clean,")))
                .changes()
                .getFirst();
        assertFalse(other.reach().contains(Reach.LAYOUTS));
    }
}

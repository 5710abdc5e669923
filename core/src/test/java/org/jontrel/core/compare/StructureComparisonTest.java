package org.jontrel.core.compare;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.HashMap;
import java.util.Map;
import java.util.stream.Collectors;
import org.jontrel.core.Examples;
import org.testng.annotations.Test;

/** What moves between groups, repeaters and definitions, compared. */
public class StructureComparisonTest extends LanguageEdits {
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

package org.jontrel.core.compare;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.model.Model;
import org.testng.annotations.Test;

/** The table of what changes do and advise, gone through: each row by a change of files that has this effect and no other. */
public class EffectTest {

    @Test(dataProvider = "table", dataProviderClass = EffectTable.class)
    public void eachRowHasItsEffectAndAdvice(Effect effect, Advice advice, String[] pairs) {
        if (effect == Effect.REGROUPED || effect == Effect.OPENED) {
            other(effect, advice);
            return;
        }
        var comparison = Comparison.of(EffectTable.model(), EffectTable.model(pairs));
        assertEquals(
                comparison.changes().stream().map(Change::effect).distinct().toList(),
                List.of(effect),
                ComparisonReport.text(comparison));
        assertEquals(comparison.advice(), advice, ComparisonReport.text(comparison));
        comparison.changes().forEach(change -> assertTrue(change.reach().containsAll(effect.reach())));
    }

    /** What takes two models of its own to show. */
    private static void other(Effect effect, Advice advice) {
        var shut = new String[] {"path: people\n", "path: people\npublic: false\n"};
        var facts = "fields: [{id: fdepth000, key: depth, label: Depth, kind: number, required: true}]";
        var own = new String[] {
            facts,
            "fields: []",
            "  - id: gkeeper00",
            "  - {id: gown00000, title: Facts, " + facts + "}\n  - use: facts\n  - id: gkeeper00"
        };
        var comparison = effect == Effect.OPENED
                ? Comparison.of(EffectTable.model(shut), EffectTable.model())
                : Comparison.of(
                        EffectTable.model(own[0], own[1], own[2], own[3].replace("  - use: facts\n", "")),
                        EffectTable.model("  - id: gkeeper00", "  - use: facts\n  - id: gkeeper00"));
        assertTrue(
                comparison.changes().stream().anyMatch(change -> change.effect() == effect),
                ComparisonReport.text(comparison));
        assertEquals(comparison.advice(), advice, ComparisonReport.text(comparison));
    }

    @Test
    public void noRowIsLeftOut() {
        var tested = Stream.of(EffectTable.table())
                .map(row -> (Effect) row[0])
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(Effect.class)));
        assertEquals(tested, EnumSet.allOf(Effect.class));
        for (var effect : Effect.values()) {
            assertFalse(effect.reach().isEmpty());
            assertFalse(effect.about().endsWith("."), effect.about());
        }
    }

    private static List<String> said(Model before, Model after) {
        return new ArrayList<>(Comparison.of(before, after).changes().stream()
                .map(Sentences::of)
                .toList());
    }

    @Test
    public void sentencesNameWhatTheyAreAbout() {
        var tint = "terms: [{id: wmain0000, key: main, label: Main";
        var with = EffectTable.model(
                "hierarchical: true\nparents",
                "hierarchical: true\nfields: [{id: ftint0000, key: tint, label: Tint, kind: colour}]\nparents",
                tint,
                tint + ", values: {tint: '#112233'}");
        assertEquals(
                said(with, EffectTable.model()),
                List.of("Water: field Tint removed", "Water: term Main: values Tint removed (was “#112233”)"));
        assertEquals(
                said(EffectTable.model(), EffectTable.model("path: people\n", "path: people\nindex: {on: false}\n")),
                List.of("Content type Person: index page switched off"));
        assertEquals(
                said(
                        EffectTable.model(),
                        EffectTable.model(
                                "      - {id: frise0000, key: rise, label: Rise, kind: number, max: 30, unit: m}\n",
                                "",
                                "kind: choice, list: sorts}\n",
                                "kind: choice, list: sorts}\n      - {id: frise0000, key: rise, label: Rise, kind: number, max: 30, unit: m}\n")),
                List.of("Lock: fields of group Size reordered"));
        var two =
                "--- types/other.yaml\nid: tother000\nkey: other\nsingular: Person\nplural: Others\npath: others\n--- taxonomies/water";
        assertEquals(
                said(
                        EffectTable.model("--- taxonomies/water", two),
                        EffectTable.model("--- taxonomies/water", two, "to: [person]", "to: [other]")),
                List.of("Lock: field Keeper: to changed from “Person (person)” to “Person (other)”"));
        assertEquals(
                said(
                        EffectTable.model(),
                        EffectTable.model(
                                "  - id: gkeeper00",
                                "  - {id: gnew00000, title: New, fields: [{id: fnew00000, key: extra, label: Extra, kind: text, required: true}, {id: fnew00001, key: more, label: More, kind: text}]}\n  - id: gkeeper00")),
                List.of("Lock: group New added with Extra (required), More"));
    }
}

package org.jontrel.core.compare;

import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.TreeMap;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.testng.annotations.DataProvider;

/** Edits of a model, with the effect and the advice that each is said to have. */
final class EffectTable {
    private EffectTable() {}

    static final String SOUND = """
            --- types/lock.yaml
            id: tlock0000
            key: lock
            singular: Lock
            plural: Locks
            path: locks
            groups:
              - id: gsize0000
                title: Size
                fields:
                  - {id: frise0000, key: rise, label: Rise, kind: number, max: 30, unit: m}
                  - {id: fwidth000, key: width, label: Width, kind: number}
                  - {id: fsort0000, key: sort, label: Sort, kind: choice, list: sorts}
                  - id: fvisits00
                    key: visits
                    label: Visits
                    kind: repeater
                    fields: [{id: fday00000, key: day, label: Day, kind: date}]
              - id: gkeeper00
                title: Keeper
                fields:
                  - {id: fkeeper00, key: keeper, label: Keeper, kind: relation, to: [person], inverse: {id: ikeeps000, key: keeps, label: Keeps}}
            --- types/person.yaml
            id: tperson00
            key: person
            singular: Person
            plural: People
            path: people
            api_path: staff
            --- taxonomies/water.yaml
            id: xwater000
            key: water
            singular: Water
            plural: Waters
            path: waters
            hierarchical: true
            parents_in_address: true
            terms: [{id: wmain0000, key: main, label: Main}, {id: wbranch00, key: branch, label: Branch}]
            --- taxonomies/trait.yaml
            id: xtrait000
            key: trait
            singular: Trait
            plural: Traits
            path: traits
            hierarchical: true
            terms: [{id: wold00000, key: old, label: Old}, {id: wlisted00, key: listed, label: Listed}]
            --- groups/facts.yaml
            id: gfacts000
            key: facts
            title: Facts
            fields: [{id: fdepth000, key: depth, label: Depth, kind: number, required: true}]
            --- lists/sorts.yaml
            id: lsorts000
            key: sorts
            title: Sorts
            options: [{id: oflight00, key: flight, label: Flight}, {id: ostop0000, key: stop, label: Stop}]
            --- layouts/page.yaml
            id: ypage0000
            key: page
            title: Page
            type: person
            blocks: [{id: bhello000, block: text, text: Hello}]
            """;

    static Model model(String... pairs) {
        var text = SOUND;
        for (int i = 0; i < pairs.length; i += 2) {
            assertTrue(text.contains(pairs[i]), pairs[i]);
            text = text.replace(pairs[i], pairs[i + 1]);
        }
        var files = new TreeMap<String, byte[]>();
        files.put("package.yaml", "name: effects\nversion: 1.0.0\n".getBytes());
        for (var file : text.split("--- ")) {
            if (!file.isBlank()) {
                int end = file.indexOf('\n');
                files.put(file.substring(0, end), file.substring(end + 1).getBytes(StandardCharsets.UTF_8));
            }
        }
        var read = PackageReader.read(files, List.of());
        assertTrue(read.content().isPresent(), read.findings().toString());
        return read.completed(Model.EMPTY, Ids.secure()).content().orElseThrow().model();
    }

    static Object[] row(Effect effect, Advice advice, String... pairs) {
        return new Object[] {effect, advice, pairs};
    }

    @DataProvider
    public static Object[][] table() {
        var width = "      - {id: fwidth000, key: width, label: Width, kind: number}\n";
        var day = "[{id: fday00000, key: day, label: Day, kind: date}]";
        return new Object[][] {
            row(Effect.WORDING, Advice.PATCH, "label: Width", "label: Breadth"),
            row(
                    Effect.APPEARANCE,
                    Advice.PATCH,
                    "label: Width, kind: number",
                    "label: Width, kind: number, width: half"),
            row(
                    Effect.ORDER,
                    Advice.PATCH,
                    "[{id: wmain0000, key: main, label: Main}, {id: wbranch00, key: branch, label: Branch}]",
                    "[{id: wbranch00, key: branch, label: Branch}, {id: wmain0000, key: main, label: Main}]"),
            row(Effect.BEHAVIOUR, Advice.MINOR, "label: Width, kind: number", "label: Width, kind: number, default: 3"),
            row(Effect.MEANING, Advice.MAJOR, "unit: m", "unit: cm"),
            row(Effect.MEANING, Advice.MAJOR, ", unit: m", ""),
            row(
                    Effect.MEANING_GIVEN,
                    Advice.MINOR,
                    "label: Width, kind: number",
                    "label: Width, kind: number, unit: m"),
            row(Effect.ADDRESS, Advice.MINOR, "path: people", "path: persons"),
            row(Effect.ADDRESS, Advice.MINOR, "parents_in_address: true\n", ""),
            row(Effect.API_ADDRESS, Advice.MAJOR, "path: locks", "path: all-locks"),
            row(Effect.API_ADDRESS, Advice.MAJOR, "api_path: staff", "api_path: crew"),
            row(Effect.APPEARANCE, Advice.PATCH, "path: locks\n", "path: locks\napi_path: locks\n"),
            row(
                    Effect.ADDED,
                    Advice.MINOR,
                    width,
                    width + "      - {id: fnew00000, key: extra, label: New, kind: text}\n"),
            row(
                    Effect.ADDED,
                    Advice.MINOR,
                    "  - id: gkeeper00",
                    "  - {id: gnew00000, title: New, fields: [{id: fnew00000, key: extra, label: New, kind: text}]}\n  - id: gkeeper00"),
            row(Effect.ADDED, Advice.MINOR, "options: [", "options: [{id: onew00000, key: extra, label: New}, "),
            row(
                    Effect.ADDED_REQUIRED,
                    Advice.MAJOR,
                    width,
                    width + "      - {id: fnew00000, key: extra, label: New, kind: text, required: true}\n"),
            row(
                    Effect.ADDED_REQUIRED,
                    Advice.MAJOR,
                    "  - id: gkeeper00",
                    "  - {id: gnew00000, title: New, fields: [{id: fnew00000, key: extra, label: New, kind: text, required: true}]}\n  - id: gkeeper00"),
            row(Effect.ADDED_REQUIRED, Advice.MAJOR, "  - id: gkeeper00", "  - use: facts\n  - id: gkeeper00"),
            row(
                    Effect.ADDED_REQUIRED,
                    Advice.MAJOR,
                    "api_path: staff\n",
                    "api_path: staff\ntaxonomies: [{use: water, required: true}]\n"),
            row(Effect.ADDED_VIEW, Advice.PATCH, "blocks: [", "blocks: [{id: bnew00000, block: text, text: New}, "),
            row(
                    Effect.ADDED_VIEW,
                    Advice.PATCH,
                    "  - id: gkeeper00",
                    "  - {id: gnew00000, title: New}\n  - id: gkeeper00"),
            row(Effect.REMOVED, Advice.MAJOR, width, ""),
            row(Effect.REMOVED, Advice.MAJOR, ", {id: ostop0000, key: stop, label: Stop}", ""),
            row(Effect.REMOVED_TERM, Advice.MINOR, ", {id: wbranch00, key: branch, label: Branch}", ""),
            row(Effect.REMOVED_LAYOUT, Advice.MINOR, SOUND.substring(SOUND.indexOf("--- layouts")), ""),
            row(Effect.REMOVED_VIEW, Advice.PATCH, "blocks: [{id: bhello000, block: text, text: Hello}]", "blocks: []"),
            row(Effect.RENAMED, Advice.MAJOR, "key: width", "key: breadth"),
            row(Effect.RENAMED, Advice.MAJOR, "key: stop", "key: halt"),
            row(Effect.RENAMED, Advice.MAJOR, "key: branch", "key: arm"),
            row(Effect.RENAMED, Advice.MAJOR, "key: keeps", "key: looks_after"),
            row(Effect.RENAMED_WITHIN, Advice.MINOR, "key: facts", "key: figures"),
            row(Effect.MOVED, Advice.PATCH, width, "", "      - {id: fkeeper00", width + "      - {id: fkeeper00"),
            row(
                    Effect.MOVED_TERM,
                    Advice.MINOR,
                    "label: Old}, {id: wlisted00, key: listed, label: Listed}",
                    "label: Old, children: [{id: wlisted00, key: listed, label: Listed}]}"),
            row(
                    Effect.MOVED_TERM_ADDRESS,
                    Advice.MAJOR,
                    "label: Main}, {id: wbranch00, key: branch, label: Branch}",
                    "label: Main, children: [{id: wbranch00, key: branch, label: Branch}]}"),
            row(
                    Effect.MOVED_AWAY,
                    Advice.MAJOR,
                    width,
                    "",
                    day,
                    day.replace("]", ", " + width.strip().substring(2) + "]")),
            row(Effect.KIND, Advice.MAJOR, "label: Width, kind: number", "label: Width, kind: text"),
            row(Effect.NARROWED, Advice.MAJOR, "max: 30", "max: 20"),
            row(
                    Effect.NARROWED,
                    Advice.MAJOR,
                    "label: Width, kind: number",
                    "label: Width, kind: number, required: true"),
            row(Effect.WIDENED, Advice.MINOR, "max: 30", "max: 40"),
            row(Effect.CLOSED, Advice.MAJOR, "label: Width, kind: number", "label: Width, kind: number, api: false"),
            row(Effect.CLOSED, Advice.MAJOR, "path: people\n", "path: people\npublic: false\n"),
            row(Effect.OPENED, Advice.MINOR, "api_path: staff\n", "api_path: staff\nnested: {under: [lock]}\n")
                    .clone(),
            row(Effect.STRUCTURE, Advice.MAJOR, "to: [person]", "many: true, to: [person]"),
            row(Effect.REGROUPED, Advice.PATCH, "", ""),
        };
    }
}

package org.jontrel.core.check;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.mend.Fixes;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Mistakes as files: each case of {@code mistakes.txt} replaces some files of a sound package and names the finding
 * that must come of it, and whether a fix is offered.
 */
public class MistakesTest {
    private static final String CASES = "/org/jontrel/core/check/mistakes.txt";

    /** Files by name; the first case is the sound package itself. */
    private record Mistake(String title, Map<String, String> files) {}

    private static List<Mistake> cases() {
        var cases = new ArrayList<Mistake>();
        try (var in = MistakesTest.class.getResourceAsStream(CASES)) {
            var file = "";
            for (var line : new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .toList()) {
                if (line.startsWith("=== ")) {
                    cases.add(new Mistake(line.substring(4), new TreeMap<>()));
                } else if (line.startsWith("--- ")) {
                    file = line.substring(4);
                    cases.getLast().files().put(file, "");
                } else {
                    cases.getLast().files().merge(file, line + "\n", String::concat);
                }
            }
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
        return cases;
    }

    @DataProvider
    public Object[][] mistakes() {
        return cases().stream()
                .skip(1)
                .map(each -> new Object[] {each.title(), each.files()})
                .toArray(Object[][]::new);
    }

    private static PackageReader.Result read(Map<String, String> changed) {
        var files = new TreeMap<String, byte[]>();
        var all = new TreeMap<>(cases().getFirst().files());
        all.putAll(changed);
        all.forEach((name, text) -> files.put(name, text.getBytes(StandardCharsets.UTF_8)));
        return PackageReader.read(files, List.of());
    }

    @Test
    public void theSoundPackageHasNothingToSay() {
        var read = read(Map.of());
        assertEquals(read.findings(), List.of());
        assertEquals(ModelCheck.check(read.content().orElseThrow().model()), List.of());
    }

    @Test(dataProvider = "mistakes")
    public void everyMistakeIsFoundAtItsPlaceAndMendedWhereItCanBe(String title, Map<String, String> files) {
        var words = title.split(" ");
        var code = Code.valueOf(words[0]);
        boolean fixed = words.length > 1 && words[1].equals("fixed");
        var read = read(files);
        var model = read.content().map(ModelPackage::model);
        var findings = new ArrayList<>(read.findings());
        model.ifPresent(each -> findings.addAll(read.origins().locate(ModelCheck.check(each))));
        var found = findings.stream().filter(each -> each.code() == code).findFirst();
        assertTrue(
                found.isPresent(),
                title + " not in " + findings.stream().map(Finding::sentence).toList());
        assertTrue(files.containsKey(found.get().place().file()), "place of " + found.get());
        assertTrue(found.get().place().line() > 0, "line of " + found.get());
        assertFalse(found.get().sentence().matches(".*\\{\\d}.*"), found.get().sentence());
        assertEquals(found.get().fix().isPresent(), fixed, "fix of " + title);
        if (fixed) {
            var mended = Fixes.apply(model.orElseThrow(), found.get().fix().orElseThrow());
            assertTrue(
                    ModelCheck.check(mended.orElseThrow()).stream().noneMatch(each -> each.code() == code),
                    title + " is still there");
        }
    }

    @Test
    public void allFixesTogetherLeaveNoneToOffer() {
        for (var each : cases()) {
            read(each.files()).content().ifPresent(content -> {
                var fixed = Fixes.all(content.model());
                assertTrue(
                        ModelCheck.check(fixed.model()).stream()
                                .noneMatch(finding -> finding.fix()
                                        .flatMap(fix -> Fixes.apply(fixed.model(), fix))
                                        .isPresent()),
                        each.title());
            });
        }
    }

    private static List<Finding> located(Map<String, String> files) {
        var read = read(files);
        var findings = new ArrayList<>(read.findings());
        read.content().ifPresent(content -> findings.addAll(read.origins().locate(ModelCheck.check(content.model()))));
        return findings;
    }

    @Test
    public void aConditionOnATermIsSoundWithoutIds() {
        var type = "key: lock\nsingular: Lock\nplural: Locks\npath: locks\ngroups:\n  - title: A\n    fields:\n"
                + "      - {key: manned, label: Manned, kind: yes_no}\n"
                + "      - {key: sort, label: Sort, kind: choice, list: sorts}\n"
                + "      - {key: n, label: N, kind: term, taxonomy: water}\n"
                + "      - {key: x, label: X, kind: text, required: true, show_when: {field: n, is: [main, branch]}}\n"
                + "  - use: facts\ntaxonomies:\n  - use: water\n";
        assertEquals(located(Map.of("types/lock.yaml", type)), List.of());
    }

    @Test
    public void placesAreThoseOfTheWordThatIsWrong() {
        var start = "key: lock\nsingular: Lock\nplural: Locks\npath: locks\n";
        var end = "groups:\n  - title: A\n    fields:\n      - {key: manned, label: Manned, kind: yes_no}\n"
                + "      - {key: sort, label: Sort, kind: choice, list: sorts}\n  - use: facts\n  - use: fcats\n"
                + "taxonomies:\n  - use: water\n  - use: air\n";
        var found =
                located(Map.of("types/lock.yaml", start + "index:\n  order: title\n  page_size: 999\n" + end)).stream()
                        .map(finding -> finding.code() + " " + finding.place().inFile())
                        .toList();
        assertEquals(
                found,
                List.of(
                        "LIMIT_OUT_OF_RANGE types/lock.yaml:7:3",
                        "REFERENCE_UNKNOWN types/lock.yaml:17:5",
                        "REFERENCE_UNKNOWN types/lock.yaml:14:5"),
                found.toString());
        var open = located(Map.of("types/lock.yaml", start + "description: \"open\n" + end));
        assertEquals(open.getFirst().place().inFile(), "types/lock.yaml:5:14", open.toString());
    }

    @Test
    public void aFileOfDecisionsIsNamedByItsVersion() {
        var found = located(Map.of("migrations/first.yaml", "version: 1.1.0\n"));
        assertEquals(found.getFirst().code(), Code.FILE_NAME_DIFFERS, found.toString());
        assertTrue(found.getFirst().sentence().contains("migrations/1.1.0.yaml"), found.toString());
    }

    @Test
    public void defaultsAreWithinTheLimitsOfTheirFields() {
        for (var field : List.of(
                "kind: number, max: 9, default: 10",
                "kind: text, max_length: 3, default: long",
                "kind: date, earliest: 2020-01-01, default: 2019-12-31",
                "kind: number, decimals: 1, step: 0.5, default: 0.7",
                "kind: text, pattern: '[A-Z]+', default: abc")) {
            var type = "key: lock\nsingular: Lock\nplural: Locks\npath: locks\ngroups:\n  - title: A\n    fields:\n"
                    + "      - {key: sort, label: Sort, kind: choice, list: sorts}\n      - {key: x, label: X, " + field
                    + "}\n"
                    + "  - use: facts\ntaxonomies:\n  - use: water\n";
            var found = located(Map.of("types/lock.yaml", type));
            assertTrue(found.stream().anyMatch(each -> each.code() == Code.DEFAULT_INVALID), field + " " + found);
        }
    }
}

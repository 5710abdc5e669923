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
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Mistakes as files: each case of {@code mistakes.txt} replaces some files of a sound package and names the finding
 * that must come of it, and whether a fix is offered.
 */
public class MistakesTest {
    private static final String CASES = "/org/jontrel/core/check/mistakes.txt";

    /** Files by name; the first case is the sound package itself. */
    private record Case(String title, Map<String, String> files) {}

    private static List<Case> cases() {
        var cases = new ArrayList<Case>();
        try (var in = MistakesTest.class.getResourceAsStream(CASES)) {
            var file = "";
            for (var line : new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .toList()) {
                if (line.startsWith("=== ")) {
                    cases.add(new Case(line.substring(4), new TreeMap<>()));
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
}

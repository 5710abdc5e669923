package org.jontrel.core.code;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jontrel.core.Examples;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Severity;
import org.jontrel.core.format.Shapes;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The packages that documents show and people copy from. */
public class ExamplesTest {
    @DataProvider
    public Object[][] examples() {
        return new Object[][] {{Examples.FORMAT}, {Examples.SEED_BANK}};
    }

    @Test(dataProvider = "examples")
    public void examplesAreSoundAndInCanonicalForm(Path folder) {
        var files = Examples.files(folder);
        var read = PackageReader.read(files, List.of());
        assertEquals(read.findings(), List.of());
        var content = read.content().orElseThrow();
        var found = ModelCheck.check(content.model());
        assertTrue(found.stream().allMatch(each -> each.severity() == Severity.NOTE), found.toString());
        var written = PackageWriter.writeFolder(content, read.formatting(), read.was());
        for (var file : written.entrySet()) {
            if (!file.getKey().equals(PackageReader.MANIFEST)) {
                assertEquals(new String(file.getValue()), new String(files.get(file.getKey())), file.getKey());
            }
        }
        var again = PackageReader.read(written, List.of()).content().orElseThrow();
        assertEquals(again.migrations(), content.migrations());
    }

    @Test
    public void theFormatsExampleHasEveryClassOfFile() {
        var folders = Examples.files(Examples.FORMAT).keySet().stream()
                .filter(name -> name.contains("/"))
                .map(name -> name.substring(0, name.indexOf('/')))
                .collect(Collectors.toCollection(TreeSet::new));
        var expected = new TreeSet<>(List.of("migrations"));
        for (var sort : Definition.Sort.values()) {
            expected.add(sort.folder());
        }
        assertEquals(folders, expected);
    }

    @Test
    public void theSeedBankHasEveryKindAndSort() {
        var model = Examples.seedBank();
        var kinds = model.definitions().stream()
                .flatMap(definition -> Things.fields(definition).stream())
                .map(field -> field.kind().code())
                .collect(Collectors.toCollection(TreeSet::new));
        assertEquals(kinds, new TreeSet<>(Shapes.kinds().keySet()));
        var sorts = model.definitions().stream().map(Definition::sort).collect(Collectors.toSet());
        assertEquals(sorts.size(), Definition.Sort.values().length);
    }

    @Test
    public void whatGetsIdsIsWrittenAndReadTheSame() {
        var model = Examples.seedBank();
        var content = new ModelPackage(Manifest.of("seeds", "1.0.0", "", List.of(), "", ""), model, List.of());
        var read = PackageReader.read(PackageWriter.write(content), List.of());
        assertEquals(read.content().orElseThrow().model(), model);
        assertTrue(ModelCheck.check(model).stream().noneMatch(each -> each.severity() == Severity.BLOCKER));
    }

    @Test
    public void decisionsOfTheFirstFormatAreUpgraded() {
        var files = Examples.files(Examples.FORMAT);
        files.put("package.yaml", "name: a\nversion: 1.3.0\n".getBytes());
        files.put(
                "migrations/1.3.0.yaml",
                "version: 1.3.0\ndecisions:\n  - {field: f1, about: required_empty, answer: leave}\n".getBytes());
        var content = PackageReader.read(files, List.of()).content().orElseThrow();
        assertEquals(content.migrations().getFirst().decisions().getFirst().fieldId(), "f1");
        assertEquals(content.manifest().format(), 1);
        var written = new String(PackageWriter.write(content).get("package.yaml"));
        assertTrue(written.contains("format: 3"), written);
    }

    @Test
    public void linksOutOfTheFolderAreNotFollowed() throws Exception {
        var secret = Files.writeString(Files.createTempFile("secret", ".yaml"), "key: secret\n");
        var folder = Files.createTempDirectory("links");
        Files.createDirectories(folder.resolve("types"));
        Files.writeString(folder.resolve("package.yaml"), "name: a\nversion: 1.0.0\n");
        Files.createSymbolicLink(folder.resolve("types/secret.yaml"), secret);
        Files.createSymbolicLink(folder.resolve("lists"), secret.getParent());
        var findings = new ArrayList<Finding>();
        assertEquals(PackageFiles.read(folder, findings).keySet().toString(), "[package.yaml]");
        assertEquals(findings.stream().map(Finding::code).toList(), List.of(Code.LINK_LEFT_OUT, Code.LINK_LEFT_OUT));
    }

    @Test
    public void whatWasRenamedIsFoundByTheKeyItHad() {
        var before = Examples.seedBank();
        var after = Examples.seedBank(
                before,
                Map.of(
                        "types/trip.yaml",
                        Examples.edited(
                                "types/trip.yaml", "{key: log, label: Log,", "{key: diary, was: log, label: Diary,"),
                        "lists/causes.yaml",
                        Examples.edited("lists/causes.yaml", "{key: mould,", "{key: rot, was: mould,"),
                        "taxonomies/habitat.yaml",
                        Examples.edited("taxonomies/habitat.yaml", "{key: fen,", "{key: mire, was: fen,")));
        for (var changed : Map.of("log", "diary", "mould", "rot", "fen", "mire").entrySet()) {
            assertEquals(id(after, changed.getValue()), id(before, changed.getKey()), changed.getKey());
        }
    }

    private static String id(Model model, String key) {
        var ids = new ArrayList<String>();
        for (var definition : model.definitions()) {
            Things.within(definition, thing -> {
                var names = Things.of(thing).properties().stream()
                        .filter(property -> property.name().equals("key"))
                        .map(property -> property.written(thing))
                        .toList();
                if (names.contains(key)) {
                    ids.add(Things.shape(thing).id(thing));
                }
            });
        }
        assertEquals(ids.size(), 1, key);
        return ids.getFirst();
    }

    @Test
    public void aPackageMayNeedAnother() {
        var files = Examples.files(Examples.FORMAT);
        files.remove("lists/seasons.yaml");
        files.put(
                "package.yaml",
                "format: 3\nname: a\nversion: 1.0.0\nrequires: [{name: shared, version: \">=1.2 <2\"}]\n".getBytes());
        var content = PackageReader.read(files, List.of()).content().orElseThrow();
        var other = new java.util.TreeMap<String, byte[]>();
        other.put("package.yaml", "format: 3\nname: shared\nversion: 1.4.0\n".getBytes());
        other.put("lists/seasons.yaml", Examples.files(Examples.FORMAT).get("lists/seasons.yaml"));
        var shared = PackageReader.read(other, List.of())
                .completed(Model.EMPTY, Ids.secure())
                .content()
                .orElseThrow();

        var alone = new ArrayList<Finding>();
        var unknown = ModelCheck.check(Packages.join(content, List.of(), alone).model());
        assertEquals(alone.getFirst().code(), Code.REQUIREMENT_MISSING);
        assertTrue(unknown.stream().anyMatch(each -> each.code() == Code.REFERENCE_UNKNOWN));

        var findings = new ArrayList<Finding>();
        var joined = Packages.join(content, List.of(shared), findings);
        assertEquals(findings, List.of());
        var checked = joined.of(ModelCheck.check(joined.model()));
        assertTrue(checked.stream().allMatch(each -> each.severity() == Severity.NOTE), checked.toString());
    }
}

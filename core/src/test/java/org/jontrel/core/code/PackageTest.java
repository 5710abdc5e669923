package org.jontrel.core.code;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.jontrel.core.Samples;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.identity.Identities;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.shape.PackageLimits;
import org.testng.annotations.Test;

public class PackageTest extends PackageTexts {
    @Test
    public void whatIsWrittenReadsBackEqualAndWritesTheSameBytes() {
        var files = PackageWriter.write(PACKAGE);
        var result = read(files);
        assertEquals(result.findings(), List.of());
        var back = result.content().orElseThrow();
        assertEquals(back.model(), PACKAGE.model());
        assertEquals(back.migrations(), PACKAGE.migrations());
        var again = PackageWriter.write(back);
        assertEquals(again.keySet(), files.keySet());
        files.forEach((name, bytes) -> assertEquals(new String(again.get(name)), new String(bytes), name));
    }

    @Test
    public void shortThingsStandOnOneLine() {
        assertTrue(
                mooring()
                        .contains(
                                "      - {id: f3b6m4z1a, key: visitor, label: Open to visitors, kind: yes_no, \"yes\": Open, \"no\": Closed}\n"),
                mooring());
    }

    @Test(dataProvider = "awkwardTexts")
    public void everyTextSurvivesWritingAndReading(String text) {
        var model = Samples.with(
                "f9v5t1k8s",
                field -> new Field(
                        field.id(),
                        "surface",
                        text,
                        text,
                        true,
                        new Kind.Choice(List.of(new Kind.Option("o1aaaaaaa", "k", text, false)))));
        var files = PackageWriter.write(new ModelPackage(MANIFEST, model, List.of()));
        assertEquals(read(files).findings(), List.of());
        assertEquals(read(files).content().orElseThrow().model(), model);
    }

    @Test
    public void aBrokenFileNamesFileLineColumnAndTheNearestWord() {
        var text = mooring().replace("key: length_m", "keyy: length_m").replace("kind: choice", "kind: choise");
        var result = readType(text);
        assertTrue(result.content().isEmpty());
        var sentences = result.findings().stream()
                .map(f -> f.code() + " " + f.place().inFile() + " " + f.sentence())
                .toList();
        int line = text.substring(0, text.indexOf("keyy")).split("\n", -1).length;
        int column = text.indexOf("keyy") - text.lastIndexOf('\n', text.indexOf("keyy"));
        assertEquals(
                sentences,
                List.of(
                        "PROPERTY_UNKNOWN types/mooring.yaml:" + line + ":" + column
                                + " No property keyy in number field. Did you mean \"key\"?",
                        "PROPERTY_MISSING types/mooring.yaml:" + line + ":" + (column - 16)
                                + " number field needs the property key.",
                        "WORD_UNKNOWN types/mooring.yaml:" + lineOf(text, "choise") + ":" + columnOf(text, "choise")
                                + " kind has no value choise. Did you mean \"choice\"?"
                                + " Valid are: " + KINDS + "."));
    }

    @Test(dataProvider = "brokenFiles")
    public void brokenFilesGiveFindingsAndNothingElse(String text, Code expected) {
        var result = readType(text);
        assertTrue(result.content().isEmpty(), text);
        assertTrue(
                result.findings().stream().anyMatch(f -> f.code() == expected),
                result.findings().stream().map(Finding::sentence).toList().toString());
    }

    @Test
    public void byteOrderMarkLineEndsAndJsonAreRead() {
        var json =
                "\uFEFF{\"key\": \"mooring\",\r\n\"singular\": \"Mooring\", \"plural\": \"Moorings\",\r\n \"path\": \"moorings\"}";
        assertEquals(readType(json).findings().stream().map(Finding::code).toList(), List.of(Code.CHECKSUM_DIFFERS));
    }

    @Test
    public void wrongEncodingAndSizeAreFindings() {
        var files = PackageWriter.write(PACKAGE);
        files.put("types/latin.yaml", new byte[] {'k', ':', ' ', (byte) 0xE9});
        files.put("types/large.yaml", new byte[PackageLimits.FILE_BYTES + 1]);
        var codes = read(files).findings().stream().map(Finding::code).toList();
        assertTrue(codes.containsAll(List.of(Code.FILE_NOT_TEXT, Code.FILE_TOO_LARGE)), codes.toString());
    }

    @Test
    public void manifestIsNeededAndNewerFormatsAreRefused() {
        var files = PackageWriter.write(PACKAGE);
        files.put("package.yaml", "format: 4\nname: a\nversion: 1.0.0\n".getBytes(StandardCharsets.UTF_8));
        assertEquals(read(files).findings().getFirst().code(), Code.FORMAT_NEWER);
        files.put("package.yaml", "name: a\nversion: one\n".getBytes(StandardCharsets.UTF_8));
        assertEquals(read(files).findings().getFirst().code(), Code.VERSION_INVALID);
        files.remove("package.yaml");
        assertEquals(read(files).findings().getFirst().code(), Code.FILE_MISSING);
    }

    @Test
    public void unexpectedAndMisnamedFilesAreSaid() {
        var files = PackageWriter.write(PACKAGE);
        files.put("types/berth.yaml", files.remove("types/mooring.yaml"));
        files.put("readme.txt", new byte[0]);
        var codes = read(files).findings().stream().map(Finding::code).toList();
        assertTrue(codes.containsAll(List.of(Code.FILE_NAME_DIFFERS, Code.FILE_UNEXPECTED)), codes.toString());
        assertTrue(read(files).content().isPresent());
    }

    @Test
    public void handWrittenFilesGetTheIdsOfTheSameKeys() {
        var noIds = mooring().replaceAll("id: [a-z0-9]+, ", "").replaceAll("(?m)^(  - )?id: [a-z0-9]+\n( {4})?", "$1");
        var read = readType(noIds).content().orElseThrow().model();
        assertTrue(read.types().getFirst().id().startsWith("?"));
        assertEquals(new Identities(Samples.MODEL, Ids.secure()).complete(read), Samples.MODEL);
        var fresh = new Identities(Model.EMPTY, Ids.secure()).complete(read);
        assertTrue(fresh.types().getFirst().fields().allMatch(field -> Ids.isId(field.id())));
        assertFalse(fresh.equals(Samples.MODEL));
    }

    @Test
    public void aTreeOfTheApiReadsAsTheFileDoes() {
        var findings = new ArrayList<Finding>();
        var tree = PackageWriter.tree(Samples.MOORING);
        assertEquals(PackageReader.type(tree, findings).orElseThrow(), Samples.MOORING);
        assertEquals(findings, List.of());
    }
}

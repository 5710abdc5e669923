package org.jontrel.core.code;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.jontrel.core.Samples;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.identity.Identities;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.shape.PackageLimits;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class PackageTest {
    private static final Manifest MANIFEST = Manifest.of(
            "tessel-waters", "1.3.0", "Tessel waters", List.of("The Trust's architect"), "CC0-1.0", "Moorings.");
    private static final ModelPackage PACKAGE = new ModelPackage(
            MANIFEST,
            Samples.MODEL,
            List.of(new Migration(
                    "1.3.0",
                    List.of(new Decision("f0c3r7h2p", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, "12.5")))));

    private static final String KINDS =
            "text, long_text, rich_text, number, yes_no, date, time, date_time, choice, image,"
                    + " file, email, url, phone, colour, icon, place, relation, term, group, repeater, note";

    private static PackageReader.Result read(Map<String, byte[]> files) {
        return PackageReader.read(new TreeMap<>(files), List.of());
    }

    private static PackageReader.Result readType(String text) {
        var files = PackageWriter.write(PACKAGE);
        files.put("types/mooring.yaml", text.getBytes(StandardCharsets.UTF_8));
        return read(files);
    }

    private static String mooring() {
        return new String(PackageWriter.write(PACKAGE).get("types/mooring.yaml"), StandardCharsets.UTF_8);
    }

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

    @DataProvider
    public Object[][] awkwardTexts() {
        return List.of(
                        "yes",
                        "No",
                        "null",
                        "~",
                        "12",
                        "1e3",
                        "0x1F",
                        "2026-01-01",
                        "true",
                        "- a",
                        "a: b",
                        "#x",
                        "'q'",
                        "\"q\"",
                        "{a}",
                        "[b]",
                        "<script>alert(1)</script>",
                        "Robert'); DROP TABLE x;--",
                        "😀 émoji",
                        "tab\there",
                        "two\nlines",
                        "two\nlines\n",
                        "  spaces  ",
                        "trailing ",
                        "&a *b",
                        "%d",
                        "\u0007bell",
                        "\u2028",
                        "back\\slash",
                        "x".repeat(10_000),
                        "مرحبا",
                        "line \n ends")
                .stream()
                .map(text -> new Object[] {text})
                .toArray(Object[][]::new);
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

    private static int lineOf(String text, String word) {
        return text.substring(0, text.indexOf(word)).split("\n", -1).length;
    }

    private static int columnOf(String text, String word) {
        return text.indexOf(word) - text.lastIndexOf('\n', text.indexOf(word));
    }

    @DataProvider
    public Object[][] brokenFiles() {
        var plain = "key: mooring\nsingular: M\nplural: Ms\npath: m\n";
        return new Object[][] {
            {"key: [", Code.NOT_CLOSED},
            {"", Code.SYNTAX},
            {plain + "---\nkey: x\n", Code.SYNTAX},
            {plain + "groups: &a []\n", Code.ALIAS_USED},
            {plain + "key: other\n", Code.PROPERTY_TWICE},
            {plain + "groups: many\n", Code.VALUE_WRONG_SHAPE},
            {plain + "parts: [titel]\n", Code.WORD_UNKNOWN},
            {"key: mooring\n", Code.PROPERTY_MISSING},
            {"- a\n- b\n", Code.VALUE_WRONG_SHAPE},
            {"[".repeat(60) + "]".repeat(60), Code.TOO_DEEP},
            {"{".repeat(4000), Code.TOO_DEEP},
            {"a: " + "[1,".repeat(3), Code.NOT_CLOSED},
            {"? [a]\n: b\n", Code.SYNTAX},
            {"l: [" + "1,".repeat(250_000) + "1]", Code.TOO_MANY_NODES},
            {"\u0000", Code.SYNTAX},
            {"key: \"\\ud800\"\n", Code.VALUE_WRONG_SHAPE},
            {"%YAML 9.9\n---\na: b", Code.SYNTAX},
            {
                plain + "groups: [{title: A, fields: [{key: a, label: A, kind: number, min: abc}]}]\n",
                Code.VALUE_WRONG_SHAPE
            },
            {
                plain + "groups: [{title: A, fields: [{key: a, label: A, kind: yes_no, required: maybe}]}]\n",
                Code.VALUE_WRONG_SHAPE
            },
            {
                plain + "groups: [{title: A, fields: [{key: a, label: A, kind: date, earliest: 2026-02-30}]}]\n",
                Code.VALUE_WRONG_SHAPE
            },
        };
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
        files.put("package.yaml", "format: 3\nname: a\nversion: 1.0.0\n".getBytes(StandardCharsets.UTF_8));
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
    public void zipRoundTripIsTheSameAndMayHaveOneFolderAround() throws Exception {
        var files = PackageWriter.write(PACKAGE);
        var findings = new ArrayList<Finding>();
        var back = PackageFiles.zip(PackageFiles.toZip(files), findings);
        assertEquals(back.keySet(), files.keySet());
        var wrapped = new TreeMap<String, byte[]>();
        files.forEach((name, bytes) -> wrapped.put("tessel-1.3.0/" + name, bytes));
        assertEquals(PackageFiles.zip(PackageFiles.toZip(wrapped), findings).keySet(), files.keySet());
        assertEquals(findings, List.of());
        assertEquals(PackageFiles.toZip(files), PackageFiles.toZip(files));
    }

    @DataProvider
    public Object[][] unsafeNames() {
        return new Object[][] {
            {"../x.yaml"},
            {"/etc/passwd"},
            {"types/../../x"},
            {"C:\\x"},
            {"a\\..\\b"},
            {"a//b.yaml"},
            {"types/sp ace.yaml"},
            {"x\n.txt"}
        };
    }

    @Test(dataProvider = "unsafeNames")
    public void archivesAreReadWithoutTrustingTheirNames(String name) throws Exception {
        var bytes = new ByteArrayOutputStream();
        try (var zip = new ZipOutputStream(bytes)) {
            zip.putNextEntry(new ZipEntry(name));
            zip.write('x');
        }
        var findings = new ArrayList<Finding>();
        assertTrue(PackageFiles.zip(bytes.toByteArray(), findings).isEmpty());
        assertEquals(findings.getFirst().code(), Code.ARCHIVE_NAME_UNSAFE);
    }

    @Test
    public void aBombOfZerosIsRefusedBeforeItIsUnpacked() throws Exception {
        var bytes = new ByteArrayOutputStream();
        try (var zip = new ZipOutputStream(bytes)) {
            for (int i = 0; i < 80; i++) {
                zip.putNextEntry(new ZipEntry("types/t" + i + ".yaml"));
                zip.write(new byte[4 << 20]);
            }
        }
        var findings = new ArrayList<Finding>();
        assertTrue(PackageFiles.zip(bytes.toByteArray(), findings).isEmpty());
        assertEquals(findings.getFirst().code(), Code.PACKAGE_TOO_LARGE);
        findings.clear();
        assertTrue(PackageFiles.zip("no zip at all".getBytes(StandardCharsets.UTF_8), findings)
                .isEmpty());
        assertEquals(findings.getFirst().code(), Code.ARCHIVE_BROKEN);
    }

    @Test
    public void anArchiveWithOneNameTwiceIsRefused() {
        var zip = PackageFiles.toZip(Map.of("types/a.yaml", new byte[] {'a'}, "types/b.yaml", new byte[] {'b'}));
        for (int i = 0; i < zip.length - 12; i++) {
            if (new String(zip, i, 12, StandardCharsets.ISO_8859_1).equals("types/b.yaml")) {
                zip[i + 6] = 'a';
            }
        }
        var findings = new ArrayList<Finding>();
        PackageFiles.zip(zip, findings);
        assertEquals(findings.getFirst().code(), Code.ARCHIVE_NAME_TWICE);
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

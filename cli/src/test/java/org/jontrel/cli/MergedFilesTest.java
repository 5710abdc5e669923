package org.jontrel.cli;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.testng.annotations.Test;

/** Merging packages, and files as version control hands them over. */
public class MergedFilesTest extends PackageFolders {
    @Test
    public void aMergedFolderIsTheWholeMergedPackage() throws IOException {
        var theirs =
                made("theirs", Map.of("types/berth.yaml", TYPE.replace("key: mooring", "key: berth\nwas: mooring")));
        var ours = made("ours", Map.of("types/mooring.yaml", "# ours\n" + TYPE.replace("unit: m", "unit: metres")));
        put(ours, "notes.txt", "mine");
        var ran = CommandResult.run("merge", folder, ours, theirs, "-o", ours);
        assertEquals(ran.code(), 0, ran.out() + ran.err());
        var merged = texts(ours);
        assertEquals(merged.keySet().toString(), "[notes.txt, package.yaml, types/mooring.yaml]");
        assertTrue(merged.get("types/mooring.yaml").startsWith("# ours\nkey: berth\n"), merged.toString());
        assertTrue(merged.get("types/mooring.yaml").contains("unit: metres"));
        var gone = made(
                "gone", Map.of("types/weir.yaml", TYPE.replace("ooring", "eir").replace("key: m", "key: w")));
        var both = made("both", Map.of("types/mooring.yaml", TYPE));
        put(both, "types/weir.yaml", Files.readString(gone.resolve("types/weir.yaml")));
        var removed = CommandResult.run("merge", both, both, gone, "-o", both);
        assertEquals(removed.code(), 0, removed.out() + removed.err());
        assertTrue(removed.err().contains("Removed types/mooring.yaml"), removed.err());
        assertEquals(texts(both), texts(gone));
    }

    @Test
    public void anotherFolderIsReplacedOnlyWhenAsked() throws IOException {
        var out = made("out", Map.of("types/weir.yaml", TYPE.replace("mooring", "weir")));
        var ran = CommandResult.run("merge", folder, folder, folder, "-o", out);
        assertEquals(ran.code(), 2);
        assertTrue(ran.err().contains("types/weir.yaml") && ran.err().contains("--replace"), ran.err());
        assertEquals(
                CommandResult.run("merge", folder, folder, folder, "-o", out, "--replace")
                        .code(),
                0);
        assertEquals(texts(out), texts(folder));
    }

    @Test
    public void mergingWithAnUnchangedSideIsTheOtherToTheByte() throws IOException {
        var odd = "# odd\nplural:   Moorings\nkey: 'mooring'\nsingular: \"Mooring\"\n\npath: moorings # here\r\n";
        var theirs = made("theirs", Map.of("types/mooring.yaml", odd));
        for (var sides : new Path[][] {{folder, theirs}, {theirs, folder}, {theirs, theirs}}) {
            var out = root.resolve("out" + sides[0].getFileName() + sides[1].getFileName());
            assertEquals(
                    CommandResult.run("merge", folder, sides[0], sides[1], "-o", out)
                            .code(),
                    0);
            assertEquals(texts(out), texts(theirs));
        }
        var more = made("more", Map.of("types/mooring.yaml", TYPE, "lists/a.yaml", "title:  A\nkey: a\n"));
        var out = root.resolve("out");
        assertEquals(CommandResult.run("merge", folder, more, theirs, "-o", out).code(), 0);
        assertEquals(texts(out).get("lists/a.yaml"), "title:  A\nkey: a\n");
        assertEquals(texts(out).get("types/mooring.yaml"), odd);
    }

    @Test
    public void asVersionControlsDriverAClashKeepsBothBetweenMarkers() throws IOException {
        var ran = driver(
                TYPE,
                TYPE.replace("label: Length", "label: Long").replace("title: Berth", "title: Place"),
                TYPE.replace("label: Length", "label: Size"),
                "model/types/mooring.yaml");
        assertEquals(ran.code(), 1);
        assertTrue(
                merged().contains("<<<<<<< ours\n      - {key: length_m, label: Long,")
                        && merged().contains("=======\n      - {key: length_m, label: Size,")
                        && merged().contains(">>>>>>> theirs\n"),
                merged());
        assertTrue(merged().contains("title: Place"), "what does not clash is merged");
        put(folder, "types/mooring.yaml", merged());
        assertTrue(
                CommandResult.run("check", folder).out().contains("MERGE_MARKERS"),
                CommandResult.run("check", folder).out());
    }

    @Test
    public void aFileThatBothMadeMergesWhereTheyAgree() throws IOException {
        assertEquals(driver("", TYPE, TYPE + "# same\n", "types/mooring.yaml").code(), 0);
        assertTrue(merged().endsWith("# same\n"), merged());
        var more = TYPE + "      - {key: depth, label: Depth, kind: number}\n";
        assertEquals(driver("", TYPE, more, "types/mooring.yaml").code(), 0);
        assertEquals(merged(), more);
        var ran = driver("", TYPE, TYPE.replace("kind: text", "kind: long_text"), "types/mooring.yaml");
        assertEquals(ran.code(), 1);
        assertTrue(ran.out().contains("field Name: kind"), ran.out());
        assertFalse(ran.out().contains("f" + "0000"), ran.out());
    }

    @Test
    public void theSortIsToldByThePath() throws IOException {
        var values = "key: opening\ntitle: Opening\n";
        assertEquals(
                driver(values, values + "description: Here\n", values.replace("Opening", "Open"), "values/opening.yaml")
                        .code(),
                0);
        assertEquals(merged(), "key: opening\ntitle: Open\ndescription: Here\n");
        var manifest = "name: tessel\nversion: \"1.0.0\"\nchecksum: aaa\n";
        var ran = driver(
                manifest,
                manifest.replace("aaa", "bbb").replace("1.0.0", "1.1.0"),
                manifest.replace("aaa", "ccc") + "title: Tessel\n",
                "package.yaml");
        assertEquals(ran.code(), 0, ran.out());
        assertEquals(merged(), "format: 3\nname: tessel\nversion: \"1.1.0\"\ntitle: Tessel\n");
        assertEquals(driver(manifest, manifest, manifest, "README.md").code(), 2);
    }

    @Test
    public void whatCannotBeReadIsKeptBetweenMarkersToo() throws IOException {
        assertEquals(driver(TYPE, TYPE, "key: [\n", "types/mooring.yaml").code(), 1);
        assertTrue(merged().contains("key: [\n>>>>>>> theirs"), merged());
    }
}

package org.jontrel.core.code;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.testng.annotations.Test;

/** Archives are read without trusting what they say. */
public class PackageArchiveTest extends PackageTexts {
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
}

package org.jontrel.server.staticsite;

import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipInputStream;
import org.jontrel.server.Session;

/** The site Field as somebody gets it who saves it as files. */
public final class SavedSite {
    private SavedSite() {}

    /** @param query such as {@code ?address=https://example.org}; @return the files by their paths */
    public static Map<String, byte[]> files(Session session, String query) {
        var files = new TreeMap<String, byte[]>();
        try (var zip = new ZipInputStream(new ByteArrayInputStream(session.bytes("/api/sites/field/static" + query)))) {
            for (var entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                assertTrue(entry.getName().startsWith("field/"), entry.getName());
                assertFalse(files.containsKey(entry.getName()), entry.getName() + " is there twice");
                files.put(entry.getName().substring("field/".length()), zip.readAllBytes());
            }
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
        return files;
    }
}

package org.jontrel.core;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.identity.Identities;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.testng.Assert;

/** The example packages of this repository, as tests read and change them. */
public final class Examples {
    public static final Path FORMAT = Path.of("../docs/format/example");
    public static final Path SEED_BANK = Path.of("../examples/seed-bank");

    private Examples() {}

    public static SortedMap<String, byte[]> files(Path folder) {
        try {
            var findings = new ArrayList<Finding>();
            var files = PackageFiles.read(folder, findings);
            Assert.assertTrue(findings.isEmpty(), findings.toString());
            return files;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The seed bank with ids for everything, the same at each call. */
    public static Model seedBank() {
        return seedBank(Model.EMPTY, Map.of());
    }

    /** The seed bank with some files changed, its things known by an earlier state; no text removes a file. */
    public static Model seedBank(Model earlier, Map<String, String> changed) {
        var files = new TreeMap<>(files(SEED_BANK));
        changed.forEach((name, text) -> {
            if (text.isEmpty()) {
                files.remove(name);
            } else {
                files.put(name, text.getBytes(StandardCharsets.UTF_8));
            }
        });
        var read = PackageReader.read(files, java.util.List.of());
        Assert.assertTrue(read.content().isPresent(), read.findings().toString());
        var ids = new Ids(new java.util.Random(changed.hashCode()));
        return new Identities(earlier, ids).complete(read.content().get().model(), read.was());
    }

    /** A file of the seed bank with one text in place of another, which must be there. */
    public static String edited(String file, String before, String after) {
        var text = new String(files(SEED_BANK).get(file), StandardCharsets.UTF_8);
        Assert.assertTrue(text.contains(before), file + " has " + before);
        return text.replace(before, after);
    }
}

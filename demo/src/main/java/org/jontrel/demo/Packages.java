package org.jontrel.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Model;

/** The Trust's definitions, as files in this program. */
final class Packages {
    private static final List<String> FILES =
            List.of("package.yaml", "types/structure.yaml", "types/mooring.yaml", "types/stoppage_notice.yaml");

    private Packages() {}

    /** @param folder {@code release-1.0.0}, {@code release-2.0.0} or {@code draft} */
    static SortedMap<String, byte[]> files(String folder) {
        var files = new TreeMap<String, byte[]>();
        for (var name : FILES) {
            try (var in = Packages.class.getResourceAsStream(folder + "/" + name)) {
                files.put(name, in.readAllBytes());
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return files;
    }

    static Model model(String folder) {
        var read = PackageReader.read(files(folder), List.of());
        return read.content()
                .orElseThrow(() -> new IllegalStateException(
                        read.findings().stream().map(Finding::sentence).toList().toString()))
                .model();
    }
}

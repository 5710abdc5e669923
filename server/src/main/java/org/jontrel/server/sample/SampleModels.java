package org.jontrel.server.sample;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.finding.Finding;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.stereotype.Component;

/** The models to start from that ship with the application. */
@Component
class SampleModels {
    private static final List<String> NAMES =
            List.of("rope-walk", "organ-workshop", "peat-archive", "wall-guild", "puppet-loft");

    /** Read once they are asked for. */
    private static final class Shipped {
        static final List<SampleModel> ALL =
                NAMES.stream().map(SampleModels::read).toList();
    }

    List<SampleModel> all() {
        return Shipped.ALL;
    }

    Optional<SampleModel> find(String name) {
        return all().stream().filter(each -> each.name().equals(name)).findFirst();
    }

    private static SampleModel read(String name) {
        var model = files(name + "/model/", "**");
        var findings = new ArrayList<Finding>();
        var content = PackageReader.read(model, findings)
                .content()
                .orElseThrow(() -> new IllegalStateException("The sample " + name + " cannot be read: " + findings));
        var rows = new TreeMap<String, byte[]>();
        files(name + "/rows/", "*.csv").forEach((file, bytes) -> rows.put(file.replaceFirst("\\.csv$", ""), bytes));
        return new SampleModel(name, content, model, rows, files(name + "/pictures/", "*.png"));
    }

    /** By their paths below a folder. */
    private static SortedMap<String, byte[]> files(String folder, String pattern) {
        var below = "samples/" + folder;
        try {
            var files = new TreeMap<String, byte[]>();
            var found = new PathMatchingResourcePatternResolver().getResources("classpath*:" + below + pattern);
            for (var resource : found) {
                var path = resource.getURL().getPath();
                if (resource.isReadable() && !path.endsWith("/")) {
                    files.put(
                            path.substring(path.lastIndexOf(below) + below.length()), resource.getContentAsByteArray());
                }
            }
            return files;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

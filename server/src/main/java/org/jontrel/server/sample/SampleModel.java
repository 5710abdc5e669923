package org.jontrel.server.sample;

import java.util.Comparator;
import java.util.List;
import java.util.SortedMap;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.model.Definition;

/**
 * A model to start from.
 *
 * @param name by which addresses know it
 * @param content its package
 * @param model files of the package
 * @param rows sheets of records, by the key of their type; {@code rope.tests} are rows of the field tests of ropes
 * @param pictures by the names that rows call them
 */
record SampleModel(
        String name,
        ModelPackage content,
        SortedMap<String, byte[]> model,
        SortedMap<String, byte[]> rows,
        SortedMap<String, byte[]> pictures) {
    String title() {
        return content.manifest().title();
    }

    String description() {
        return content.manifest().description();
    }

    /** In the order of their sorts. */
    List<Definition> definitions() {
        return content.model().definitions().stream()
                .map(Definition.class::cast)
                .sorted(Comparator.comparing(Definition::sort))
                .toList();
    }

    byte[] zip() {
        return PackageFiles.toZip(model);
    }

    /** Of all sheets whose rows are records. */
    int records() {
        return rows.entrySet().stream()
                .filter(sheet -> !sheet.getKey().contains("."))
                .mapToInt(sheet -> lines(sheet.getValue()) - 1)
                .sum();
    }

    /** No cell of a sample has a line break within. */
    private static int lines(byte[] sheet) {
        int lines = 0;
        for (byte each : sheet) {
            lines += each == '\n' ? 1 : 0;
        }
        return lines;
    }
}

package org.jontrel.core.testing;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * Which packages use which, as {@code ARCHITECTURE.md} draws it: a line for each package, those that nothing else uses first,
 * each above all that it uses. A picture that has a circle cannot be drawn.
 */
public final class PackagePicture {
    private static final Path DOCUMENT = Path.of("../ARCHITECTURE.md");

    private PackagePicture() {}

    /** @param root such as {@code org.jontrel.core} */
    public static String of(JavaClasses classes, String root) {
        var uses = new TreeMap<String, SortedSet<String>>();
        for (var each : classes) {
            within(each, root).ifPresent(from -> {
                var all = uses.computeIfAbsent(from, _ -> new TreeSet<>());
                each.getDirectDependenciesFromSelf().stream()
                        .flatMap(dependency -> within(dependency.getTargetClass(), root).stream())
                        .filter(to -> !to.equals(from))
                        .forEach(all::add);
            });
        }
        return drawn(uses);
    }

    private static Optional<String> within(JavaClass each, String root) {
        var name = each.getPackageName();
        return name.startsWith(root + ".") ? Optional.of(name.substring(root.length() + 1)) : Optional.empty();
    }

    private static String drawn(SortedMap<String, SortedSet<String>> uses) {
        var left = new TreeMap<>(uses);
        var ordered = new LinkedHashMap<String, SortedSet<String>>();
        while (!left.isEmpty()) {
            var free = left.keySet().stream()
                    .filter(name -> left.values().stream().noneMatch(used -> used.contains(name)))
                    .toList();
            if (free.isEmpty()) {
                throw new AssertionError("These packages use one another in a circle: " + left.keySet());
            }
            free.forEach(name -> ordered.put(name, left.remove(name)));
        }
        return lines(ordered);
    }

    private static String lines(Map<String, SortedSet<String>> ordered) {
        var width = width(ordered.keySet());
        return ordered.entrySet().stream()
                .map(each -> (each.getKey() + " ".repeat(width - each.getKey().length()) + " → "
                        + (each.getValue().isEmpty() ? "nothing" : String.join(", ", each.getValue()))))
                .collect(Collectors.joining("\n"));
    }

    private static int width(Collection<String> names) {
        return names.stream().mapToInt(String::length).max().orElse(0);
    }

    /** What stands in the document's block that begins with this line. */
    public static String inDocument(String heading) throws IOException {
        List<String> lines = Files.readAllLines(DOCUMENT);
        var start = lines.indexOf(heading);
        if (start < 0) {
            throw new AssertionError(DOCUMENT + " has no line \"" + heading + "\"");
        }
        return lines.subList(start + 1, lines.size()).stream()
                .takeWhile(line -> !line.startsWith("```") && !line.isEmpty())
                .collect(Collectors.joining("\n"));
    }
}

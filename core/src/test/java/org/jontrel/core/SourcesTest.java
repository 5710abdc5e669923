package org.jontrel.core;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** What holds for the sources of all modules, so that whoever looks for something finds one thing under its name. */
public class SourcesTest {
    private static final int MOST_FILES = 25;
    private static final Pattern TEXTS_AND_COMMENTS =
            Pattern.compile("/\\*.*?\\*/|//[^\\n]*|\"\"\".*?\"\"\"|\"(?:\\\\.|[^\"\\\\\\n])*\"", Pattern.DOTALL);
    private static final Pattern DECLARED = Pattern.compile("\\b(?:class|interface|record|enum) ([A-Z]\\w*)[ <({]");
    private final Map<Path, String> sources = new TreeMap<>();

    @BeforeClass
    public void read() throws IOException {
        try (var modules = Files.list(Path.of(".."))) {
            for (var module : modules.filter(each -> Files.isDirectory(each.resolve("src")))
                    .toList()) {
                read(module.resolve("src"));
            }
        }
    }

    private void read(Path folder) throws IOException {
        try (Stream<Path> files = Files.walk(folder)) {
            for (var file :
                    files.filter(each -> each.toString().endsWith(".java")).toList()) {
                sources.put(
                        file, TEXTS_AND_COMMENTS.matcher(Files.readString(file)).replaceAll(""));
            }
        }
    }

    @Test
    public void noSimpleNameStandsForTwoTypes() {
        var byName = new TreeMap<String, TreeSet<String>>();
        sources.forEach((file, source) -> DECLARED.matcher(source)
                .results()
                .forEach(found -> byName.computeIfAbsent(found.group(1), _ -> new TreeSet<>())
                        .add(file + " at " + found.start())));
        byName.values().removeIf(places -> places.size() == 1);
        assertEquals(byName.toString(), "{}");
    }

    @Test
    public void packagesAreSmallEnoughToBeSeenAtOnce() {
        var large = sources.keySet().stream()
                .collect(Collectors.groupingBy(Path::getParent, Collectors.counting()))
                .entrySet()
                .stream()
                .filter(each -> each.getValue() > MOST_FILES)
                .map(each -> each.getKey() + " has " + each.getValue() + " files")
                .toList();
        assertEquals(large, List.of());
    }
}

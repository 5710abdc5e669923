package org.jontrel.core;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.JavacTask;
import com.sun.source.util.TreeScanner;
import com.sun.source.util.Trees;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.tools.ToolProvider;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** What holds for the sources of all modules, so that whoever looks for something finds one thing under its name. */
public class SourcesTest {
    private static final int MOST_FILES = 25;
    private static final int MOST_LINES = 400;
    private static final Pattern TEXTS_AND_COMMENTS =
            Pattern.compile("/\\*.*?\\*/|//[^\\n]*|\"\"\".*?\"\"\"|\"(?:\\\\.|[^\"\\\\\\n])*\"", Pattern.DOTALL);
    private static final Pattern DECLARED = Pattern.compile("\\b(?:class|interface|record|enum) ([A-Z]\\w*)[\\s<({]");
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

    private static final Pattern CODE = Pattern.compile("`([^`\n]+)`");
    private static final Pattern TYPE_NAME = Pattern.compile("(?<![\\w-])[A-Z][a-z][A-Za-z0-9]*(?![\\w-])");
    /** The kind that ARCHITECTURE tells how to add. */
    private static final Set<String> NOT_THERE = Set.of("AngleValues");

    @Test
    public void whatTheDocumentsNameIsThere() throws IOException {
        var known = new TreeSet<>(NOT_THERE);
        for (var source : sources.values()) {
            DECLARED.matcher(source).results().forEach(found -> known.add(found.group(1)));
        }
        try (var files = Files.walk(Path.of("../web/src"))) {
            files.forEach(file -> known.add(file.getFileName().toString().replaceFirst("[.].*", "")));
        }
        var unknown = new TreeSet<String>();
        CODE.matcher(Files.readString(Path.of("../ARCHITECTURE.md")))
                .results()
                .flatMap(code -> TYPE_NAME.matcher(code.group(1)).results())
                .map(MatchResult::group)
                .filter(name -> !known.contains(name))
                .forEach(unknown::add);
        assertEquals(unknown.toString(), "[]");
    }

    /** Lines of a type, or of a method's body, by its name. */
    private record Size(String name, long lines) {
        static double within(List<Size> all, long most) {
            return (double) all.stream().filter(each -> each.lines() <= most).count() / all.size();
        }
    }

    @Test
    public void typesAndMethodsAreShortEnoughToBeRead() throws IOException {
        var types = new ArrayList<Size>();
        var methods = new ArrayList<Size>();
        measure(types, methods);
        assertEquals(types.stream().filter(each -> each.lines() > MOST_LINES).toList(), List.of());
        assertTrue(Size.within(types, 200) >= 0.95, "types within 200 lines: " + Size.within(types, 200));
        assertTrue(Size.within(methods, 25) >= 0.95, "methods within 25 lines: " + Size.within(methods, 25));
    }

    private void measure(List<Size> types, List<Size> methods) throws IOException {
        var compiler = ToolProvider.getSystemJavaCompiler();
        try (var files = compiler.getStandardFileManager(null, null, null)) {
            var task = (JavacTask) compiler.getTask(
                    null, files, null, null, null, files.getJavaFileObjectsFromPaths(sources.keySet()));
            var positions = Trees.instance(task).getSourcePositions();
            for (var unit : task.parse()) {
                new TreeScanner<Void, Void>() {
                    private long lines(Tree tree) {
                        var lines = unit.getLineMap();
                        return lines.getLineNumber(positions.getEndPosition(unit, tree) - 1)
                                - lines.getLineNumber(positions.getStartPosition(unit, tree))
                                + 1;
                    }

                    @Override
                    public Void visitClass(ClassTree type, Void nothing) {
                        types.add(new Size(type.getSimpleName().toString(), lines(type)));
                        return super.visitClass(type, nothing);
                    }

                    @Override
                    public Void visitMethod(MethodTree method, Void nothing) {
                        if (method.getBody() != null && positions.getEndPosition(unit, method) > 0) {
                            methods.add(new Size(method.getName().toString(), lines(method.getBody()) - 2));
                        }
                        return super.visitMethod(method, nothing);
                    }
                }.scan(unit, null);
            }
        }
    }
}

package org.jontrel.bench;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.compare.LikelyRenames;
import org.jontrel.core.identity.Alignment;
import org.jontrel.core.merge.PackageMerge;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.yaml.NodeCache;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.infra.Blackhole;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.api.lowlevel.Parse;

/**
 * What the command line does with whole packages of files without ids, from bytes to result, against merely parsing the
 * bytes of one of them with the YAML library. One thread, so time is processor time.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(
        value = 1,
        jvmArgsAppend = {"-Xms4g", "-Xmn2g"}) // so much that no copying of garbage is measured
@Warmup(iterations = 3, time = 3)
@Measurement(iterations = 4, time = 3)
public class PackagesBenchmark {
    /** Packages of so many types of 40 fields, or a taxonomy of so many terms of which all, or three in four, stay. */
    @Param({"types 1000", "terms 8000", "renames 8000"})
    public String shape;

    private SortedMap<String, byte[]> base;
    private SortedMap<String, byte[]> ours;
    private SortedMap<String, byte[]> theirs;

    @Setup
    public void make() {
        var words = shape.split(" ");
        int count = Integer.parseInt(words[1]);
        base = words[0].equals("types") ? types(count, "", "m") : terms(count, 0, "");
        ours = words[0].equals("types")
                ? types(count, " changed", "m")
                : terms(count, words[0].equals("renames") ? count * 3 / 4 : 0, " changed");
        theirs = words[0].equals("types") ? types(count, "", "cm") : terms(count, 0, " other");
    }

    /** One label, or one unit, differs in every tenth type. */
    private static SortedMap<String, byte[]> types(int count, String more, String unit) {
        var files = files();
        for (int i = 0; i < count; i++) {
            var text = new StringBuilder(
                    "key: type_%1$d\nsingular: Type %1$d\nplural: Types %1$d\npath: types-%1$d\ngroups:\n"
                            .formatted(i));
            for (int n = 0; n < 40; n++) {
                boolean edited = i % 10 == 0 && n == 13;
                text.append(n % 10 == 0 ? "  - title: Group " + n / 10 + "\n    fields:\n" : "")
                        .append(
                                "      - {key: field_%1$d, label: Label %1$d%2$s, kind: number, decimals: 1, min: 0, max: 99, unit: %3$s}\n"
                                        .formatted(n, edited ? more : "", edited ? unit : "m"));
            }
            files.put("types/type_" + i + ".yaml", text.toString().getBytes(StandardCharsets.UTF_8));
        }
        return files;
    }

    /** The first terms have other keys; every tenth has another label. */
    private static SortedMap<String, byte[]> terms(int count, int renamed, String more) {
        var text = new StringBuilder("key: topic\nsingular: Topic\nplural: Topics\npath: topics\nterms:\n");
        for (int i = 0; i < count; i++) {
            text.append("  - {key: %s_%d, label: Term %d%s}\n"
                    .formatted(i < renamed ? "renamed" : "term", i, i, i % 10 == 0 && i >= renamed ? more : ""));
        }
        var files = files();
        files.put("taxonomies/topic.yaml", text.toString().getBytes(StandardCharsets.UTF_8));
        return files;
    }

    private static SortedMap<String, byte[]> files() {
        var files = new TreeMap<String, byte[]>();
        files.put("package.yaml", "format: 3\nname: bench\nversion: \"1.0.0\"\n".getBytes(StandardCharsets.UTF_8));
        return files;
    }

    private static PackageReader.Result read(SortedMap<String, byte[]> files, NodeCache cache) {
        return PackageReader.read(files, List.of(), cache);
    }

    @Benchmark
    public void parseOnly(Blackhole hole) {
        var settings = LoadSettings.builder().build();
        base.values()
                .forEach(bytes -> new Parse(settings)
                        .parseString(new String(bytes, StandardCharsets.UTF_8))
                        .forEach(hole::consume));
    }

    @Benchmark
    public Object check() {
        return ModelCheck.check(
                read(base, new NodeCache()).content().orElseThrow().model());
    }

    @Benchmark
    public Object compare() {
        var cache = new NodeCache();
        var before = read(base, cache);
        var after = read(ours, cache);
        var alignment = Alignment.of(
                new Alignment.Side(before.content().orElseThrow().model(), before.was()),
                new Alignment.Side(after.content().orElseThrow().model(), after.was()),
                Ids.secure());
        var comparison =
                Comparison.of(alignment.sides().get(0), alignment.sides().get(1));
        return LikelyRenames.renames(comparison, alignment.madeUp());
    }

    @Benchmark
    public Object merge() {
        var cache = new NodeCache();
        return PackageMerge.merge(read(base, cache), read(ours, cache), read(theirs, cache), true, Ids.secure());
    }
}

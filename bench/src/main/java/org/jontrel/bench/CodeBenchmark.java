package org.jontrel.bench;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.concurrent.TimeUnit;
import org.javers.core.Javers;
import org.javers.core.JaversBuilder;
import org.javers.core.metamodel.clazz.EntityDefinition;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.merge.Merge;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
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
 * Reading, writing, checking, comparing and merging a model, against merely parsing the same bytes with the YAML library
 * and comparing the same records with a general object-difference library.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
public class CodeBenchmark {
    private static final int FIELDS = 40;

    /** Content types, of 40 fields each. */
    @Param({"31", "125", "500"})
    public int types;

    private Model model;
    private Model edited;
    private Model other;
    private Javers javers;
    private SortedMap<String, byte[]> files;

    @Setup
    public void make() {
        var all = new ArrayList<ContentType>();
        for (int i = 0; i < types; i++) {
            all.add(type(i));
        }
        model = new Model(all);
        edited = edited(0);
        other = edited(1);
        files = write(model);
        javers = JaversBuilder.javers()
                .registerEntity(new EntityDefinition(ContentType.class, "id"))
                .registerEntity(new EntityDefinition(Group.class, "id"))
                .registerEntity(new EntityDefinition(Field.class, "id"))
                .build();
        if (javers.compare(model, edited).getChanges().size() < edited.types().size() / 10) {
            throw new IllegalStateException("the library sees fewer changes than were made");
        }
    }

    /** The model with a label changed in every tenth type; read from files, so that no record is shared. */
    private Model edited(int field) {
        var changed = model;
        for (int i = 0; i < types; i += 10) {
            var type = model.types().get(i);
            var group = type.groups().getFirst();
            var fields = new ArrayList<>(group.fields());
            fields.set(field, fields.get(field).withLabel("Changed"));
            changed = changed.with(type.withSections(List.of(group.withFields(fields))));
        }
        return PackageReader.read(write(changed), List.of())
                .content()
                .orElseThrow()
                .model();
    }

    private static ContentType type(int number) {
        var fields = new ArrayList<Field>();
        for (int i = 0; i < FIELDS; i++) {
            Kind kind = i % 3 == 0
                    ? new Kind.LongText(500, 4)
                    : i % 3 == 1 ? Kind.YesNo.PLAIN : new Kind.Numeric(2, null, null, "m");
            fields.add(new Field("f" + number + "x" + i, "field_" + i, "Field " + i, "", i % 5 == 0, kind));
        }
        return new ContentType(
                "t" + number + "x",
                "type_" + number,
                "Type " + number,
                "Types " + number,
                "",
                "",
                "types-" + number,
                Map.of(),
                List.of(Part.TITLE),
                List.of(new Group("g" + number + "x", "Details", "", fields)));
    }

    private static SortedMap<String, byte[]> write(Model model) {
        var manifest = Manifest.of("bench", "1.0.0", "", List.of(), "", "");
        return PackageWriter.write(new ModelPackage(manifest, model, List.of()));
    }

    @Benchmark
    public void parseOnly(Blackhole hole) {
        var settings = LoadSettings.builder().build();
        files.values()
                .forEach(bytes -> new Parse(settings)
                        .parseString(new String(bytes, StandardCharsets.UTF_8))
                        .forEach(hole::consume));
    }

    @Benchmark
    public Object read() {
        return PackageReader.read(files, List.of());
    }

    @Benchmark
    public Object write() {
        return write(model);
    }

    @Benchmark
    public Object check() {
        return ModelCheck.check(model);
    }

    @Benchmark
    public Object compare() {
        return Comparison.of(model, edited);
    }

    @Benchmark
    public Object compareByLibrary() {
        return javers.compare(model, edited);
    }

    @Benchmark
    public Object merge() {
        return Merge.merge(model, edited, other);
    }
}

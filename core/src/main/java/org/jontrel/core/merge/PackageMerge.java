package org.jontrel.core.merge;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.stream.Collectors;
import org.jontrel.core.code.Formatting;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageFileWriter;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.format.Things;
import org.jontrel.core.identity.Alignment;
import org.jontrel.core.identity.Identities;
import org.jontrel.core.identity.KeyReferences;
import org.jontrel.core.naming.Ids;

/**
 * Brings two packages together over the one both come from: definitions, what the packages say of themselves, migrations,
 * and comments. Files that one side has as they come out are taken from it to the byte.
 */
public final class PackageMerge {
    private final PackageReader.Result base;
    private final PackageReader.Result ours;
    private final PackageReader.Result theirs;
    private final boolean inPlace;
    private final Ids ids;
    private final List<Clash> clashes = new ArrayList<>();

    private PackageMerge(
            PackageReader.Result base,
            PackageReader.Result ours,
            PackageReader.Result theirs,
            boolean inPlace,
            Ids ids) {
        this.inPlace = inPlace;
        this.base = base;
        this.ours = ours;
        this.theirs = theirs;
        this.ids = ids;
    }

    /**
     * What came of a merge.
     *
     * @param files the whole package; where they clash, with what ours has
     * @param content the same as a package; what has no id in any of the files has one that begins with {@code ?}
     */
    public record MergedPackage(ModelPackage content, SortedMap<String, byte[]> files, List<Clash> clashes) {
        public MergedPackage {
            clashes = List.copyOf(clashes);
        }
    }

    /**
     * All three must have content.
     *
     * @param inPlace whether definitions stay in the files that ours, or else theirs, has them in; else each is named by its key
     * @throws org.jontrel.core.code.UnwritableException where the merged definitions cannot have a file each
     */
    public static MergedPackage merge(
            PackageReader.Result base,
            PackageReader.Result ours,
            PackageReader.Result theirs,
            boolean inPlace,
            Ids ids) {
        return new PackageMerge(base, ours, theirs, inPlace, ids).run();
    }

    private MergedPackage run() {
        if (same(ours.files(), base.files()) || same(ours.files(), theirs.files())) {
            return new MergedPackage(theirs.content().orElseThrow(), theirs.files(), List.of());
        }
        if (same(theirs.files(), base.files())) {
            return new MergedPackage(ours.content().orElseThrow(), ours.files(), List.of());
        }
        var alignment = Alignment.of(side(base), side(ours), side(theirs), ids);
        var models = alignment.sides();
        var merged = Merge.merge(models.get(0), models.get(1), models.get(2), alignment.madeUp());
        differing(alignment);
        clashes.addAll(merged.clashes());
        var manifest = new ManifestMerge(clashes)
                .merge(
                        base.content().orElseThrow().manifest(),
                        ours.content().orElseThrow().manifest(),
                        theirs.content().orElseThrow().manifest());
        var migrations = new MigrationMerge(clashes, merged.model())
                .merge(
                        base.content().orElseThrow().migrations(),
                        ours.content().orElseThrow().migrations(),
                        theirs.content().orElseThrow().migrations());
        var mine = new MergeSide(ours, alignment, 1);
        var other = new MergeSide(theirs, alignment, 2);
        var formatting =
                Formatting.merge(new MergeSide(base, alignment, 0).formatting(), mine.formatting(), other.formatting());
        var was = new HashMap<>(other.was());
        was.putAll(mine.was());
        var whole = new ModelPackage(manifest, merged.model(), migrations);
        return written(whole, formatting, was, alignment, List.of(mine, other));
    }

    private MergedPackage written(
            ModelPackage whole,
            Formatting formatting,
            Map<String, String> was,
            Alignment alignment,
            List<MergeSide> sides) {
        var forgotten = Identities.forgotten(alignment.madeUp());
        var content =
                new ModelPackage(whole.manifest(), Identities.renamed(whole.model(), forgotten), whole.migrations());
        var keys = new LinkedHashMap<String, String>();
        was.forEach((id, key) -> keys.put(forgotten.getOrDefault(id, id), key));
        var names = new PackageFileWriter(formatting, Map.of());
        var inKeys = new KeyReferences(whole.model()).toKeys();
        var untouched = new HashMap<String, byte[]>();
        for (var side : sides.reversed()) {
            untouched.putAll(side.untouched(whole, inKeys, formatting, names));
        }
        var files = PackageWriter.writeFolder(content, formatting.renamed(forgotten), keys, untouched);
        // the rest is small, and written in any case
        untouched.forEach((name, bytes) -> files.computeIfPresent(name, (_, _) -> bytes));
        return new MergedPackage(content, files, clashes);
    }

    private static boolean same(SortedMap<String, byte[]> a, SortedMap<String, byte[]> b) {
        return a.keySet().equals(b.keySet())
                && a.entrySet().stream().allMatch(file -> Arrays.equals(file.getValue(), b.get(file.getKey())));
    }

    private static Alignment.Side side(PackageReader.Result read) {
        return new Alignment.Side(read.content().orElseThrow().model(), read.was());
    }

    /** Ids that both sides gave to the same things are one question, however many. */
    private void differing(Alignment alignment) {
        if (alignment.differing().isEmpty()) {
            return;
        }
        var labels = alignment.differing().stream()
                .map(each -> Things.shape(each.thing()).label(each.thing()))
                .limit(5)
                .collect(Collectors.joining(", "));
        int more = alignment.differing().size() - 5;
        clashes.add(new Clash(
                "",
                "",
                "Both sides gave ids to the same things, and different ones (" + labels
                        + (more > 0 ? " and " + more + " more" : "")
                        + "). Take the ids of one side: remove them from the files of the other, and merge again.",
                "",
                "",
                ""));
    }
}

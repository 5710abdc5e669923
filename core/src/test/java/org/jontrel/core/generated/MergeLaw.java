package org.jontrel.core.generated;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.compare.Change;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.compare.Sentences;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.format.Located;
import org.jontrel.core.format.Things;
import org.jontrel.core.identity.Alignment;
import org.jontrel.core.identity.Identities;
import org.jontrel.core.merge.Clash;
import org.jontrel.core.merge.Merge;
import org.jontrel.core.merge.PackageMerge;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;

/**
 * What holds for every merge, with ids in the files or without: each edit of either side is in the result or in a clash, a
 * result without clashes passes the check, who is called ours makes no difference but for order, a side that changed nothing
 * gives the other to the byte, and comments of both sides are there.
 */
public final class MergeLaw {
    private static final Manifest MANIFEST = Manifest.of("laws", "1.0.0", "", List.of(), "", "");
    private static final Pattern ID = Pattern.compile("\\b[a-z][a-z0-9]{8}\\b");

    private final String seed;
    private final boolean withIds;
    private final Ids ids;
    private final PackageReader.Result base;
    private final PackageReader.Result ours;
    private final PackageReader.Result theirs;

    private MergeLaw(long number, boolean withIds) {
        this.seed = "seed " + number + (withIds ? " with ids: " : " without ids: ");
        this.withIds = withIds;
        this.ids = new Ids(new Random(number));
        var models = new Models(number);
        var model = models.model();
        var mine = edited(models, model);
        var other = edited(models, model);
        base = read(model, null, number);
        ours = read(mine, "o", number);
        theirs = read(other, "t", number);
    }

    /** @throws AssertionError where the law does not hold for the merge of this number */
    public static void check(long number, boolean withIds) {
        var law = new MergeLaw(number, withIds);
        law.unchangedSides();
        law.bothSides();
    }

    private static Model edited(Models models, Model model) {
        var edited = model;
        for (int i = 0, count = 1 + models.pick(3); i < count; i++) {
            edited = models.edit(edited);
        }
        return edited;
    }

    private PackageReader.Result read(Model model, String mark, long number) {
        var all = new HashSet<String>();
        model.definitions().forEach(definition -> {
            all.add(definition.id());
            Things.within(definition, thing -> {
                if (!Things.shape(thing).scoped(thing)) {
                    all.add(Things.shape(thing).id(thing));
                }
            });
        });
        var written = withIds ? model : Identities.renamed(model, Identities.forgotten(all));
        var files = PackageWriter.write(new ModelPackage(MANIFEST, written, List.of()));
        if (mark != null) {
            files.replaceAll((name, bytes) -> commented(name, bytes, mark, new Random(number + name.hashCode())));
        }
        var read = PackageReader.read(files, List.of());
        holds(read.content().isPresent(), read.findings().toString());
        return read;
    }

    /** A comment above a line of a list of fields, where each stands on a line of its own. */
    private static byte[] commented(String name, byte[] bytes, String mark, Random draw) {
        var lines = new ArrayList<>(
                new String(bytes, StandardCharsets.UTF_8).lines().toList());
        if (!name.startsWith("types/") || draw.nextInt(3) > 0) {
            return bytes;
        }
        for (int i = lines.size() - 1; i > 0; i--) {
            var line = lines.get(i);
            if (line.matches(" {6}- \\{.*") && draw.nextInt(2) == 0) {
                lines.add(i, "      # " + mark + i);
                break;
            }
        }
        return (String.join("\n", lines) + "\n").getBytes(StandardCharsets.UTF_8);
    }

    private void holds(boolean condition, String what) {
        if (!condition) {
            throw new AssertionError(seed + what);
        }
    }

    private PackageMerge.MergedPackage merge(
            PackageReader.Result first, PackageReader.Result second, PackageReader.Result third) {
        return PackageMerge.merge(first, second, third, true, new Ids(new Random(1)));
    }

    private void unchangedSides() {
        for (var sides : List.of(List.of(base, ours), List.of(ours, base), List.of(ours, ours))) {
            var merged = merge(base, sides.get(0), sides.get(1));
            holds(merged.clashes().isEmpty(), "clashes without two edits " + merged.clashes());
            holds(MergeFacts.same(merged.files(), ours.files()), "not to the byte");
        }
    }

    private void bothSides() {
        var alignment = Alignment.of(MergeFacts.side(base), MergeFacts.side(ours), MergeFacts.side(theirs), ids);
        var models = alignment.sides();
        var merged = Merge.merge(models.get(0), models.get(1), models.get(2), alignment.madeUp());
        for (int side = 1; side <= 2; side++) {
            kept(models, side, merged);
        }
        merged.clashes()
                .forEach(clash -> ID.matcher(clash.sentence())
                        .results()
                        .forEach(found -> holds(
                                !alignment.madeUp().contains(found.group()), "a made-up id in " + clash.sentence())));
        var files = merge(base, ours, theirs);
        var back = merge(base, theirs, ours);
        holds(
                files.clashes().isEmpty() == back.clashes().isEmpty(),
                "clashes one way only: " + files.clashes() + " and " + back.clashes());
        if (files.clashes().isEmpty()) {
            sound(files, back);
            comments(files, models);
        }
    }

    /** Every change of a side is a change of the merged model too, or something clashes at it, around it or within it. */
    private void kept(List<Model> models, int side, Clash.MergedModel merged) {
        var base = models.getFirst();
        var done = MergeFacts.facts(Comparison.of(base, merged.model()));
        var result = Located.index(new ArrayList<>(merged.model().definitions()));
        var index = models.stream()
                .map(model -> Located.index(new ArrayList<>(model.definitions())))
                .toList();
        var clashed = new HashSet<String>();
        merged.clashes()
                .forEach(clash -> clashed.add(clash.elementId().isEmpty() ? clash.typeId() : clash.elementId()));
        for (var change :
                MergeFacts.single(Comparison.of(base, models.get(side)).changes())) {
            var fact = MergeFacts.fact(change);
            boolean covered = done.contains(fact)
                    || (change instanceof Change.Removed
                            && !result.containsKey(change.subject().elementId()))
                    || within(change.subject().elementId(), clashed, index)
                    || clashed.stream()
                            .anyMatch(id -> within(id, Set.of(change.subject().elementId()), index))
                    || (change instanceof Change.Reordered order
                            && MergeFacts.keptOrder(order, models.get(3 - side), merged, base));
            holds(
                    covered,
                    (side == 1 ? "ours: " : "theirs: ") + Sentences.of(change) + " is neither in "
                            + Comparison.of(base, merged.model()).changes().stream()
                                    .map(Sentences::of)
                                    .toList()
                            + " nor in " + merged.clashes());
        }
    }

    /** Whether a thing is one of some, or stands within one, in any of the models. */
    private static boolean within(String id, Set<String> some, List<Map<String, Located>> models) {
        for (var index : models) {
            for (var at = index.get(id); at != null; at = at.owner()) {
                if (some.contains(at.key())) {
                    return true;
                }
            }
        }
        return false;
    }

    private void sound(PackageMerge.MergedPackage merged, PackageMerge.MergedPackage back) {
        var read = PackageReader.read(new TreeMap<>(merged.files()), List.of());
        holds(read.content().isPresent(), "the result cannot be read: " + read.findings());
        var findings = ModelCheck.check(read.content().get().model());
        holds(!Finding.blocks(findings), "the result does not pass the check: " + findings);
        var other = PackageReader.read(new TreeMap<>(back.files()), List.of());
        var alignment = Alignment.of(MergeFacts.side(read), MergeFacts.side(other), ids);
        var differences = Comparison.of(
                        alignment.sides().get(0), alignment.sides().get(1))
                .changes();
        holds(
                differences.stream().allMatch(Change.Reordered.class::isInstance),
                "it depends on who is called ours: "
                        + differences.stream().map(Sentences::of).toList());
    }

    private void comments(PackageMerge.MergedPackage merged, List<Model> models) {
        var all = new HashSet<String>();
        merged.files().values().forEach(bytes -> MergeFacts.marks(bytes, all));
        var sides = List.of(ours, theirs);
        for (int side = 0; side < 2; side++) {
            boolean removes = Comparison.of(models.getFirst(), models.get(2 - side)).changes().stream()
                    .anyMatch(change -> change instanceof Change.Removed || change instanceof Change.KindChanged);
            var own = new HashSet<String>();
            sides.get(side).files().values().forEach(bytes -> MergeFacts.marks(bytes, own));
            holds(removes || all.containsAll(own), "comments " + own + " are not all in " + all);
        }
    }
}

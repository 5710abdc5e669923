package org.jontrel.core.generated;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.compare.Change;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.compare.Sentences;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.merge.Merge;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.plan.Planner;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Question;
import org.jontrel.core.plan.undo.UndoPlanner;
import org.testng.annotations.Test;

/** Laws that hold for every model; each case's seed is in its message. */
public class LawsTest {
    private static final int CASES = Integer.getInteger("laws", 250);
    private static final Manifest MANIFEST = Manifest.of("laws", "1.0.0", "", List.of(), "", "");

    private interface Law {
        void holds(Models models, Model model, String seed);
    }

    private static void forAll(Law law) {
        for (long seed = 1; seed <= CASES; seed++) {
            var models = new Models(seed);
            law.holds(models, models.model(), "seed " + seed);
        }
    }

    @Test
    public void generatedModelsPassAllChecks() {
        forAll((models, model, seed) -> {
            assertFalse(Finding.blocks(ModelCheck.check(model)), seed + ModelCheck.check(model));
            assertFalse(Finding.blocks(ModelCheck.check(models.edit(model))), seed);
        });
    }

    @Test
    public void readingWhatWasWrittenGivesTheSameModelAndTheSameBytes() {
        forAll((_, model, seed) -> {
            var files = PackageWriter.write(new ModelPackage(MANIFEST, model, List.of()));
            var read = PackageReader.read(files, List.of());
            assertEquals(read.findings(), List.of(), seed);
            assertEquals(read.content().orElseThrow().model(), model, seed);
            var again = PackageWriter.write(read.content().orElseThrow());
            files.forEach((name, bytes) -> assertEquals(again.get(name), bytes, seed + " " + name));
        });
    }

    @Test
    public void aModelIsTheSameOnlyAsItself() {
        forAll((models, model, seed) -> {
            assertTrue(Comparison.of(model, model).isEmpty(), seed);
            var edited = models.edit(model);
            assertFalse(Comparison.of(model, edited).isEmpty(), seed);
            var there = Comparison.of(model, edited).changes();
            var back = Comparison.of(edited, model).changes();
            var missing = inverses(there);
            missing.removeAll(back);
            assertEquals(missing.toString(), "[]", seed);
            assertEquals(back.size(), there.size(), seed);
        });
    }

    private static Set<Change> inverses(List<Change> changes) {
        return changes.stream().map(Change::inverse).collect(Collectors.toSet());
    }

    @Test
    public void makingTheChangesGivesTheOtherModel() {
        forAll((models, model, seed) -> {
            var edited = models.edit(models.edit(models.edit(model)));
            assertEquals(Comparison.of(model, edited).applyTo(model), edited, seed);
            assertEquals(Comparison.of(edited, model).applyTo(edited), model, seed);
            var other = models.model();
            assertEquals(Comparison.of(model, other).applyTo(model), other, seed);
        });
    }

    @Test
    public void mergingWithWhatDidNotChangeGivesWhatDid() {
        forAll((models, base, seed) -> {
            var ours = models.edit(models.edit(base));
            for (var merged : List.of(
                    Merge.merge(base, ours, base), Merge.merge(base, base, ours), Merge.merge(base, ours, ours))) {
                assertEquals(merged.clashes(), List.of(), seed);
                assertEquals(merged.model(), ours, seed);
            }
        });
    }

    @Test
    public void aMergeHasBothSidesOrSaysWhereTheyClash() {
        forAll((models, base, seed) -> {
            var ours = models.edit(base);
            var theirs = models.edit(base);
            var merged = Merge.merge(base, ours, theirs);
            var other = Merge.merge(base, theirs, ours);
            assertEquals(merged.clashes().size(), other.clashes().size(), seed + merged.clashes() + other.clashes());
            if (!merged.clashes().isEmpty()) {
                return;
            }
            assertFalse(Finding.blocks(ModelCheck.check(merged.model())), seed);
            var wanted = new TreeSet<>(facts(base, ours));
            wanted.addAll(facts(base, theirs));
            var done = facts(base, merged.model());
            wanted.removeAll(done);
            assertEquals(wanted.toString(), "[]", seed + " not in " + done);
            assertTrue(onlyOrder(merged.model(), other.model()), seed);
            var files = PackageWriter.write(new ModelPackage(MANIFEST, merged.model(), List.of()));
            assertEquals(
                    PackageReader.read(files, List.of()).content().orElseThrow().model(), merged.model(), seed);
        });
    }

    @Test
    public void editsOfDifferentDefinitionsMergeToBoth() {
        forAll((models, base, seed) -> {
            var ours = models.edit(base);
            var theirs = models.edit(base);
            var mine = touched(base, ours);
            var other = touched(base, theirs);
            if (mine.stream().anyMatch(other::contains)) {
                return;
            }
            var both = Comparison.of(base, theirs).applyTo(ours);
            var merged = Merge.merge(base, ours, theirs);
            if (!Finding.blocks(ModelCheck.check(both))) {
                assertEquals(merged.clashes(), List.of(), seed);
                assertEquals(merged.model(), both, seed);
            }
        });
    }

    private static Set<String> touched(Model before, Model after) {
        var ids = new HashSet<String>();
        List.of(before, after)
                .forEach(model -> model.definitions().stream()
                        .filter(each -> !before.definitions().contains(each)
                                || !after.definitions().contains(each))
                        .forEach(each -> ids.add(each.id())));
        return ids;
    }

    /** What changed of what, wherever it stands: order is brought together by neighbours and may differ. */
    private static TreeSet<String> facts(Model before, Model after) {
        var facts = new TreeSet<String>();
        for (var change : Comparison.of(before, after).changes()) {
            var property = change instanceof Change.Changed changed
                    ? changed.difference().name()
                    : "";
            if (!(change instanceof Change.Reordered)) {
                facts.add(Sentences.word(change) + " " + change.subject().elementId() + " " + property);
            }
        }
        return facts;
    }

    private static boolean onlyOrder(Model a, Model b) {
        return Comparison.of(a, b).changes().stream().allMatch(Change.Reordered.class::isInstance);
    }

    @Test
    public void everyPlanCanBeTurnedAroundAndNeedsNoAnswerWithoutRecords() {
        forAll((models, from, seed) -> {
            var to = models.edit(models.edit(from));
            var planner = new Planner(new Ids(new java.util.Random(1)));
            var none = new HashMap<Question, Answer>();
            var plan = planner.plan(from, to, none, List.of());
            assertTrue(plan.asks().isEmpty(), seed);
            assertTrue(plan.runnable(), seed + plan.findings());
            var steps = plan.steps().stream().map(planned -> planned.step()).toList();
            for (int i = 1; i < steps.size(); i++) {
                assertTrue(steps.get(i).phase().compareTo(steps.get(i - 1).phase()) >= 0, seed);
            }
            var undo = new UndoPlanner(new Ids(new java.util.Random(2)));
            var back = undo.plan(to, from, undo.steps(steps), new HashMap<>());
            assertEquals(back.steps().isEmpty(), steps.isEmpty(), seed);
            assertTrue(back.runnable(), seed);
        });
    }

    @Test
    public void mangledPackagesGiveFindingsAndNothingElse() {
        forAll((models, model, seed) -> {
            var files = PackageWriter.write(new ModelPackage(MANIFEST, model, List.of()));
            var mangled = new TreeMap<String, byte[]>();
            files.forEach((name, bytes) -> mangled.put(name, models.pick(2) == 0 ? models.mangle(bytes) : bytes));
            try {
                PackageReader.read(mangled, List.of()).findings().forEach(Finding::sentence);
                var zip = models.mangle(PackageFiles.toZip(files));
                var findings = new java.util.ArrayList<Finding>();
                var read = PackageReader.read(PackageFiles.zip(zip, findings), findings);
                read.content()
                        .ifPresent(content -> ModelCheck.check(content.model()).forEach(Finding::sentence));
            } catch (RuntimeException e) {
                throw new AssertionError(seed, e);
            }
        });
    }
}

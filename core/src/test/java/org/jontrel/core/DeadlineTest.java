package org.jontrel.core;

import static org.testng.Assert.assertThrows;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.infer.Infer;
import org.jontrel.core.merge.PackageMerge;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.plan.Planner;
import org.jontrel.core.work.Deadline;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Whatever a person may ask for stops soon after its deadline. */
public class DeadlineTest {
    private static final Ids IDS = new Ids(new Random(1));

    @AfterMethod
    public void clear() {
        Deadline.clear();
    }

    @DataProvider
    public Object[][] work() {
        var before = Examples.seedBank();
        var after = Examples.seedBank(
                before,
                Map.of("types/accession.yaml", Examples.edited("types/accession.yaml", "label: ", "label: New ")));
        var files = Examples.files(Examples.SEED_BANK);
        var read = read(before);
        var changed = read(after);
        var other = read(Examples.seedBank(
                before,
                Map.of(
                        "types/person.yaml",
                        Examples.edited("types/person.yaml", "plural: ", "description: Someone.\nplural: "))));
        return new Object[][] {
            {"read", (Runnable) () -> PackageReader.read(files, List.of())},
            {"check", (Runnable) () -> ModelCheck.check(before)},
            {"compare", (Runnable) () -> Comparison.of(before, after)},
            {"merge", (Runnable) () -> PackageMerge.merge(read, changed, other, false, IDS)},
            {"infer", (Runnable) () -> new Infer(before, Set.of(), IDS).fields("Length\t\n12 m\t\n")},
            {"plan", (Runnable) () -> new Planner(IDS).questions(before, after)},
        };
    }

    private static PackageReader.Result read(Model model) {
        var manifest = PackageReader.read(Examples.files(Examples.SEED_BANK), List.of())
                .content()
                .orElseThrow()
                .manifest();
        return PackageReader.read(PackageWriter.write(new ModelPackage(manifest, model, List.of())), List.of());
    }

    @Test(dataProvider = "work")
    public void workStopsAtItsDeadline(String name, Runnable work) {
        work.run();
        Deadline.set(Duration.ofHours(1));
        work.run();
        Deadline.set(Duration.ofSeconds(-1));
        assertThrows(Deadline.Passed.class, work::run);
        Deadline.clear();
        work.run();
    }
}

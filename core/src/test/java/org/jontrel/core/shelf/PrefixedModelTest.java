package org.jontrel.core.shelf;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.generated.Models;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;
import org.testng.annotations.Test;

/** Keys with a word before them: everything goes on leading where it led, also once it was written to files and read. */
public class PrefixedModelTest {
    private static final int DRAWN = Integer.getInteger("laws", 100);

    @Test
    public void drawnModelsStaySound() {
        for (int seed = 1; seed <= DRAWN; seed++) {
            var model = new Models(seed).model();
            var prefixed = PrefixedModel.of(model, "q");
            assertTrue(
                    prefixed.definitions().stream().allMatch(each -> each.key().startsWith("q_")), "seed " + seed);
            assertEquals(ids(prefixed), ids(model), "seed " + seed);
            assertEquals(
                    Finding.blocks(ModelCheck.check(prefixed)),
                    Finding.blocks(ModelCheck.check(model)),
                    "seed " + seed);
            var manifest = Manifest.of("drawn", "1.0.0", "Drawn", List.of(), "", "");
            var read =
                    PackageReader.read(PackageWriter.write(new ModelPackage(manifest, prefixed, List.of())), List.of());
            assertEquals(read.content().orElseThrow().model(), prefixed, "seed " + seed);
            assertEquals(PackageEdits.of(prefixed, prefixed, "drawn 1.0.0"), List.of());
        }
    }

    private static List<String> ids(Model model) {
        return model.definitions().stream().map(Definition::id).sorted().toList();
    }

    @Test
    public void withoutAWordItIsTheSame() {
        var model = new Models(1).model();
        assertEquals(PrefixedModel.of(model, ""), model);
    }

    @Test
    public void wordsThatMakeKeysTooLongAreTold() {
        var model = new Models(1).model();
        assertFalse(Finding.blocks(ModelCheck.check(model)));
        assertTrue(Finding.blocks(ModelCheck.check(PrefixedModel.of(model, "a".repeat(40)))));
    }
}

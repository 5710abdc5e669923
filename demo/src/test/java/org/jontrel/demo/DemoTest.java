package org.jontrel.demo;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import javax.imageio.ImageIO;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Model;
import org.jontrel.core.record.RecordCheck;
import org.jontrel.core.record.Surroundings;
import org.jontrel.core.recordtype.RecordType;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class DemoTest {
    @DataProvider
    public Object[][] packages() {
        return new Object[][] {{"release-1.0.0"}, {"release-2.0.0"}, {"draft"}, {"pages"}};
    }

    @Test(dataProvider = "packages")
    public void everyPackageReadsAndChecksClean(String folder) {
        assertEquals(
                PackageReader.read(DemoPackages.files(folder), List.of())
                        .findings()
                        .toString(),
                "[]");
        assertEquals(sentences(DemoPackages.model(folder)).toString(), "[]");
    }

    private static List<String> sentences(Model model) {
        return ModelCheck.check(model).stream().map(Finding::sentence).toList();
    }

    @Test
    public void theVersionsAreTheAdvisedOnes() {
        var first = DemoPackages.model("release-1.0.0");
        var second = DemoPackages.model("release-2.0.0");
        assertEquals(Comparison.of(first, second).nextVersion("1.0.0"), "2.0.0");
        var third = DemoPackages.model("pages");
        assertEquals(Comparison.of(second, third).nextVersion("2.0.0"), "3.0.0");
        var fourth = DemoPackages.model("moves");
        assertEquals(sentences(fourth).toString(), "[]");
        assertEquals(Comparison.of(third, fourth).nextVersion("3.0.0"), "4.0.0");
        var next = DemoPackages.next();
        assertEquals(sentences(next).toString(), "[]");
        assertEquals(Comparison.of(fourth, next).nextVersion("4.0.0"), "4.1.0");
    }

    @Test
    public void recordsFitTheirDefinitionsAndAreTheSameEachTime() {
        for (boolean newer : new boolean[] {false, true}) {
            var model = DemoPackages.model(newer ? "release-2.0.0" : "release-1.0.0");
            var records = new DemoRecords(5);
            var again = new DemoRecords(5);
            for (int i = 1; i <= 200; i++) {
                var structure = records.structure(i, newer);
                assertEquals(again.structure(i, newer), structure);
                assertEquals(check(model, "structure", structure).findings(), List.of());
                var mooring = records.mooring(i, newer);
                assertEquals(again.mooring(i, newer), mooring);
                assertEquals(check(model, "mooring", mooring).findings(), List.of());
                var notice = records.notice(i, false);
                assertEquals(again.notice(i, false), notice);
                var checked = check(model, "stoppage_notice", notice);
                assertTrue(checked.findings().isEmpty() && checked.missing().isEmpty());
            }
        }
    }

    /** Without them nothing that mends records could be shown. */
    @Test
    public void recordsHaveTheFlawsThatRealContentHas() {
        var model = DemoPackages.model("release-1.0.0");
        var records = new DemoRecords(2);
        var gates = new TreeSet<String>();
        var rises = new TreeSet<String>();
        int numbered = 0;
        int blank = 0;
        for (int i = 1; i <= 400; i++) {
            var structure = records.structure(i, false);
            gates.add(String.valueOf(structure.get("gates")));
            rises.add(String.valueOf(structure.get("rise")));
            numbered += records.mooring(i, false).containsKey("charge_3") ? 1 : 0;
            var draft = check(model, "stoppage_notice", records.notice(i, true));
            assertEquals(draft.findings(), List.of(), "a draft lacks something, but is not wrong");
            blank += draft.missing().isEmpty() ? 0 : 1;
        }
        assertTrue(gates.containsAll(List.of("Good", "good", "GOOD - no leaks")), "one state, spelt three ways");
        assertTrue(rises.containsAll(List.of("8 ft 6 in", "2.59 m", "about 9ft")), "measures typed as text");
        assertTrue(numbered > 50, "numbered fields that want to be rows");
        assertTrue(blank > 50, "required values that are blank");
    }

    private static RecordCheck.CheckedRecord check(Model model, String key, Map<String, ?> raw) {
        var type = model.typeByKey(key).orElseThrow();
        return RecordCheck.read(RecordType.of(model, type).orElseThrow(), raw, Surroundings.NONE);
    }

    @Test
    public void picturesAreRealAndTheSameEachTime() throws IOException {
        var bytes = Pictures.draw("lock", 3);
        assertEquals(bytes, Pictures.draw("lock", 3));
        var picture = ImageIO.read(new ByteArrayInputStream(bytes));
        assertEquals(List.of(picture.getWidth(), picture.getHeight()), List.of(Pictures.WIDTH, Pictures.HEIGHT));
    }
}

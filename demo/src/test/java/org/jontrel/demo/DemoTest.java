package org.jontrel.demo;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.List;
import javax.imageio.ImageIO;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.value.RecordCheck;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class DemoTest {
    @DataProvider
    public Object[][] packages() {
        return new Object[][] {{"release-1.0.0"}, {"release-2.0.0"}, {"draft"}};
    }

    @Test(dataProvider = "packages")
    public void everyPackageReadsAndChecksClean(String folder) {
        assertEquals(PackageReader.read(Packages.files(folder), List.of()).findings(), List.of());
        assertEquals(ModelCheck.check(Packages.model(folder)), List.of());
    }

    @Test
    public void theVersionsAreTheAdvisedOnes() {
        var first = Packages.model("release-1.0.0");
        var second = Packages.model("release-2.0.0");
        assertEquals(Comparison.of(first, second).nextVersion("1.0.0"), "2.0.0");
        assertEquals(Comparison.of(second, Packages.model("draft")).nextVersion("2.0.0"), "3.0.0");
    }

    @Test
    public void recordsFitTheirDefinitionsAndAreTheSameEachTime() {
        for (boolean newer : new boolean[] {false, true}) {
            var model = Packages.model(newer ? "release-2.0.0" : "release-1.0.0");
            var records = new Records(5);
            var again = new Records(5);
            for (int i = 1; i <= 200; i++) {
                var structure = records.structure(i, newer);
                assertEquals(again.structure(i, newer), structure);
                assertEquals(
                        RecordCheck.read(model.typeByKey("structure").orElseThrow(), structure)
                                .findings(),
                        List.of());
                var mooring = records.mooring(i, newer);
                assertEquals(again.mooring(i, newer), mooring);
                assertEquals(
                        RecordCheck.read(model.typeByKey("mooring").orElseThrow(), mooring)
                                .findings(),
                        List.of());
                var notice = records.notice(i);
                assertEquals(again.notice(i), notice);
                var checked =
                        RecordCheck.read(model.typeByKey("stoppage_notice").orElseThrow(), notice);
                assertTrue(checked.findings().isEmpty() && checked.missing().isEmpty());
            }
        }
    }

    @Test
    public void picturesAreRealAndTheSameEachTime() throws IOException {
        var bytes = Pictures.draw("lock", 3);
        assertEquals(bytes, Pictures.draw("lock", 3));
        var picture = ImageIO.read(new ByteArrayInputStream(bytes));
        assertEquals(List.of(picture.getWidth(), picture.getHeight()), List.of(Pictures.WIDTH, Pictures.HEIGHT));
    }
}

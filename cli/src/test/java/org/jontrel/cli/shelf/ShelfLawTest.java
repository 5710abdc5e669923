package org.jontrel.cli.shelf;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.jontrel.cli.CommandResult;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.generated.Models;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;
import org.testng.annotations.Test;

/** For models drawn at random: what a package brings is there as it has it, before and after a newer version. */
public class ShelfLawTest {
    private static final int DRAWN = Integer.getInteger("shelf.cases", 8);
    private static final int FIRST = Integer.getInteger("shelf.from", 1);
    private static final String OWN =
            "id: lown00001\nkey: own_list\ntitle: Own list\noptions: [{id: oone00001, key: one, label: One}]\n";

    @Test
    public void aFolderHasWhatItsPackagesBring() throws IOException {
        for (int seed = FIRST; seed < FIRST + DRAWN; seed++) {
            var root = Files.createTempDirectory("shelf-law");
            var models = new Models(seed);
            var first = models.model();
            var second = first;
            for (int i = 0; i < 1 + seed % 5; i++) {
                second = models.edit(second);
            }
            var folder = Files.createDirectories(root.resolve("mine"));
            Files.writeString(folder.resolve("package.yaml"), "format: 1\nname: mine\nversion: 1.0.0\ntitle: Mine\n");
            Files.createDirectories(folder.resolve("lists"));
            Files.writeString(folder.resolve("lists/own_list.yaml"), OWN);
            publish(root, "1.0.0", first);
            done(seed, "require", folder, "drawn", "--shelf", root.resolve("shelf"));
            assertEquals(brought(folder), first, "seed " + seed);
            publish(root, "1.1.0", second);
            done(seed, "update", folder, "--shelf", root.resolve("shelf"));
            assertEquals(brought(folder), second, "seed " + seed);
            assertEquals(Files.readString(folder.resolve("lists/own_list.yaml")), OWN, "seed " + seed);
            assertTrue(!done(seed, "check", folder).out().contains("PACKAGE_"), "seed " + seed);
            done(seed, "require", folder, "drawn", "--remove", "--shelf", root.resolve("shelf"));
            assertEquals(brought(folder), Model.EMPTY, "seed " + seed);
        }
    }

    private static CommandResult done(int seed, Object... arguments) {
        var said = CommandResult.run(arguments);
        boolean isSound = said.code() == 0 || arguments[0].equals("check");
        assertTrue(isSound, "seed " + seed + ": " + said.out() + said.err());
        return said;
    }

    private static void publish(Path root, String version, Model model) throws IOException {
        var folder = root.resolve("package-" + version);
        var manifest = Manifest.of("drawn", version, "Drawn", List.of(), "", "");
        for (var each : PackageWriter.write(new ModelPackage(manifest, model, List.of()))
                .entrySet()) {
            var file = folder.resolve(each.getKey());
            Files.createDirectories(file.getParent());
            Files.write(file, each.getValue());
        }
        var said = CommandResult.run("shelf", "publish", folder, root.resolve("shelf"));
        assertEquals(said.code(), 0, said.out() + said.err());
    }

    /** What stands in the folder beside its own. */
    private static Model brought(Path folder) throws IOException {
        var read = PackageReader.read(PackageFiles.read(folder, new ArrayList<>()), List.of());
        return new Model(read.content().orElseThrow().model().definitions().stream()
                .filter(each -> !each.id().equals("lown00001"))
                .map(Definition.class::cast)
                .toList());
    }
}

package org.jontrel.cli.shelf;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.TreeMap;
import org.jontrel.cli.CommandResult;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Packages are put on a shelf, taken from it, added to, brought to newer versions, and kept from being changed by hand. */
public class ShelfTest {
    private static final String PLACE = """
            key: place
            singular: Place
            plural: Places
            path: places
            parts: [title]
            groups:
              - title: Where
                fields:
                  - {key: town, label: Town, kind: text}
            """;
    private static final String WALK = """
            # walks are ours
            key: walk
            singular: Walk
            plural: Walks
            path: walks
            parts: [title]
            groups:
              - title: Way
                fields:
                  - {key: start, label: Starts at, kind: relation, to: [place]}
            """;

    private Path root;
    private Path shelf;
    private Path mine;

    @BeforeMethod
    public void start() throws IOException {
        root = Files.createTempDirectory("shelf");
        shelf = root.resolve("shelf");
        mine = folder("waters", "1.0.0", "");
        write(mine, "types/walk.yaml", WALK.replace("to: [place]", "to: [walk]"));
        publish("1.0.0", PLACE);
    }

    private static CommandResult done(Object... arguments) {
        var said = CommandResult.run(arguments);
        assertEquals(said.code(), 0, said.out() + said.err());
        return said;
    }

    private Path folder(String name, String version, String requires) throws IOException {
        var folder = root.resolve(name);
        write(
                folder,
                "package.yaml",
                "format: 1\nname: %s\nversion: %s\ntitle: %s\nlicence: CC0-1.0\n%s"
                        .formatted(name, version, name, requires));
        return folder;
    }

    private static void write(Path folder, String name, String text) throws IOException {
        Files.createDirectories(folder.resolve(name).getParent());
        Files.writeString(folder.resolve(name), text);
    }

    private CommandResult publish(String version, String place) throws IOException {
        var places = folder("shared-places", version, "");
        write(places, "types/place.yaml", place);
        return done("shelf", "publish", places, shelf);
    }

    private static TreeMap<String, String> files(Path folder) throws IOException {
        var all = new TreeMap<String, String>();
        try (var paths = Files.walk(folder)) {
            for (var each : paths.filter(Files::isRegularFile).toList()) {
                all.put(folder.relativize(each).toString(), Arrays.toString(Files.readAllBytes(each)));
            }
        }
        return all;
    }

    private String read(String name) throws IOException {
        return Files.readString(mine.resolve(name));
    }

    @Test
    public void aPackageIsTakenUsedAddedToAndBroughtToTheNextVersion() throws IOException {
        var said = done("require", mine, "shared-places", "--shelf", shelf);
        assertTrue(said.out().startsWith("shared-places 1.0.0\n"), said.out());
        assertTrue(said.out().contains("Place"), "what came is told: " + said.out());
        assertTrue(read("package.yaml").contains("shared-places"), read("package.yaml"));
        write(mine, "types/walk.yaml", WALK);
        var place = read("types/place.yaml");
        write(
                mine,
                "types/place.yaml",
                place + "  - title: For walkers\n    fields:\n      # asked for by the wardens\n"
                        + "      - {key: bench, label: Bench, kind: yes_no}\n");
        done("check", mine);
        done("generate", "json-schema", mine, "-o", root.resolve("out"));

        publish(
                "1.1.0",
                PLACE.replace("label: Town,", "label: Town or village,")
                        + "      - {key: county, label: County, kind: text}\n");
        var updated = done("update", mine, "--shelf", shelf);
        assertTrue(updated.out().startsWith("shared-places 1.1.0\n"), updated.out());
        assertTrue(updated.out().contains("Town or village"), updated.out());
        var after = read("types/place.yaml");
        assertTrue(after.contains("bench") && after.contains("# asked for by the wardens"), after);
        assertTrue(after.contains("county") && after.contains("Town or village"), after);
        assertTrue(read("types/walk.yaml").startsWith("# walks are ours"), "own files stay as they were");
        assertTrue(Files.exists(mine.resolve("packages/shared-places-1.1.0.zip")));
        assertFalse(Files.exists(mine.resolve("packages/shared-places-1.0.0.zip")));
        done("check", mine);
        var before = files(mine);
        done("update", mine, "--shelf", shelf);
        assertEquals(files(mine), before, "nothing is newer");
    }

    @Test
    public void whatAPackageBringsIsNotChangedInPlace() throws IOException {
        done("require", mine, "shared-places", "--shelf", shelf);
        var changed = read("types/place.yaml").replace("label: Town", "label: City");
        write(mine, "types/place.yaml", changed);
        var said = CommandResult.run("check", mine);
        assertEquals(said.code(), 1);
        assertTrue(said.out().contains("types/place.yaml") && said.out().contains("PACKAGE_EDITED"), said.out());
        assertTrue(said.out().contains("This comes from shared-places 1.0.0, and was changed here:"), said.out());
        Files.delete(mine.resolve("types/place.yaml"));
        assertTrue(CommandResult.run("check", mine).out().contains("PACKAGE_EDITED"), "what is gone is told, too");
        write(mine, "types/place.yaml", changed);
        publish("1.1.0", PLACE.replace("label: Town", "label: Town or village"));
        var before = files(mine);
        var update = CommandResult.run("update", mine, "--shelf", shelf);
        assertEquals(update.code(), 1, update.out());
        assertTrue(update.out().contains("City"), update.out());
        assertEquals(files(mine), before, "nothing was written");
    }

    @Test
    public void collidingKeysAreToldAndMappedUnderAPrefix() throws IOException {
        write(mine, "types/place.yaml", PLACE.replace("Place", "Spot").replace("path: places", "path: spots"));
        var before = files(mine);
        var said = CommandResult.run("require", mine, "shared-places", "--shelf", shelf);
        assertEquals(said.code(), 1, said.out() + said.err());
        assertEquals(
                said.out(),
                "There is a content type with the key place already, and shared-places brings one of its own.\n");
        assertTrue(said.err().contains("--prefix"), said.err());
        assertEquals(files(mine), before);
        var taken = done("require", mine, "shared-places", "^1", "--prefix", "county", "--shelf", shelf);
        assertTrue(taken.out().startsWith("shared-places 1.0.0 as county\n"), taken.out());
        assertTrue(read("types/county_place.yaml").contains("path: county-places"), read("types/county_place.yaml"));
        done("check", mine);
        publish("1.1.0", PLACE.replace("label: Town", "label: Town or village"));
        done("update", mine, "--shelf", shelf);
        assertTrue(read("types/county_place.yaml").contains("Town or village"));
        done("check", mine);
    }

    @Test
    public void packagesBringWhatTheyNeedThemselves() throws IOException {
        var trails = folder("trails", "1.0.0", "");
        done("require", trails, "shared-places", "--shelf", shelf);
        write(trails, "types/walk.yaml", WALK);
        done("shelf", "publish", trails, shelf);
        Files.delete(mine.resolve("types/walk.yaml"));
        var said = done("require", mine, "trails", "--shelf", shelf);
        assertTrue(said.out().startsWith("shared-places 1.0.0\ntrails 1.0.0\n"), said.out());
        assertTrue(read("types/walk.yaml").contains("to: [place]"), read("types/walk.yaml"));
        done("check", mine);
        assertEquals(done("shelf", "list", shelf).out(), "shared-places 1.0.0\ntrails 1.0.0\n");
        var gone = done("require", mine, "trails", "--remove", "--shelf", shelf);
        assertTrue(gone.out().contains("Walk"), gone.out());
        assertFalse(Files.exists(mine.resolve("types/walk.yaml")));
        assertFalse(Files.exists(mine.resolve("types/place.yaml")));
        assertFalse(Files.exists(mine.resolve("packages/trails-1.0.0.zip")));
    }

    @Test
    public void versionsThatConflictAreToldAndNothingIsWritten() throws IOException {
        publish("2.0.0", PLACE);
        for (var each : new String[][] {{"trails", "<2"}, {"locks", ">=2"}}) {
            var folder = folder(each[0], "1.0.0", "");
            write(
                    folder,
                    "lists/" + each[0] + ".yaml",
                    "key: %1$s\ntitle: %1$s\noptions: [{key: one, label: One}]\n".formatted(each[0]));
            done("require", folder, "shared-places", each[1], "--shelf", shelf);
            done("shelf", "publish", folder, shelf);
        }
        done("require", mine, "trails", "--shelf", shelf);
        var before = files(mine);
        var said = CommandResult.run("require", mine, "locks", "--shelf", shelf);
        assertEquals(said.code(), 1);
        assertTrue(
                said.out()
                        .contains("No version of shared-places does for all: waters → locks 1.0.0 needs >=2,"
                                + " waters → trails 1.0.0 needs <2."),
                said.out());
        assertEquals(files(mine), before);
    }

    @Test
    public void tamperedPackagesAreRefused() throws IOException {
        done("require", mine, "shared-places", "--shelf", shelf);
        var there = shelf.resolve("shared-places/1.0.0.zip");
        var bytes = Files.readAllBytes(there);
        bytes[bytes.length / 2] ^= 1;
        Files.write(there, bytes);
        var said = CommandResult.run("require", folder("other", "1.0.0", ""), "shared-places", "--shelf", shelf);
        assertEquals(said.code(), 2);
        assertTrue(said.err().contains("is not what was published"), said.err());
        Files.write(mine.resolve("packages/shared-places-1.0.0.zip"), bytes);
        var check = CommandResult.run("check", mine);
        assertEquals(check.code(), 1);
        assertTrue(
                check.out().contains("packages/shared-places-1.0.0.zip is not the file that was installed"),
                check.out());
    }

    @Test
    public void signedShelvesTakeAndGiveNothingElse() throws IOException {
        var signed = root.resolve("signed");
        var key = root.resolve("key");
        var open = done("shelf", "key", key).out().strip();
        assertEquals(Files.getPosixFilePermissions(key).size(), 2, "nobody else reads it");
        var places = root.resolve("shared-places");
        done("shelf", "publish", places, signed, "--key", key);
        assertEquals(Files.readString(signed.resolve("shelf.pub")).strip(), open);
        var unsigned = CommandResult.run("shelf", "publish", places, signed);
        assertEquals(unsigned.code(), 2);
        assertTrue(unsigned.err().contains("Give it with --key"), unsigned.err());
        assertTrue(done("require", mine, "shared-places", "--shelf", signed)
                .out()
                .startsWith("shared-places 1.0.0, signed"));

        write(places, "types/place.yaml", PLACE.replace("Town", "Trap"));
        write(
                places,
                "package.yaml",
                Files.readString(places.resolve("package.yaml")).replace("1.0.0", "1.1.0"));
        done("shelf", "publish", places, shelf);
        for (var ending : new String[] {".zip", ".sha256"}) {
            Files.copy(shelf.resolve("shared-places/1.1.0" + ending), signed.resolve("shared-places/1.1.0" + ending));
        }
        var forged = CommandResult.run("update", mine, "--shelf", signed);
        assertEquals(forged.code(), 2, forged.out());
        assertTrue(forged.err().contains("is not signed with the key of the shelf"), forged.err());
        var other = CommandResult.run("update", mine, "--shelf", shelf);
        assertEquals(other.code(), 2, other.out());
        assertTrue(other.err().contains("with another key than before, or not at all"), other.err());
    }

    @Test
    public void packagesComeFromSeveralShelvesOrStayAsTheyAre() throws IOException {
        done("require", mine, "shared-places", "--shelf", shelf);
        var tides = folder("tides", "1.0.0", "");
        write(tides, "lists/tides.yaml", "key: tides\ntitle: Tides\noptions: [{key: high, label: High}]\n");
        var other = root.resolve("other-shelf");
        done("shelf", "publish", tides, other);
        assertEquals(
                CommandResult.run("require", folder("third", "1.0.0", ""), "shared-places", "--shelf", other)
                        .code(),
                2,
                "another shelf does not have it");
        var said = done("require", mine, "tides", "--shelf", other);
        assertTrue(said.out().startsWith("shared-places 1.0.0\ntides 1.0.0\n"), said.out());
        publish("1.0.5", PLACE.replace("Town", "Town or village"));
        assertTrue(done("update", mine, "tides", "--shelf", other, "--shelf", shelf)
                .out()
                .startsWith("shared-places 1.0.0\n"));
        assertTrue(
                done("update", mine, "--shelf", other, "--shelf", shelf).out().startsWith("shared-places 1.0.5\n"));

        write(root.resolve("shared-places"), "types/place.yaml", PLACE.replace("Town", "Trap"));
        var again = root.resolve("again");
        done("shelf", "publish", root.resolve("shared-places"), again);
        var refused = CommandResult.run("update", mine, "--shelf", again);
        assertEquals(refused.code(), 2, refused.out());
        assertTrue(refused.err().contains("Versions never change"), refused.err());
    }

    @Test
    public void whatCannotBeMeantIsTold() {
        assertTold("=>1 is no range of versions", "require", mine, "shared-places", "=>1", "--shelf", shelf);
        assertTold(
                "Give a word such as bad_one",
                "require",
                mine,
                "shared-places",
                "--prefix",
                "Bad one",
                "--shelf",
                shelf);
        assertTold("Did you mean \"shared-places\"?", "require", mine, "shared-place", "--shelf", shelf);
        assertTold("There is no package tides here", "update", mine, "tides", "--shelf", shelf);
        assertTold("There is no shelf at", "update", mine, "--shelf", root.resolve("nowhere"));
        assertTrue(done("update", mine, "--shelf", shelf).err().contains("No package is required."));
    }

    @Test
    public void aRequirementThatIsWrittenTwiceHoldsTwice() throws IOException {
        publish("1.1.0", PLACE);
        publish("1.2.0", PLACE);
        folder(
                "waters",
                "1.0.0",
                "requires: [{name: shared-places, version: ^1}, {name: shared-places, version: <1.2}]\n");
        assertTrue(done("update", mine, "--shelf", shelf).out().startsWith("shared-places 1.1.0\n"));
        done("check", mine);
    }

    private static void assertTold(String sentence, Object... arguments) {
        var said = CommandResult.run(arguments);
        assertEquals(said.code(), 2, said.out());
        assertTrue(said.err().contains(sentence), said.err());
    }

    @Test
    public void linksLeadNothingOutOfTheFolder() throws IOException {
        var elsewhere = Files.createDirectory(root.resolve("elsewhere"));
        Files.createSymbolicLink(mine.resolve("packages"), elsewhere);
        var said = CommandResult.run("require", mine, "shared-places", "--shelf", shelf);
        assertEquals(said.code(), 2, said.out());
        assertTrue(said.err().contains("leads elsewhere"), said.err());
        assertEquals(files(elsewhere).size(), 0);
    }

    @Test
    public void aVersionOnAShelfNeverChanges() throws IOException {
        var places = root.resolve("shared-places");
        done("shelf", "publish", places, shelf);
        write(places, "types/place.yaml", PLACE.replace("Town", "City"));
        var said = CommandResult.run("shelf", "publish", places, shelf);
        assertEquals(said.code(), 2);
        assertTrue(said.err().contains("lies there already"), said.err());
        write(places, "types/place.yaml", PLACE.replace("path: places", "path: PLACES!"));
        var broken = CommandResult.run("shelf", "publish", places, shelf);
        assertEquals(broken.code(), 1);
        assertTrue(broken.out().contains("types/place.yaml"), broken.out());
    }
}

package org.jontrel.core.shelf;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jontrel.core.code.Ranges;
import org.jontrel.core.code.Requirement;
import org.testng.annotations.Test;

/** One version of each package that does for all that need it, or why there is none. */
public class ResolverTest {
    private static final int SMALL = 400;
    private static final int LARGE = 500;

    /** A shelf in a test. */
    private static final class DrawnShelf implements Shelf {
        private final Map<String, List<ShelvedVersion>> packages = new LinkedHashMap<>();

        /** @param requires name and range in turn */
        DrawnShelf with(String name, String version, String... requires) {
            var needs = IntStream.range(0, requires.length / 2)
                    .mapToObj(i -> new Requirement(requires[2 * i], requires[2 * i + 1], ""))
                    .toList();
            packages.computeIfAbsent(name, _ -> new ArrayList<>()).add(new ShelvedVersion(version, needs));
            return this;
        }

        @Override
        public List<ShelvedVersion> versions(String name) {
            return packages.getOrDefault(name, List.of());
        }
    }

    private static Resolution resolve(Shelf shelf, Map<String, String> preferred, String... requires) {
        var needs = IntStream.range(0, requires.length / 2)
                .mapToObj(i -> new Requirement(requires[2 * i], requires[2 * i + 1], ""))
                .toList();
        return Resolver.resolve("waters", needs, shelf, preferred);
    }

    @Test
    public void theHighestThatDoesForAllIsTaken() {
        var shelf = new DrawnShelf()
                .with("places", "1.2.0")
                .with("places", "1.10.0")
                .with("places", "2.0.0")
                .with("boats", "1.0.0", "places", ">=1.2 <2");
        var found = resolve(shelf, Map.of(), "boats", "^1", "places", ">=1");
        assertEquals(List.copyOf(found.versions().entrySet()).toString(), "[places=1.10.0, boats=1.0.0]");
        assertEquals(
                resolve(shelf, Map.of("places", "1.2.0"), "boats", "^1")
                        .versions()
                        .get("places"),
                "1.2.0",
                "what is there stays where it does");
    }

    @Test
    public void anOlderVersionIsTakenWhereTheNewestFitsNothing() {
        var shelf = new DrawnShelf()
                .with("boats", "2.0.0", "places", ">=3")
                .with("boats", "1.0.0", "places", ">=1")
                .with("icons", "1.0.0")
                .with("icons", "1.1.0")
                .with("places", "1.0.0");
        var found = resolve(shelf, Map.of(), "boats", ">=1", "icons", "^1", "places", "^1");
        assertEquals(found.versions().get("boats"), "1.0.0");
        assertEquals(found.versions().get("icons"), "1.1.0");
    }

    @Test
    public void whyNothingFitsIsToldByTheWaysThatLeadThere() {
        var shelf = new DrawnShelf()
                .with("harbours", "2.1.0", "boats", "^1")
                .with("boats", "1.4.0", "places", ">=2")
                .with("locks", "1.0.0", "places", "<2")
                .with("places", "1.0.0")
                .with("places", "2.3.0");
        assertEquals(
                resolve(shelf, Map.of(), "harbours", "^2", "locks", "^1").problems(),
                List.of("No version of places does for all: waters → harbours 2.1.0 → boats 1.4.0 needs >=2,"
                        + " waters → locks 1.0.0 needs <2. The shelf has 2.3.0, 1.0.0."));
        assertEquals(
                resolve(shelf, Map.of(), "tides", "^1").problems(),
                List.of("There is no package tides on the shelf: waters needs ^1."));
    }

    @Test
    public void circlesAreTold() {
        var shelf = new DrawnShelf()
                .with("boats", "1.0.0", "locks", "^1")
                .with("locks", "1.0.0", "places", "^1")
                .with("places", "1.0.0", "boats", "^1");
        assertEquals(
                resolve(shelf, Map.of(), "boats", "^1").problems(),
                List.of("Packages need one another in a circle: boats → locks → places → boats."
                        + " One of them has to do without the other."));
    }

    private static DrawnShelf drawn(Random random, int packages, int versions) {
        var shelf = new DrawnShelf();
        for (int i = 0; i < packages; i++) {
            for (int version = 1; version <= 1 + random.nextInt(versions); version++) {
                var needs = new ArrayList<String>();
                for (int j = 0; j < random.nextInt(3) && i + 1 < packages; j++) {
                    needs.add("p" + (i + 1 + random.nextInt(packages - i - 1)));
                    needs.add(range(random, versions));
                }
                shelf.with("p" + i, version + ".0.0", needs.toArray(String[]::new));
            }
        }
        return shelf;
    }

    private static String range(Random random, int versions) {
        int at = 1 + random.nextInt(versions);
        return random.nextInt(3) == 0 ? "<=" + at : ">=" + Math.max(1, at - 1);
    }

    /** It finds what there is: as somebody does who tries everything. */
    @Test
    public void itFindsVersionsJustWhereThereAreSome() {
        int found = 0;
        for (int seed = 1; seed <= SMALL; seed++) {
            var random = new Random(seed);
            var shelf = drawn(random, 6, 3);
            var requires = new String[] {"p0", ">=1", "p" + (1 + random.nextInt(5)), range(random, 3)};
            var resolution = resolve(shelf, Map.of(), requires);
            boolean possible =
                    possible(shelf, requires, new ArrayList<>(shelf.packages.keySet()), new LinkedHashMap<>());
            assertEquals(resolution.problems().isEmpty(), possible, "seed " + seed + ": " + resolution.problems());
            if (possible) {
                found++;
                assertTrue(holds(shelf, requires, resolution.versions()), "seed " + seed);
            }
        }
        assertTrue(found > SMALL / 4 && found < SMALL, "both are met: " + found);
    }

    private static boolean possible(
            DrawnShelf shelf, String[] requires, List<String> rest, Map<String, String> chosen) {
        if (rest.isEmpty()) {
            return holds(shelf, requires, chosen);
        }
        var name = rest.getFirst();
        return shelf.versions(name).stream().anyMatch(version -> {
            var next = new LinkedHashMap<>(chosen);
            next.put(name, version.version());
            return possible(shelf, requires, rest.subList(1, rest.size()), next);
        });
    }

    /** Whether everything that is needed, from the start on, is there in a version that does. */
    private static boolean holds(DrawnShelf shelf, String[] requires, Map<String, String> versions) {
        return IntStream.range(0, requires.length / 2)
                .allMatch(i -> holds(shelf, new Requirement(requires[2 * i], requires[2 * i + 1], ""), versions));
    }

    private static boolean holds(DrawnShelf shelf, Requirement requirement, Map<String, String> versions) {
        var version = versions.get(requirement.name());
        return version != null
                && Ranges.holds(version, requirement.version())
                && shelf.versions(requirement.name()).stream()
                        .filter(each -> each.version().equals(version))
                        .allMatch(each -> each.requires().stream().allMatch(next -> holds(shelf, next, versions)));
    }

    @Test
    public void fiveHundredPackagesAreResolvedOrSaidNotToFit() {
        int found = 0;
        for (int seed = 1; seed <= 20; seed++) {
            var random = new Random(seed);
            var shelf = drawn(random, LARGE, 6);
            var requires = Stream.iterate(0, i -> i < 25, i -> i + 1)
                    .flatMap(i -> Stream.of("p" + i, ">=1"))
                    .toArray(String[]::new);
            var resolution = resolve(shelf, Map.of(), requires);
            found += resolution.problems().isEmpty() ? 1 : 0;
            assertTrue(
                    resolution.problems().isEmpty()
                            ? holds(shelf, requires, resolution.versions())
                            : resolution.problems().getFirst().startsWith("No version"),
                    "seed " + seed + ": " + resolution.problems());
        }
        assertTrue(found > 0, "none is resolved");
    }
}

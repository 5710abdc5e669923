package org.jontrel.core.shelf;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jontrel.core.code.Ranges;
import org.jontrel.core.code.Requirement;
import org.semver4j.Semver;

/**
 * Finds one version of each package that is needed, the highest that does for all. Where some that was chosen rules out every
 * version of another, it goes back to what had a part in that, and passes over what had none.
 */
public final class Resolver {
    /** As many versions are tried before it gives up: a real shelf needs a few for each package. */
    private static final int MOST_TRIES = 200_000;

    private final Shelf shelf;
    private final Map<String, String> preferred;
    private final Map<String, String> chosen = new LinkedHashMap<>();
    private final Map<String, List<Need>> needs = new LinkedHashMap<>();
    private final Map<String, List<Shelf.ShelvedVersion>> known = new HashMap<>();
    private List<String> problems = List.of();
    /** How many packages had their version when the problem was met that is told: the deepest says most. */
    private int deepest = -1;

    private int tries;

    /** That somebody needs some versions of a package; {@code by} is empty for the one that is being made. */
    private record Need(String by, String byVersion, String range) {}

    private Resolver(Shelf shelf, Map<String, String> preferred) {
        this.shelf = shelf;
        this.preferred = Map.copyOf(preferred);
    }

    /**
     * @param name of the package that needs them, as it is told
     * @param preferred versions to stay with where they still do, by name
     */
    public static Resolution resolve(
            String name, List<Requirement> requires, Shelf shelf, Map<String, String> preferred) {
        var resolver = new Resolver(shelf, preferred);
        requires.forEach(each -> resolver.need(each, new Need("", "", each.version())));
        var conflict = resolver.choose();
        if (conflict != null) {
            return Resolution.none(resolver.problems.stream()
                    .map(each -> each.replace("\0", name))
                    .toList());
        }
        return resolver.ordered();
    }

    private void need(Requirement requirement, Need need) {
        needs.computeIfAbsent(requirement.name(), _ -> new ArrayList<>()).add(need);
    }

    /** Gives every package a version. @return {@code null} where that is done, else whose choice is to blame */
    private Set<String> choose() {
        var next = needs.entrySet().stream()
                .filter(each -> !each.getValue().isEmpty() && !chosen.containsKey(each.getKey()))
                .map(Map.Entry::getKey)
                .findFirst();
        if (next.isEmpty()) {
            return null;
        }
        var name = next.get();
        var blamed = blamed(name);
        var fitting = fitting(name);
        if (fitting.isEmpty()) {
            tell(List.of(none(name)));
        }
        for (var version : fitting) {
            if (++tries > MOST_TRIES) {
                problems = List.of("No versions that fit together were found for \0 after " + MOST_TRIES
                        + " tries. Name narrower ranges in package.yaml.");
                return new HashSet<>();
            }
            chosen.put(name, version.version());
            version.requires().forEach(each -> need(each, new Need(name, version.version(), each.version())));
            var clash = clash(version, name);
            var conflict = clash == null ? choose() : clash;
            if (conflict == null) {
                return null;
            }
            version.requires().forEach(each -> needs.get(each.name()).removeLast());
            chosen.remove(name);
            if (!conflict.contains(name)) {
                return conflict;
            }
            blamed.addAll(conflict);
        }
        blamed.remove(name);
        return blamed;
    }

    /** Whether a version needs other versions of what was chosen before; {@code null} where it does not. */
    private Set<String> clash(Shelf.ShelvedVersion version, String name) {
        for (var each : version.requires()) {
            var other = chosen.get(each.name());
            if (other != null && !Ranges.holds(other, each.version())) {
                tell(List.of(none(each.name())));
                var blamed = blamed(each.name());
                blamed.add(each.name());
                blamed.add(name);
                return blamed;
            }
        }
        return null;
    }

    private Set<String> blamed(String name) {
        return needs.get(name).stream()
                .map(Need::by)
                .filter(each -> !each.isEmpty())
                .collect(Collectors.toCollection(HashSet::new));
    }

    private List<Shelf.ShelvedVersion> versions(String name) {
        return known.computeIfAbsent(
                name,
                _ -> shelf.versions(name).stream()
                        .filter(each -> Semver.isValid(each.version()))
                        .sorted(Comparator.comparing((Shelf.ShelvedVersion each) -> new Semver(each.version()))
                                .reversed())
                        .toList());
    }

    private List<Shelf.ShelvedVersion> fitting(String name) {
        var all = versions(name).stream()
                .filter(version ->
                        needs.get(name).stream().allMatch(need -> Ranges.holds(version.version(), need.range())))
                .toList();
        var stays = all.stream()
                .filter(each -> each.version().equals(preferred.get(name)))
                .toList();
        var sorted = new ArrayList<>(stays);
        all.stream().filter(each -> !stays.contains(each)).forEach(sorted::add);
        return sorted;
    }

    private void tell(List<String> sentences) {
        if (chosen.size() > deepest) {
            deepest = chosen.size();
            problems = sentences;
        }
    }

    private String none(String name) {
        var paths = needs.get(name).stream()
                .map(need -> path(need.by(), new HashSet<>()) + " needs " + need.range())
                .distinct()
                .sorted()
                .collect(Collectors.joining(", "));
        var there = versions(name).stream().map(Shelf.ShelvedVersion::version).toList();
        return there.isEmpty()
                ? "There is no package " + name + " on the shelf: " + paths + "."
                : "No version of " + name + " does for all: " + paths + ". The shelf has " + some(there) + ".";
    }

    private static String some(List<String> versions) {
        int most = 8;
        return versions.size() <= most
                ? String.join(", ", versions)
                : String.join(", ", versions.subList(0, most)) + " and " + (versions.size() - most) + " older ones";
    }

    /** Who needs something, from the package that is being made: {@code tessel-waters → harbours 2.1.0}. */
    private String path(String by, Set<String> seen) {
        if (by.isEmpty()) {
            return "\0";
        }
        var above = needs.getOrDefault(by, List.of());
        var first = above.isEmpty() || !seen.add(by) ? "" : above.getFirst().by();
        return path(first, seen) + " → " + by + " " + chosen.getOrDefault(by, "");
    }

    /** Each after what it needs; a circle is told. */
    private Resolution ordered() {
        var order = new LinkedHashMap<String, String>();
        for (var each : new TreeSet<>(chosen.keySet())) {
            var circle = place(each, new ArrayList<>(), order);
            if (circle != null) {
                return Resolution.none(List.of("Packages need one another in a circle: " + circle
                        + ". One of them has to do without the other."));
            }
        }
        return new Resolution(order, List.of());
    }

    private String place(String name, List<String> way, Map<String, String> order) {
        if (order.containsKey(name)) {
            return null;
        }
        if (way.contains(name)) {
            return String.join(" → ", way.subList(way.indexOf(name), way.size())) + " → " + name;
        }
        way.add(name);
        var version = versions(name).stream()
                .filter(each -> each.version().equals(chosen.get(name)))
                .findFirst()
                .orElseThrow();
        for (var each : version.requires()) {
            var circle = place(each.name(), way, order);
            if (circle != null) {
                return circle;
            }
        }
        way.removeLast();
        order.put(name, chosen.get(name));
        return null;
    }
}

package org.jontrel.core.compare;

import java.util.List;
import org.jontrel.core.model.Model;
import org.semver4j.Semver;

/**
 * What differs between two models. Things are the same by their id, so a rename is never a removal and an addition.
 *
 * @param changes by definition in the order of the model after, then as they stand in it; what is gone comes last
 */
public record Comparison(List<Change> changes) {
    public Comparison {
        changes = List.copyOf(changes);
    }

    /** Costs as much as what differs, beside one look at every definition. */
    public static Comparison of(Model before, Model after) {
        return new Comparison(new Differ(before, after).run());
    }

    public boolean isEmpty() {
        return changes.isEmpty();
    }

    /** What the worst change advises; a patch where nothing differs. */
    public Advice advice() {
        return changes.stream().map(Change::advice).max(Advice::compareTo).orElse(Advice.PATCH);
    }

    /** The changes that alone make the advice what it is. */
    public List<Change> causes() {
        return changes.stream().filter(change -> change.advice() == advice()).toList();
    }

    /** The version to give the next release after {@code last}; {@code 1.0.0} where there is none. */
    public String nextVersion(String last) {
        if (last == null) {
            return "1.0.0";
        }
        var version = new Semver(last);
        return switch (advice()) {
            case PATCH -> version.nextPatch().getVersion();
            case MINOR -> version.nextMinor().getVersion();
            case MAJOR -> version.nextMajor().getVersion();
        };
    }

    /** The model after, made from the one before: {@code of(a, b).applyTo(a)} equals {@code b}. */
    public Model applyTo(Model before) {
        return new Rebuild(before).apply(changes);
    }
}

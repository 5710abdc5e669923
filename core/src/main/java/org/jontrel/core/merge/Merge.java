package org.jontrel.core.merge;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Severity;
import org.jontrel.core.merge.Clash.Merged;
import org.jontrel.core.model.Model;

/**
 * Brings two models together over the one both come from. Independent changes go together without a word, also within
 * one field; what both sides changed differently is a {@link Clash}, and so is a result that would not pass the checks
 * although both sides did.
 */
public final class Merge {
    private Merge() {}

    public static Merged merge(Model base, Model ours, Model theirs) {
        if (ours.equals(base) || ours.equals(theirs)) {
            return new Merged(theirs, List.of());
        }
        if (theirs.equals(base)) {
            return new Merged(ours, List.of());
        }
        var clashes = new ArrayList<Clash>();
        var merged = new ThreeWay(base, ours, theirs, clashes).run();
        broken(ours, theirs, merged, clashes);
        return new Merged(merged, clashes);
    }

    /** Blockers that neither side has: two things that were fine alone and meet now. */
    private static void broken(Model ours, Model theirs, Model merged, List<Clash> clashes) {
        var known = new HashSet<Finding>(ModelCheck.check(ours));
        known.addAll(ModelCheck.check(theirs));
        ModelCheck.check(merged).stream()
                .filter(finding -> finding.severity() == Severity.BLOCKER && !known.contains(finding))
                .map(finding -> new Clash(
                        finding.place().definition(), finding.place().field(), finding.sentence(), "", "", ""))
                .filter(clash -> clashes.stream().noneMatch(other -> Objects.equals(other, clash)))
                .forEach(clashes::add);
    }
}

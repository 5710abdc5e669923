package org.jontrel.core.merge;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.compare.SettingTexts;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Severity;
import org.jontrel.core.model.Model;

/**
 * Brings two models together over the one both come from. Independent changes go together without a word, also within
 * one field; what both sides changed differently is a {@link Clash}, and so is a result that would not pass the checks
 * although both sides did.
 */
public final class Merge {
    private Merge() {}

    public static Clash.MergedModel merge(Model base, Model ours, Model theirs) {
        return merge(base, ours, theirs, Set.of());
    }

    /** @param madeUp ids that no file gave: what seems gone under them on both sides may have been renamed by both */
    public static Clash.MergedModel merge(Model base, Model ours, Model theirs, Set<String> madeUp) {
        if (ours.equals(base) || ours.equals(theirs)) {
            return new Clash.MergedModel(theirs, List.of());
        }
        if (theirs.equals(base)) {
            return new Clash.MergedModel(ours, List.of());
        }
        var clashes = new ArrayList<Clash>();
        var merged = new ThreeWay(base, ours, theirs, clashes).run(madeUp);
        broken(List.of(base, ours, theirs), merged, clashes);
        return new Clash.MergedModel(merged, clashes);
    }

    /** Blockers that neither side has: two things that were fine alone and meet now. */
    private static void broken(List<Model> models, Model merged, List<Clash> clashes) {
        var blockers = ModelCheck.check(merged).stream()
                .filter(finding -> finding.severity() == Severity.BLOCKER)
                .toList();
        if (blockers.isEmpty()) {
            return;
        }
        var known = new HashSet<Finding>(ModelCheck.check(models.get(1)));
        known.addAll(ModelCheck.check(models.get(2)));
        var words = models.stream().map(SettingTexts::new).toList();
        blockers.stream()
                .filter(finding -> !known.contains(finding))
                .map(finding -> new Clash(
                        finding.place().definition(), finding.place().field(), told(finding, words), "", "", ""))
                .distinct()
                .filter(clash -> !clashes.contains(clash))
                .forEach(clashes::add);
    }

    /** The finding with the names of things in the place of ids: what it is about may be gone on one side. */
    private static String told(Finding finding, List<SettingTexts> words) {
        var arguments = finding.arguments().stream()
                .map(argument -> words.stream()
                        .map(shown -> shown.value(argument))
                        .filter(label -> !label.equals(argument))
                        .findFirst()
                        .orElse(argument))
                .toList();
        return new Finding(finding.code(), finding.place(), arguments, finding.fix()).sentence();
    }
}

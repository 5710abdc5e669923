package org.jontrel.core.merge;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Severity;
import org.jontrel.core.merge.Clash.Merged;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Model;

/**
 * Brings two models together over the one both come from. Independent changes go together without a word, also within
 * one field; what both sides changed differently is a {@link Clash}, and so is a result that would not pass the checks
 * although both sides did.
 */
public final class Merge {
    private Merge() {}

    public static Merged merge(Model base, Model ours, Model theirs) {
        var clashes = new ArrayList<Clash>();
        var ids = new LinkedHashSet<String>();
        List.of(ours, theirs).forEach(model -> model.types().forEach(type -> ids.add(type.id())));
        var types = new ArrayList<ContentType>();
        for (var id : ids) {
            type(base.type(id), ours.type(id), theirs.type(id), clashes).ifPresent(types::add);
        }
        var merged = new Model(types);
        broken(ours, theirs, merged, clashes);
        return new Merged(merged, clashes);
    }

    private static Optional<ContentType> type(
            Optional<ContentType> base, Optional<ContentType> ours, Optional<ContentType> theirs, List<Clash> clashes) {
        if (ours.isPresent() && theirs.isPresent()) {
            return Optional.of(new TypeMerge(base.orElse(null), ours.get(), theirs.get(), clashes).run());
        }
        var kept = ours.or(() -> theirs).orElseThrow();
        if (base.isEmpty() || !base.get().equals(kept)) {
            base.ifPresent(was -> clashes.add(new Clash(
                    was.id(),
                    "",
                    "Content type " + was.singular(),
                    was.singular(),
                    ours.map(ContentType::singular).orElse(""),
                    theirs.map(ContentType::singular).orElse(""))));
            return Optional.of(kept);
        }
        return Optional.empty();
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

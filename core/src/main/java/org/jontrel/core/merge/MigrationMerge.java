package org.jontrel.core.merge;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jontrel.core.code.Decision;
import org.jontrel.core.code.Migration;
import org.jontrel.core.compare.SettingTexts;
import org.jontrel.core.model.Model;

/** The answers of both sides, question by question. */
final class MigrationMerge {
    private final List<Clash> clashes;
    private final SettingTexts shown;

    /** @param model names what the answers are about */
    MigrationMerge(List<Clash> clashes, Model model) {
        this.clashes = clashes;
        this.shown = new SettingTexts(model);
    }

    /** What was asked of what. */
    private record DecisionKey(String element, Decision.Topic about) {}

    List<Migration> merge(List<Migration> base, List<Migration> ours, List<Migration> theirs) {
        var was = byVersion(base);
        var mine = byVersion(ours);
        var other = byVersion(theirs);
        var versions = new LinkedHashSet<>(mine.keySet());
        versions.addAll(other.keySet());
        var merged = new ArrayList<Migration>();
        for (var version : versions) {
            var decisions = decisions(version, was.get(version), mine.get(version), other.get(version));
            boolean removed = was.containsKey(version) && !(mine.containsKey(version) && other.containsKey(version));
            if (!removed || !decisions.isEmpty()) {
                merged.add(new Migration(version, decisions));
            }
        }
        return merged;
    }

    private static Map<String, Map<DecisionKey, Decision>> byVersion(List<Migration> migrations) {
        var byVersion = new LinkedHashMap<String, Map<DecisionKey, Decision>>();
        for (var migration : migrations) {
            var decisions = byVersion.computeIfAbsent(migration.version(), _ -> new LinkedHashMap<>());
            migration.decisions().forEach(each -> decisions.put(new DecisionKey(each.fieldId(), each.about()), each));
        }
        return byVersion;
    }

    private List<Decision> decisions(
            String version,
            Map<DecisionKey, Decision> was,
            Map<DecisionKey, Decision> mine,
            Map<DecisionKey, Decision> other) {
        var none = Map.<DecisionKey, Decision>of();
        var asked = new LinkedHashSet<>((mine == null ? none : mine).keySet());
        asked.addAll((other == null ? none : other).keySet());
        var merged = new ArrayList<Decision>();
        for (var each : asked) {
            var what = "Migration " + version + ": " + each.about().code().replace('_', ' ') + " of "
                    + shown.value(each.element());
            var words = new Chooser.SideTexts(shown, shown, shown);
            var decision = new Chooser("", each.element(), what, words, clashes)
                    .choose("answer", said(was, each), said(mine, each), said(other, each));
            var chosen = decision == null ? null : decision.equals(said(mine, each)) ? mine.get(each) : other.get(each);
            if (chosen != null) {
                merged.add(chosen);
            }
        }
        return merged;
    }

    private static String said(Map<DecisionKey, Decision> decisions, DecisionKey asked) {
        var decision = decisions == null ? null : decisions.get(asked);
        if (decision == null) {
            return null;
        }
        var answer = (decision.answer().code().replace('_', ' ') + " " + decision.value()).strip();
        return decision.corrections().stream()
                .map(each -> "; “" + each.from() + "” becomes “" + each.to() + "”")
                .collect(Collectors.joining("", answer, ""));
    }
}

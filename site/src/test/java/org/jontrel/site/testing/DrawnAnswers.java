package org.jontrel.site.testing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.PlanQuestion;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.Site;
import org.jontrel.site.run.Runs;

/** Answers to the questions of plans, and values, for drawn models. */
final class DrawnAnswers {
    private static final Set<Decision.Action> MAKES = Set.of(Decision.Action.NEST, Decision.Action.MAKE);

    private DrawnAnswers() {}

    static Runs.RunTarget to(Site site, Model to, Decision.Action held) {
        var decisions = new ArrayList<Decision>();
        var plan = site.runs().plan(new Runs.RunTarget("2", to, List.of()));
        plan.asks().forEach(ask -> {
            var answer = ask.about() == Decision.Topic.HELD_VALUES
                    ? held
                    : ask.choices().contains(Decision.Action.LEAVE)
                            ? Decision.Action.LEAVE
                            : ask.choices().getLast();
            var taken = ask.choices().contains(Decision.Action.GATHER)
                    ? gathered(ask.choices())
                    : ask.choices().contains(Decision.Action.MOVE) ? Decision.Action.MOVE : answer;
            var named = makes(ask, site, to) ? ask.choices().getFirst() : taken;
            var value =
                    switch (named) {
                        case GATHER, UNITE, MOVE -> ask.proposed();
                        case NEST -> ">";
                        case JOIN -> " / ";
                        default -> "";
                    };
            decisions.add(new Decision(ask.fieldId(), ask.about(), named, value));
        });
        // what comes back may not convert, which is asked only then
        site.runs().plan(new Runs.RunTarget("2", to, decisions)).asks().stream()
                .filter(ask -> ask.decision().isEmpty())
                .forEach(ask -> decisions.add(
                        new Decision(ask.fieldId(), ask.about(), ask.choices().getLast(), "")));
        return new Runs.RunTarget("2", to, decisions);
    }

    /** Whether terms are made for names: of a taxonomy that is new, since others keep them in the bin when they go again. */
    private static boolean makes(PlanQuestion ask, Site site, Model to) {
        return MAKES.contains(ask.choices().getFirst())
                && RecordType.all(to).stream()
                        .flatMap(each -> each.field(ask.fieldId()).stream())
                        .anyMatch(field -> field.kind() instanceof Kind.TermPick term
                                && site.installed().table(term.taxonomy()).isEmpty());
    }

    /** One record for all rows that say the same, where such a thing can be and there are some. */
    private static Decision.Action gathered(List<Decision.Action> choices) {
        return choices.getFirst() == Decision.Action.UNITE ? Decision.Action.UNITE : Decision.Action.GATHER;
    }

    /** Where a field takes several values, those of both. */
    static Map<String, Object> several(Map<?, ?> some, Map<?, ?> more) {
        var all = new LinkedHashMap<String, Object>();
        some.forEach((key, value) -> all.put((String) key, both(value, more.get(key))));
        return all;
    }

    private static Object both(Object some, Object more) {
        if (some instanceof Map<?, ?> a && more instanceof Map<?, ?> b) {
            return several(a, b);
        }
        return some instanceof List<?> a && more instanceof List<?> b
                ? Stream.concat(a.stream(), b.stream()).distinct().toList()
                : some;
    }
}

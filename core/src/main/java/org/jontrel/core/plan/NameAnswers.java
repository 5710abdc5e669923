package org.jontrel.core.plan;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Field;

/** What the architect says of values that a field cannot take, where they may be names. */
record NameAnswers(NameGoals goals, List<Decision> decisions) {
    private static final Set<Decision.Action> MAKES = Set.of(Decision.Action.MAKE, Decision.Action.NEST);

    List<Decision.Action> choices(Field field) {
        return MovePlan.unconverted(goals.of(field).isPresent(), goals.nests(field));
    }

    Optional<Decision> answer(Field field) {
        return PlanQuestion.decided(decisions, field.id(), Decision.Topic.UNCONVERTED, choices(field))
                .filter(each ->
                        each.answer() != Decision.Action.NEST || !each.value().isEmpty());
    }

    /** Whether terms or records are made for names that none has. */
    boolean make(Field field) {
        return answer(field).filter(each -> MAKES.contains(each.answer())).isPresent();
    }

    /** What is likely to stand between the levels of names; empty where they can have none. */
    String separator(Field field, List<String> examples) {
        return goals.nests(field) ? LevelSeparator.of(examples) : "";
    }
}

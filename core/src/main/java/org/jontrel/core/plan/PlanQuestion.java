package org.jontrel.core.plan;

import java.util.List;
import java.util.Optional;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Finding;

/**
 * A finding that needs a person's answer.
 *
 * @param rows records it concerns
 * @param decision the answer in force, if there is one
 */
public record PlanQuestion(
        Finding finding,
        String recordTypeId,
        String fieldId,
        Decision.Topic about,
        long rows,
        List<Decision.Action> choices,
        Optional<Decision> decision) {
    /** The last answer to a question that is one of its choices. */
    static Optional<Decision> decided(
            List<Decision> decisions, String elementId, Decision.Topic about, List<Decision.Action> choices) {
        return decisions.stream()
                .filter(each ->
                        each.fieldId().equals(elementId) && each.about() == about && choices.contains(each.answer()))
                .reduce((_, last) -> last);
    }

    static boolean isBack(Optional<Decision> decision) {
        return decision.filter(each -> each.answer() == Decision.Action.BRING_BACK)
                .isPresent();
    }
}

package org.jontrel.core.plan;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;

/**
 * A finding that needs a person's answer.
 *
 * @param rows records it concerns
 * @param decision the answer in force, if there is one
 * @param corrections those in force, also where they are no answer for all values
 * @param proposed value of the answer that the planner would give; empty where it has none to propose
 */
public record PlanQuestion(
        Finding finding,
        String recordTypeId,
        String fieldId,
        Decision.Topic about,
        long rows,
        List<Decision.Action> choices,
        Optional<Decision> decision,
        List<Decision.Correction> corrections,
        String proposed) {
    /** One that is about single values. */
    PlanQuestion(
            Finding finding,
            String recordTypeId,
            String fieldId,
            Decision.Topic about,
            long rows,
            List<Decision.Action> choices,
            Optional<Decision> decision,
            List<Decision.Correction> corrections) {
        this(finding, recordTypeId, fieldId, about, rows, choices, decision, corrections, "");
    }

    /** One that is not about single values. */
    PlanQuestion(
            Finding finding,
            String recordTypeId,
            String fieldId,
            Decision.Topic about,
            long rows,
            List<Decision.Action> choices,
            Optional<Decision> decision) {
        this(finding, recordTypeId, fieldId, about, rows, choices, decision, List.of(), "");
    }

    /** The same question about another field. */
    PlanQuestion about(String id) {
        return new PlanQuestion(
                finding.at(Place.field(recordTypeId, id, "")),
                recordTypeId,
                id,
                about,
                rows,
                choices,
                decision,
                corrections,
                proposed);
    }

    /** The question with its answer, for a report. */
    String answered() {
        var answer = decision.map(given -> given.answer().code().replace('_', ' ')
                        + (given.value().isEmpty() ? "" : " with " + given.value())
                        + told(given.corrections()))
                .orElse("none");
        return finding.sentence() + " Answer: " + answer + ".";
    }

    private static String told(List<Decision.Correction> corrections) {
        long aside = corrections.stream().filter(Decision.Correction::isAside).count();
        long corrected = corrections.size() - aside;
        return (corrected == 0 ? "" : ", " + corrected + " values corrected")
                + (aside == 0 ? "" : ", " + aside + " values set aside");
    }

    /** The corrections of each field, by its id: those of its last answer. */
    public static Map<String, Map<String, String>> corrections(List<Decision> decisions) {
        var all = new HashMap<String, Map<String, String>>();
        decisions.stream()
                .filter(each -> each.about() == Decision.Topic.UNCONVERTED)
                .forEach(each -> all.put(each.fieldId(), byValue(each.corrections())));
        return all;
    }

    static Map<String, String> byValue(List<Decision.Correction> corrections) {
        var all = new HashMap<String, String>();
        corrections.forEach(each -> all.put(each.from(), each.to()));
        return all;
    }

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

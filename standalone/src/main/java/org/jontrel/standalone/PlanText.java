package org.jontrel.standalone;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.jontrel.core.code.DecisionReferences;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Plan;
import org.jontrel.core.plan.PlanQuestion;

/**
 * A plan for whoever looks after a site.
 *
 * @param stages the versions that are reached one after another; this is the plan to the first
 * @param model that it leads to
 */
record PlanText(Plan plan, List<String> stages, Model model) {
    private String version() {
        return stages.getFirst();
    }

    private List<PlanQuestion> open() {
        return plan.asks().stream().filter(ask -> ask.decision().isEmpty()).toList();
    }

    boolean asks() {
        return !open().isEmpty();
    }

    /** Why it cannot run, with a file of answers to fill in where that is what it lacks. */
    List<String> problems() {
        var all = new ArrayList<String>();
        if (asks()) {
            all.add(open().size() == 1 ? "1 question is open." : open().size() + " questions are open.");
            open().forEach(ask -> all.add(ask.finding().sentence()));
        }
        all.addAll(PackageRefused.told(plan.findings()));
        if (asks()) {
            all.add("Answer in migrations/" + version() + ".yaml:\n" + answers());
        }
        return all;
    }

    /** What it would do, in sentences. */
    List<String> steps() {
        var steps = new ArrayList<String>();
        if (stages.size() > 1) {
            steps.add("The way leads over " + String.join(", ", stages) + ". This is the plan to " + version() + ".");
        }
        plan.steps().stream()
                .map(step -> step.sentence()
                        + (step.rows() == 0 ? "" : step.rows() == 1 ? " (1 record)" : " (" + step.rows() + " records)"))
                .forEach(steps::add);
        return steps;
    }

    private String answers() {
        return "version: \"" + version() + "\"\ndecisions:\n"
                + open().stream().map(this::answer).collect(Collectors.joining());
    }

    private String answer(PlanQuestion ask) {
        var choices = ask.choices().stream().map(each -> each.code()).toList();
        return "  # " + ask.finding().arguments().getFirst().replaceAll("\\s+", " ") + ": "
                + String.join(" or ", choices) + "\n"
                + "  - {element: " + DecisionReferences.toKeys(ask.fieldId(), model) + ", question: "
                + ask.about().code() + ", answer: " + (choices.isEmpty() ? "…" : choices.getFirst())
                + (ask.proposed().isEmpty() ? "" : ", value: " + quoted(ask.proposed())) + "}\n";
    }

    private static String quoted(String value) {
        return "\"" + value.replace("\\", "\\\\").replace("\"", "\\\"").replace("\n", "\\n") + "\"";
    }
}

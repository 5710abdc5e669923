package org.jontrel.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.jontrel.core.finding.Finding;

/**
 * What brings a site from one model to another.
 *
 * @param steps in the order they are done
 * @param asks what needs an answer; while one lacks it the plan cannot run
 * @param findings everything else there is to say, and why an answer cannot be used
 */
public record Plan(List<PlannedStep> steps, List<PlanQuestion> asks, List<Finding> findings) {
    public Plan {
        steps = List.copyOf(steps);
        asks = List.copyOf(asks);
        findings = List.copyOf(findings);
    }

    /** A step, how many records it touches, and what it does in a sentence. */
    public record PlannedStep(Step step, long rows, String sentence) {}

    /** With more findings, the worst first. */
    public Plan with(List<Finding> more) {
        var all = new ArrayList<>(findings);
        all.addAll(more);
        all.sort(Finding.WORST_FIRST);
        return new Plan(steps, asks, all);
    }

    /** What there is to say of it, for a report: questions with their answers, then findings. */
    public List<String> notes() {
        return Stream.concat(
                        asks.stream().map(PlanQuestion::answered),
                        findings.stream().map(Finding::sentence))
                .toList();
    }

    public boolean runnable() {
        return asks.stream().allMatch(ask -> ask.decision().isPresent()) && !Finding.blocks(findings);
    }
}

package org.jontrel.site.run.count;

import org.jontrel.core.plan.Plan;

/**
 * A plan, as far as the records of the site have been counted for it.
 *
 * @param plan cannot run while something is not counted
 * @param counted how many questions to the site are answered
 * @param questions how many there are
 */
public record CountedPlan(Plan plan, int counted, int questions) {
    public boolean isWhole() {
        return counted == questions;
    }
}

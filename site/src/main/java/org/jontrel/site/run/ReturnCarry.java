package org.jontrel.site.run;

import java.util.Map;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Step;
import org.jontrel.core.record.Conversion;

/**
 * Takes what people entered into one form of a field over into the held values of its other form, when a run is undone or
 * its undo is. What nobody changed is left as it is held, to the last byte.
 *
 * @param goal the field whose held values come back
 * @param source the field that is in use until then
 * @param run what the run that is done or undone makes of values of the older field
 */
record ReturnCarry(
        String recordTypeId, String fieldId, String held, Field goal, Field source, Conversion run, boolean forth) {
    /** {@code from} is the model that the site has, {@code to} the older one it goes back to. */
    static ReturnCarry back(Model from, Model to, Step.CarryBack step) {
        var older = SiteFacts.field(to, step.recordTypeId(), step.fieldId());
        var newer = SiteFacts.field(from, step.recordTypeId(), step.fieldId());
        return new ReturnCarry(
                step.recordTypeId(),
                step.fieldId(),
                step.held(),
                older,
                newer,
                run(older, newer, step.fill(), step.corrections()),
                false);
    }

    /** {@code from} is the older model, which the site has, {@code to} the newer one it goes to once more. */
    static ReturnCarry forth(Model from, Model to, Step.CarryForth step) {
        var older = SiteFacts.field(from, step.recordTypeId(), step.fieldId());
        var newer = SiteFacts.field(to, step.recordTypeId(), step.fieldId());
        return new ReturnCarry(
                step.recordTypeId(),
                step.fieldId(),
                step.held(),
                newer,
                older,
                run(older, newer, step.fill(), step.corrections()),
                true);
    }

    private static Conversion run(Field older, Field newer, String fill, Map<String, String> corrections) {
        return new Conversion(older, newer, SiteFacts.Conversions.fill(newer, fill), corrections);
    }

    /** Whether {@code now} was entered since {@code before} was held, and the goal can take it. */
    boolean carries(Object before, Object now) {
        return changed(before, now) && (now == null || direction().takes(now));
    }

    /** Whether {@code now} is something else than what the run, or its undo, made of {@code before}. */
    boolean changed(Object before, Object now) {
        return forth ? !run.untouched(now, before) && !run.back().untouched(before, now) : !run.untouched(before, now);
    }

    Object carried(Object now) {
        return direction().apply(now);
    }

    private Conversion direction() {
        return forth ? run : run.back();
    }
}

package org.jontrel.core.plan;

import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;

/** Says that numbers stay what they are where only their unit becomes another. */
final class UnitFinding {
    private UnitFinding() {}

    static Optional<Finding> of(String recordTypeId, Field before, Field field, long values) {
        boolean differs = before.kind() instanceof Kind.Numeric was
                && field.kind() instanceof Kind.Numeric is
                && !was.unit().isEmpty()
                && !is.unit().isEmpty()
                && !was.unit().equals(is.unit());
        return differs && values > 0
                ? Optional.of(Finding.of(
                        Code.PLAN_UNIT_CHANGES,
                        Place.field(recordTypeId, field.id(), ""),
                        field.label(),
                        ((Kind.Numeric) before.kind()).unit(),
                        ((Kind.Numeric) field.kind()).unit(),
                        values))
                : Optional.empty();
    }
}

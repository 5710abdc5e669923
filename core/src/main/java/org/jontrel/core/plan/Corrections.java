package org.jontrel.core.plan;

import java.util.List;
import java.util.Optional;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.move.MoveRules;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;

/** What values become that a field could not take over as they are. */
record Corrections(Field field) {
    /** What there is to say where every value is corrected or set aside. */
    static Finding answered(Place place, Field field, String kind, List<Decision.Correction> corrections, long aside) {
        if (aside > 0) {
            return Finding.of(Code.PLAN_VALUES_SET_ASIDE, place, field.label(), aside, kind);
        }
        return Finding.of(Code.PLAN_VALUES_CORRECTED, place, field.label(), corrections.size(), kind);
    }

    /** Says which of them the field cannot take. */
    void check(RecordType recordType, List<Decision.Correction> corrections, List<Finding> findings) {
        corrections.stream().filter(each -> !each.isAside()).forEach(each -> check(recordType, each, findings));
    }

    private void check(RecordType recordType, Decision.Correction correction, List<Finding> findings) {
        var parsed = parsed(correction);
        if (parsed.value().isEmpty()) {
            findings.add(Finding.of(
                    Code.PLAN_CORRECTION_INVALID,
                    Place.field(recordType.id(), field.id(), ""),
                    field.label(),
                    correction.from(),
                    correction.to(),
                    why(parsed)));
        }
    }

    boolean fits(Decision.Correction correction) {
        return parsed(correction).value().isPresent();
    }

    private Values.Parsed parsed(Decision.Correction correction) {
        var goal = MoveRules.heir(field).orElse(field);
        return goal.kind() instanceof Kind.Reference
                ? new Values.Parsed(Optional.of(correction.to()), List.of())
                : Values.typed(goal, correction.to());
    }

    static String why(Values.Parsed parsed) {
        return parsed.findings().stream().map(Finding::sentence).findFirst().orElse("It is empty.");
    }
}
